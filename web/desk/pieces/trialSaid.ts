import type { TrialDoc } from "@lampcrate/contract";
import { type Measure, outcomeOfRead, outcomeSaid, type UnitChoice } from "@lampcrate/core";

/** What came out of a trial, in words; as it was typed where it has no value. */
export function trialSaid({ brokeValue: broke, ...trial }: TrialDoc, measure: Measure, units: UnitChoice): string {
  const outcome = outcomeOfRead({ ...trial, broke });
  return outcome ? outcomeSaid(outcome, measure, units) : (trial.raw ?? "no number");
}
