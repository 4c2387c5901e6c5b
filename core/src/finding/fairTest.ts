import { type Comparison, comparisonKind, type TestedAs } from "./comparison.ts";
import { type Permutation, permutationTest } from "./permutation.ts";
import { moreTrials } from "./power.ts";
import { type Welch, welch } from "./welch.ts";

/** A version with its accepted values, SI. */
export interface TestedVersion {
  readonly as: TestedAs;
  readonly values: readonly number[];
}

/** What two versions say; `numbers` only for a fair test with at least two trials each. */
export interface FairTest {
  readonly comparison: Comparison;
  readonly numbers: {
    readonly welch: Welch;
    readonly permutation: Permutation;
    readonly careful: boolean;
    readonly more: { moreNew: number; moreOld: number } | null;
  } | null;
  /** Set when trials are too few to say anything. */
  readonly repeat: boolean;
}

/** Compares a version with the one it was built from. `resolution`: the instrument's smallest step, SI. */
export function fairTest(old: TestedVersion, fresh: TestedVersion, better: "more" | "less", resolution: number): FairTest {
  const comparison = comparisonKind(old.as, fresh.as);
  const repeat = comparison.kind === "fair test" && (old.values.length < 2 || fresh.values.length < 2);
  if (comparison.kind !== "fair test" || repeat) return { comparison, numbers: null, repeat };
  const interval = welch(fresh.values, old.values, better, resolution);
  const permutation = permutationTest(fresh.values, old.values);
  const decided = interval.word === "helps" || interval.word === "hurts";
  return {
    comparison,
    repeat,
    numbers: {
      welch: interval,
      permutation,
      careful: decided && permutation.p > 0.05,
      more: decided ? null : moreTrials(fresh.values, old.values),
    },
  };
}
