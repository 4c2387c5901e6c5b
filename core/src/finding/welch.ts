import { tQuantile } from "../numeric/student.ts";
import { mean, variance } from "../numeric/summary.ts";

/** What a fair test says, in words people are told. */
export type Word = "helps" | "hurts" | "cannot tell yet";

/** The difference new − old with its 95 % interval, in the measure's unit; nulls where nothing varies. */
export interface Welch {
  readonly difference: number;
  readonly df: number | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly word: Word | null;
}

/**
 * 95 % Welch interval of mean(new) − mean(old), at least two trials each. Each variance is at least
 * resolution²/12, and equal values have variance 0, not rounding dust. Degrees of freedom (Welch, 1947;
 * Satterthwaite, 1946) are not rounded.
 */
export function welch(fresh: readonly number[], old: readonly number[], better: "more" | "less", resolution = 0): Welch {
  const difference = mean(fresh) - mean(old);
  const parts = [fresh, old].map((values) => {
    const n = values.length;
    const v = Math.max(values.every((x) => x === values[0]) ? 0 : variance(values), resolution ** 2 / 12);
    return { v: v / n, n };
  });
  const v = parts.reduce((sum, part) => sum + part.v, 0);
  if (!(v > 0)) return { difference, df: null, low: null, high: null, word: null };
  const df = v ** 2 / parts.reduce((sum, part) => sum + part.v ** 2 / (part.n - 1), 0);
  const half = tQuantile(0.975, df) * Math.sqrt(v);
  const [low, high] = [difference - half, difference + half];
  return { difference, df, low, high, word: wordOf(low, high, better) };
}

/** Wholly on the better side of 0 helps, wholly on the worse hurts; touching or holding 0 cannot tell. */
export function wordOf(low: number, high: number, better: "more" | "less"): Word {
  const [worse, best] = better === "more" ? [low, high] : [-high, -low];
  if (worse > 0) return "helps";
  return best < 0 ? "hurts" : "cannot tell yet";
}
