import { type Comparison, comparisonKind, type TestedAs } from "./comparison.ts";
import { type BoundedComparison, boundedComparison } from "./outcome/boundedComparison.ts";
import { type PassComparison, type Passes, passComparison } from "./outcome/passes.ts";
import { type Better, type FailedCountsAs, intervalsOf, isExact, type TrialOutcome } from "./outcome/trialOutcome.ts";
import { type Permutation, permutationTest } from "./permutation.ts";
import { moreTrials } from "./power.ts";
import { type Welch, welch } from "./welch.ts";

/** A version with its trials that count. */
export interface TestedVersion {
  readonly as: TestedAs;
  readonly trials: readonly TrialOutcome[];
}

/** What two versions say, for a fair test with at least two trials each: `numbers` where all are known exactly, else `bounded`. */
export interface FairTest {
  readonly comparison: Comparison;
  readonly numbers: {
    readonly welch: Welch;
    readonly permutation: Permutation;
    readonly careful: boolean;
    readonly more: { moreNew: number; moreOld: number } | null;
  } | null;
  readonly bounded: BoundedComparison | null;
  /** Of tests that are passed or not. */
  readonly passes: PassComparison | null;
  /** Set when trials are too few to say anything. */
  readonly repeat: boolean;
}

/** Compares a version with the one it was built from. `resolution`: the instrument's smallest step, SI. */
export function fairTest(
  old: TestedVersion,
  fresh: TestedVersion,
  better: Better,
  failedCountsAs: FailedCountsAs,
  resolution: number,
  isPassed = false,
): FairTest {
  const comparison = comparisonKind(old.as, fresh.as);
  const [olds, news] = [intervalsOf(old.trials, failedCountsAs), intervalsOf(fresh.trials, failedCountsAs)];
  const repeat = comparison.kind === "fair test" && (olds.length < 2 || news.length < 2);
  if (comparison.kind !== "fair test" || repeat) return { comparison, numbers: null, bounded: null, passes: null, repeat };
  if (isPassed) {
    const passed = (trials: typeof olds): Passes => [trials.filter(({ low }) => low > 0).length, trials.length];
    return { comparison, numbers: null, bounded: null, passes: passComparison(passed(news), passed(olds)), repeat };
  }
  if (![...olds, ...news].every(isExact))
    return {
      comparison,
      numbers: null,
      bounded: boundedComparison(fresh.trials, old.trials, better, failedCountsAs),
      passes: null,
      repeat,
    };
  const [oldValues, newValues] = [olds.map(({ low }) => low), news.map(({ low }) => low)];
  const interval = welch(newValues, oldValues, better, resolution);
  const permutation = permutationTest(newValues, oldValues);
  const decided = interval.word === "helps" || interval.word === "hurts";
  return {
    comparison,
    repeat,
    bounded: null,
    passes: null,
    numbers: {
      welch: interval,
      permutation,
      careful: decided && permutation.p > 0.05,
      more: decided ? null : moreTrials(newValues, oldValues),
    },
  };
}
