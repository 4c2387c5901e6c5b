import { quarterMin } from "../dropIn.ts";
import type { FloorNow } from "./floorNow.ts";

const minute = 60_000;

/** What a floor was expected to be. */
export interface FloorForecast {
  /** When doors open, ms since 1970. */
  readonly opensAt: number;
  readonly closesAt: number;
  /** Kits expected over the day. */
  readonly kits: number;
  /** Of each quarter hour from opening, as arrivals were expected. */
  readonly weights: readonly number[];
  /** A test's minutes, all its trials together, until the day has shown its own. */
  readonly testMin: number;
}

/** How kits stand against the forecast. */
export interface KitsAhead {
  readonly left: number;
  /** Used by now, were the day as expected. */
  readonly expected: number;
  /** Wanted until closing at this pace. */
  readonly wanted: number;
  /** When none will be left at this pace, ms since 1970; null: they last. */
  readonly outAt: number | null;
}

/** Kits that the forecast counts for when the day's own pace is judged. */
const priorKits = 8;

/**
 * Kits left against the forecast. The pace is (8 + used) ÷ (8 + expected by now): a Gamma prior of weight 8 on the ratio
 * of Poisson arrivals, so that the first few families say little. The rest of the profile at that pace says what is
 * wanted until closing, and when the last kit goes.
 */
export function kitsAhead(
  { kitsUsed, kitsAtStart }: Pick<FloorNow, "kitsUsed" | "kitsAtStart">,
  forecast: FloorForecast,
  now: number,
): KitsAhead {
  const { opensAt, closesAt, kits, weights } = forecast;
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  /** Share of the day's arrivals by some minute from opening. */
  const shareBy = (min: number): number => {
    if (total === 0) return min <= 0 ? 0 : 1;
    const sum = weights.reduce((all, weight, bin) => all + weight * Math.min(1, Math.max(0, min / quarterMin - bin)), 0);
    return sum / total;
  };
  const by = shareBy((now - opensAt) / minute);
  const expected = kits * by;
  const pace = (priorKits + kitsUsed) / (priorKits + expected);
  const wanted = kits * (1 - by) * pace;
  const left = Math.max(0, (kitsAtStart ?? kits) - kitsUsed);
  if (left === 0) return { left, expected, wanted, outAt: now };
  if (wanted <= left) return { left, expected, wanted, outAt: null };
  // The minute by which what is left has gone: the profile is stepwise even, so halving finds it to the second.
  let [from, to] = [Math.max(0, (now - opensAt) / minute), (closesAt - opensAt) / minute];
  for (let i = 0; i < 40; i += 1) {
    const half = (from + to) / 2;
    if (kits * (shareBy(half) - by) * pace >= left) to = half;
    else from = half;
  }
  return { left, expected, wanted, outAt: opensAt + to * minute };
}

/** Tests that the forecast counts for when the day's own length of a test is judged. */
const priorTests = 4;

/** Minutes of a test: the mean of what the day has shown and of the forecast, which counts for four tests. */
export function testMinutes(floor: Pick<FloorNow, "tests">, testMin: number): number {
  const { count, minutes } = floor.tests;
  return (priorTests * testMin + minutes) / (priorTests + count);
}

/** How long each place of the line will wait for a rig, min: rigs free up one after another, a test's length apart. */
export function lineWaits(floor: Pick<FloorNow, "units" | "line">, rigs: number, testMin: number, now: number): readonly number[] {
  if (rigs <= 0) return floor.line.map(() => Number.POSITIVE_INFINITY);
  const testing = floor.units.filter(({ stage }) => stage === "tests");
  // A rig whose test has run over its time is about to be free.
  const free = Array.from({ length: rigs }, (_, rig) => {
    const on = testing.find((unit) => unit.rig === rig);
    return on ? Math.max(0, testMin - (now - on.since) / minute) : 0;
  });
  return floor.line.map(() => {
    const next = free.indexOf(Math.min(...free));
    const wait = free[next] ?? 0;
    free[next] = wait + testMin;
    return wait;
  });
}
