import { type Band, type CheckedRatio, calibration, weightOf } from "../family/band.ts";
import type { NumberField } from "../family/shape.ts";
import { normalBelow } from "../numeric/normal.ts";

/** What builds of this form are expected to do, and what checked ones have done. */
export interface Expected {
  readonly band: Pick<Band, "mid" | "factor">;
  /** measured / mid of checked results, all > 0. */
  readonly ratios: readonly CheckedRatio[];
  readonly better: "more" | "less";
}

/** Share of builders expected to meet a goal. */
export interface Reach {
  /** On the first version. */
  readonly first: number;
  /** On the first or one of `loops` more, if everyone who missed tries again. */
  readonly within: number;
}

/** 90th percentile of the standard normal, as the models print it. */
const z90 = 1.2815516;

/** A band after what results have taught: its middle moved, its factor narrowed. */
export function learnedBand(band: Band, ratios: readonly CheckedRatio[]): Band {
  const { factor, f } = calibration(band.factor, ratios);
  const mid = band.mid * factor;
  return { mid, low: mid / f, high: mid * f, factor: f };
}

/**
 * Results are log-normal around the calibrated middle. Half of the log variance s² is a bias that all builders share
 * (known better with every checked result: s²/2 ÷ (n + 1)), half is scatter from build to build, so that trying again
 * helps with the scatter alone. The shared part is summed over its quantiles (Simpson, 81 points to ±5 sd).
 */
export function reachOf({ band, ratios, better }: Expected, goal: number, loops: number): Reach {
  if (goal <= 0) return { first: 1, within: 1 };
  if (!(band.mid > 0)) return { first: better === "more" ? 0 : 1, within: better === "more" ? 0 : 1 };
  const { factor } = calibration(band.factor, ratios);
  const s = Math.log(band.factor) / z90;
  const [shared, scatter] = [Math.sqrt(s ** 2 / 2 / (weightOf(ratios) + 1)), s / Math.SQRT2];
  const over = Math.log((band.mid * factor) / goal) * (better === "more" ? 1 : -1);
  if (scatter === 0) return over >= 0 ? { first: 1, within: 1 } : { first: 0, within: 0 };
  const chance = (bias: number): number => normalBelow((over + bias) / scatter);
  return {
    first: normalBelow(over / Math.hypot(shared, scatter)),
    within: averaged((bias) => 1 - (1 - chance(bias)) ** (loops + 1), shared),
  };
}

/** Mean of a function of a Normal(0, sd). */
function averaged(of: (x: number) => number, sd: number): number {
  if (sd === 0) return of(0);
  const steps = 80;
  let [sum, weights] = [0, 0];
  for (let i = 0; i <= steps; i += 1) {
    const z = -5 + (10 * i) / steps;
    const weight = (i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2) * Math.exp((-z * z) / 2);
    sum += weight * of(sd * z);
    weights += weight;
  }
  return sum / weights;
}

/** The goal that this share of builders is expected to meet within so many loops; null when nothing is predicted. Bisection on ln goal. */
export function goalForShare(expected: Expected, share: number, loops: number): number | null {
  if (!(expected.band.mid > 0) || expected.band.factor <= 1) return null;
  const span = Math.log(expected.band.factor) * 8 + 3;
  const middle = Math.log(expected.band.mid);
  let [low, high] = [middle - span, middle + span];
  for (let i = 0; i < 60; i += 1) {
    const half = (low + high) / 2;
    const met = reachOf(expected, Math.exp(half), loops).within;
    const tooEasy = met > share;
    if (tooEasy === (expected.better === "more")) low = half;
    else high = half;
  }
  return Math.exp((low + high) / 2);
}

/** The same on a step of the goal's ruler, within its ends. */
export function goalOnRuler(expected: Expected, share: number, loops: number, { min, max, step }: NumberField): number | null {
  const goal = goalForShare(expected, share, loops);
  return goal === null ? null : Number(Math.min(max, Math.max(min, Math.round(goal / step) * step)).toPrecision(10));
}
