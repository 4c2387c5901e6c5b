import type { Band } from "../family/band.ts";
import { median } from "../numeric/summary.ts";

/** Many values in short, SI: how many there are, and at most so many of them, evenly picked, ascending. */
export interface Spread {
  readonly count: number;
  readonly values: readonly number[];
}

/** Values to draw: all of them while they are few, else those at even ranks, the least and the greatest among them. */
export function spreadOf(values: readonly number[], most = 240): Spread {
  const sorted = Float64Array.from(values).sort();
  const n = sorted.length;
  if (n <= most) return { count: n, values: [...sorted] };
  return { count: n, values: Array.from({ length: most }, (_, i) => sorted[Math.round((i * (n - 1)) / (most - 1))] ?? 0) };
}

/** What was predicted for the plain build, and what first builds gave. SI. */
export interface Outcome {
  readonly predicted: Band | null;
  /** First versions' values. */
  readonly first: Spread;
  /** Their middle value; null without any. */
  readonly middle: number | null;
  /** How many of them fell into the band; 8 of 10 are meant to. */
  readonly inside: number;
}

/** Holds first builds against the prediction; ends of the band count as inside. */
export function outcomeOf(predicted: Band | null, values: readonly number[]): Outcome {
  const inside = predicted === null ? 0 : values.filter((value) => value >= predicted.low && value <= predicted.high).length;
  return { predicted, first: spreadOf(values), middle: values.length === 0 ? null : median(values), inside };
}

/** The outcome in one sentence; `show` says a value in words. */
export function outcomeWords({ predicted, first, middle, inside }: Outcome, show: (si: number) => string): string {
  if (middle === null) return "No first build came to an exact number.";
  if (predicted === null || predicted.mid <= 0)
    return `The middle of ${first.count} first tries is ${show(middle)}; nothing was predicted.`;
  const ratio = middle / predicted.mid;
  const times = ratio >= 1 ? ratio : 1 / ratio;
  const how =
    times < 1.05 ? "as predicted" : `${(Math.round(times * 10) / 10).toFixed(1)} times ${ratio > 1 ? "the" : "less than the"} prediction`;
  return `The middle of ${first.count} first tries is ${show(middle)}, ${how}; ${inside} of ${first.count} fell where 8 of 10 were meant to.`;
}
