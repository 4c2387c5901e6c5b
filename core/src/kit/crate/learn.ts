import { betaQuantile } from "../../numeric/beta.ts";
import { tQuantile } from "../../numeric/student.ts";
import type { LineKind } from "../draws/demand.ts";

/** A rate or an amount after what sessions have shown, with its 90 % interval. */
export interface Learned {
  readonly value: number;
  readonly interval: readonly [low: number, high: number];
}

/** Weight of a default: it counts as ten observations. */
const defaultCounts = 10;

/** Spoil rate: mean and interval of Beta(10 p₀ + spoilt, 10 (1 − p₀) + good). */
export function learnSpoil(usual: number, spoilt: number, good: number): Learned {
  return betaOf(defaultCounts * usual + spoilt, defaultCounts * (1 - usual) + good);
}

/** A session's units and its rebuilds, first, second and so on. */
export interface RebuildSession {
  readonly units: number;
  readonly rebuilds: readonly number[];
}

/** Rebuild rate: Beta(10 q₀ + ΣB, 10 (1 − q₀) + chances not taken); chances = U + B₁ + … without the last loop's. */
export function learnRebuild(usual: number, loops: number, sessions: readonly RebuildSession[]): Learned {
  let [taken, chances] = [0, 0];
  for (const { units, rebuilds } of sessions) {
    const counted = rebuilds.slice(0, loops);
    taken += sum(counted);
    chances += loops > 0 ? units + sum(counted.slice(0, loops - 1)) : 0;
  }
  return betaOf(defaultCounts * usual + taken, defaultCounts * (1 - usual) + chances - taken);
}

/** What a session used of a line: units out and back in the material's unit, spoilt pieces, rebuilds as logged or null. */
export interface UseSession {
  readonly putOut: number;
  readonly left: number;
  readonly spoilt?: number | undefined;
  readonly units: number;
  readonly rebuilds: number | null;
}

/** How a line is used: its default amount, the part a rebuild takes again, and the brief's rebuilding. */
export interface LineDefault {
  readonly kind: Exclude<LineKind, "reusable">;
  readonly amount: number;
  readonly perRebuild: number;
  readonly rebuildRate: number;
  readonly loops: number;
}

/** Amount per unit, clear of rebuilds and spoil: (3 a₀ + Σ x)/(3 + m), ± t √(v/(3 + m)) at 3 + m degrees of freedom. */
export function learnAmount(line: LineDefault, sessions: readonly UseSession[]): Learned & { readonly perUnit: readonly number[] } {
  const { kind, amount, perRebuild, rebuildRate, loops } = line;
  const again = kind === "measured" ? perRebuild : Math.ceil(perRebuild * amount - 1e-9) / amount;
  const perUnit = sessions.map(({ putOut, left, spoilt = 0, units, rebuilds }) => {
    const expected = units * sum(Array.from({ length: loops }, (_, i) => rebuildRate ** (i + 1)));
    return (putOut - left - spoilt) / (units + again * (rebuilds ?? expected));
  });
  const m = perUnit.length;
  const value = (3 * amount + sum(perUnit)) / (3 + m);
  const mean = m === 0 ? 0 : sum(perUnit) / m;
  const within = sum(perUnit.map((x) => (x - mean) ** 2));
  const v = (3 * (0.2 * amount) ** 2 + within + ((3 * m) / (3 + m)) * (mean - amount) ** 2) / (3 + m);
  const off = tQuantile(0.95, 3 + m) * Math.sqrt(v / (3 + m));
  return { value, interval: [Math.max(0, value - off), value + off], perUnit };
}

/** Mean and 5 % to 95 % of a Beta; a point where a parameter is 0. */
function betaOf(a: number, b: number): Learned {
  const value = a / (a + b);
  if (a <= 0 || b <= 0) return { value: a <= 0 ? 0 : 1, interval: a <= 0 ? [0, 0] : [1, 1] };
  return { value, interval: [betaQuantile(0.05, a, b), betaQuantile(0.95, a, b)] };
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
