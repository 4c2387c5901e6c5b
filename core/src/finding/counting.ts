import type { Flag } from "./flag.ts";

/** A trial once it has been read and checked; value SI, null when the test gave no number. */
export interface CheckedValue {
  readonly value: number | null;
  readonly flag: Flag;
  readonly atLeast: boolean;
}

/** What counts of a version's trials, SI: every value that was read and is possible; "still holding" apart, as it has no upper end. */
export function countedValues(trials: readonly CheckedValue[]): {
  readonly measured: readonly number[];
  readonly atLeast: readonly number[];
} {
  const possible = trials.filter((trial) => trial.value !== null && trial.flag !== "impossible");
  const those = (atLeast: boolean): readonly number[] =>
    possible.flatMap((trial) => (trial.atLeast === atLeast && trial.value !== null ? [trial.value] : []));
  return { measured: those(false), atLeast: those(true) };
}
