import type { FailedCountsAs } from "../../family/shape.ts";
import { mean } from "../../numeric/summary.ts";
import { type Better, type Interval, intervalsOf, isExact, surelyBetter, type TrialOutcome } from "./trialOutcome.ts";

/** What a version's trials come to; null where none has a value. */
export interface VersionOutcome {
  readonly best: Interval | null;
  readonly mean: Interval | null;
  readonly goalMet: boolean;
  /** Trials with a value. */
  readonly counted: number;
}

const endless = (high: number | null): number => high ?? Number.POSITIVE_INFINITY;

/**
 * Best: more, the greatest low end, then the greatest high end; less, the least high end, then the least low end. Mean:
 * from the mean of low ends to that of high ends. The goal is met where some trial surely reaches it, a rounding allowed.
 */
export function versionOutcome(
  trials: readonly TrialOutcome[],
  better: Better,
  failedCountsAs: FailedCountsAs,
  goal: number,
): VersionOutcome {
  const counted = intervalsOf(trials, failedCountsAs);
  const slack = Math.abs(goal) * 1e-9;
  const reaches = ({ low, high }: Interval): boolean => (better === "more" ? low >= goal - slack : endless(high) <= goal + slack);
  return { best: bestOf(counted, better), mean: meanOf(counted), goalMet: counted.some(reaches), counted: counted.length };
}

/** The best of several; null of none. */
export function bestOf(intervals: readonly Interval[], better: Better): Interval | null {
  const ahead = (a: Interval, b: Interval): boolean => {
    const [lows, highs] = [a.low - b.low, endless(a.high) === endless(b.high) ? 0 : endless(a.high) - endless(b.high)];
    return better === "more" ? lows > 0 || (lows === 0 && highs > 0) : highs < 0 || (highs === 0 && lows < 0);
  };
  return intervals.reduce<Interval | null>((best, one) => (best === null || ahead(one, best) ? one : best), null);
}

/** From the mean of the low ends to that of the high ends; null of none. */
export function meanOf(intervals: readonly Interval[]): Interval | null {
  if (intervals.length === 0) return null;
  const high = intervals.some((one) => one.high === null) ? null : mean(intervals.map((one) => one.high ?? 0));
  return { low: mean(intervals.map((one) => one.low)), high, open: intervals.some((one) => one.open) };
}

/** How the last version did beside the first. */
export type FirstLastWord = "better" | "worse" | "same" | "cannot tell" | "no number to compare";

export interface FirstAndLast {
  readonly word: FirstLastWord;
  /** Last ÷ first; only where both are exact and the first is more than nothing. */
  readonly ratio: number | null;
}

/** Holds two versions' means against each other. */
export function firstAndLast(first: Interval | null, last: Interval | null, better: Better): FirstAndLast {
  if (!first || !last) return { word: "no number to compare", ratio: null };
  const exact = isExact(first) && isExact(last);
  const ratio = exact && first.low > 0 ? last.low / first.low : null;
  if (surelyBetter(last, first, better)) return { word: "better", ratio };
  if (surelyBetter(first, last, better)) return { word: "worse", ratio };
  return { word: exact ? "same" : "cannot tell", ratio };
}
