import type { Measure } from "../family/shape.ts";
import { median } from "../numeric/summary.ts";
import { showNumber } from "../quantity/show.ts";
import { countedIntervals } from "./outcome/counted.ts";
import { isExact } from "./outcome/trialOutcome.ts";
import { firstAndLast, meanOf } from "./outcome/versionOutcome.ts";
import type { FindingEntry, FindingVersion } from "./runFindings.ts";

/** Guesses made before a version's first result, against what came out. */
export interface GuessesSeen {
  /** How many came near what came out, or within what is known of it; too high, and too low. */
  readonly near: number;
  readonly high: number;
  readonly low: number;
  /** Guess ÷ mean result, of versions whose mean is known exactly. */
  readonly ratios: readonly number[];
  /** The same of first versions and of later ones. */
  readonly first: readonly number[];
  readonly later: readonly number[];
  /** Guesses of "more" or "less than the last one" that came out so, and how many could be told. */
  readonly right: number;
  readonly told: number;
}

/** Guess and result differ by no more than this part of the result. */
const near = 0.2;

/** Holds guesses against results; those made after the first result, or nobody knows when, say nothing. */
export function guessesSeen(measure: Measure, entries: readonly FindingEntry[]): GuessesSeen {
  const meanBy = (version: FindingVersion) => meanOf(countedIntervals(measure, version.trials));
  const found = entries.flatMap((entry) => {
    const builds = entry.versions.filter(({ role }) => role === "build");
    return builds.map((version, i) => ({ version, isFirst: i === 0, mean: meanBy(version), before: builds[i - 1] }));
  });
  const made = found.filter(({ version }) => version.guess?.made === "before");
  const valued = made.flatMap(({ version, mean, isFirst }) => {
    const value = version.guess?.value ?? null;
    return value !== null && value > 0 && mean && (mean.high === null || mean.high > 0) ? [{ value, mean, isFirst }] : [];
  });
  const high = valued.filter(({ value, mean }) => mean.high !== null && value > mean.high * (1 + near)).length;
  const low = valued.filter(({ value, mean }) => value < mean.low * (1 - near)).length;
  const ratios = valued.flatMap(({ value, mean, isFirst }) => (isExact(mean) ? [{ isFirst, ratio: value / mean.low }] : []));
  const turns = made.flatMap(({ version, mean, before }) => {
    const way = version.guess?.compared ?? null;
    if (way === null || !before) return [];
    const { word } = firstAndLast(meanBy(before), mean, "more");
    return word === "better" || word === "worse" ? [(word === "better") === (way === "more")] : [];
  });
  return {
    near: valued.length - high - low,
    high,
    low,
    ratios: ratios.map(({ ratio }) => ratio),
    first: ratios.flatMap(({ isFirst, ratio }) => (isFirst ? [ratio] : [])),
    later: ratios.flatMap(({ isFirst, ratio }) => (isFirst ? [] : [ratio])),
    right: turns.filter(Boolean).length,
    told: turns.length,
  };
}

/** How far off a guess is, as a factor, up or down. */
const offBy = (ratios: readonly number[]): number => Math.exp(median(ratios.map((ratio) => Math.abs(Math.log(ratio)))));

/** Guesses in sentences; none where nobody guessed in time. */
export function guessWords({ near: close, high, low, ratios, first, later, right, told }: GuessesSeen): readonly string[] {
  const words: string[] = [];
  const all = close + high + low;
  if (all > 0) {
    const none = (n: number): string => (n === 0 ? "none" : String(n));
    const middle = ratios.length === 0 ? "" : ` The middle guess was ${showNumber(median(ratios), 1)} times what came out.`;
    words.push(
      `${all} ${all === 1 ? "version had a guess made before its" : "versions had a guess made before their"} first result: ${close} came within a fifth of what came out, ${none(high)} guessed too much and ${none(low)} too little.${middle}`,
    );
  }
  if (first.length >= 3 && later.length >= 3)
    words.push(
      `First guesses were off by a factor of ${showNumber(offBy(first), 1)} in the middle, later ones by ${showNumber(offBy(later), 1)}.`,
    );
  if (told > 0)
    words.push(`Of ${told} who guessed only “more” or “less than the last one”, ${right} ${right === 1 ? "was" : "were"} right.`);
  return words;
}
