import type { Measure } from "../family/shape.ts";
import { type Comparison, comparisonKind, type TestedAs } from "./comparison.ts";
import { type BoundedComparison, boundedComparison } from "./outcome/boundedComparison.ts";
import { countedAs, failedAs } from "./outcome/counted.ts";
import { mostShared, type RungTest, rungTest } from "./outcome/ladder.ts";
import { type PassComparison, type Passes, passComparison, trialsForPasses } from "./outcome/passes.ts";
import { intervalsOf, isExact, type TrialOutcome } from "./outcome/trialOutcome.ts";
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
  readonly passes: (PassComparison & { readonly needed: number | null }) | null;
  /** Of tests judged by rungs. */
  readonly rungs: RungTest | null;
  /** Set when trials are too few to say anything. */
  readonly repeat: boolean;
}

/** Compares a version with the one it was built from, at the same setting. `resolution`: the instrument's smallest step, SI. */
export function fairTest(old: TestedVersion, fresh: TestedVersion, measure: Measure, resolution: number): FairTest {
  const comparison = comparisonKind(old.as, fresh.as);
  const nothing = { comparison, numbers: null, bounded: null, passes: null, rungs: null, repeat: false };
  if (comparison.kind !== "fair test") return nothing;
  if (measure.rungs) {
    const rungs = rungTest(fresh.trials, old.trials, measure);
    return { ...nothing, rungs, repeat: rungs === null };
  }
  const { better } = measure;
  const failedCountsAs = failedAs(measure);
  const [, freshTrials, oldTrials] = mostShared(
    everyOne(measure, fresh.trials),
    everyOne(measure, old.trials),
    measure.setting !== undefined,
  );
  const [olds, news] = [intervalsOf(oldTrials, failedCountsAs), intervalsOf(freshTrials, failedCountsAs)];
  if (olds.length < 2 || news.length < 2) return { ...nothing, repeat: true };
  if (measure.passes) {
    const passed = (trials: typeof olds): Passes => [trials.filter(({ low }) => low > 0).length, trials.length];
    return { ...nothing, passes: passesTold(passed(news), passed(olds)) };
  }
  if (![...olds, ...news].every(isExact)) return { ...nothing, bounded: boundedComparison(freshTrials, oldTrials, better, failedCountsAs) };
  const [oldValues, newValues] = [olds.map(({ low }) => low), news.map(({ low }) => low)];
  const interval = welch(newValues, oldValues, better, resolution);
  const permutation = permutationTest(newValues, oldValues);
  const decided = interval.word === "helps" || interval.word === "hurts";
  return {
    ...nothing,
    numbers: {
      welch: interval,
      permutation,
      careful: decided && permutation.p > 0.05,
      more: decided ? null : moreTrials(newValues, oldValues),
    },
  };
}

/** Two versions by how often they passed, and, where that can't tell them apart, the trials of each that would if these are the true shares. */
function passesTold(fresh: Passes, old: Passes): FairTest["passes"] {
  const found = passComparison(fresh, old);
  const isOpen = found?.word === "cannot tell yet";
  return found && { ...found, needed: isOpen ? trialsForPasses(fresh[0] / fresh[1], old[0] / old[1]) : null };
}

/** Trials as they count, at whatever setting. */
const everyOne = (measure: Measure, trials: readonly TrialOutcome[]): readonly TrialOutcome[] =>
  countedAs({ ...measure, setting: undefined }, trials);
