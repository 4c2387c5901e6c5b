import type { Flag } from "./flag.ts";
import { outcomeOfRead, type ReadTrial, type TrialOutcome } from "./outcome/trialOutcome.ts";

/** A trial once it has been read and checked. */
export interface CheckedValue extends ReadTrial {
  readonly flag: Flag;
}

/** The numbers among some trials: those known exactly, failures apart. SI. */
export function exactNumbers(outcomes: readonly TrialOutcome[]): readonly number[] {
  return outcomes.flatMap((outcome) => (outcome.kind === "number" ? [outcome.value] : []));
}

/** What counts of a version's trials: all that came out of them but what is impossible. */
export function countedOutcomes(trials: readonly CheckedValue[]): readonly TrialOutcome[] {
  return trials.flatMap((trial) => (trial.flag === "impossible" ? [] : (outcomeOfRead(trial) ?? [])));
}
