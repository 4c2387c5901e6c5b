import type { FailedCountsAs, Measure } from "../../family/shape.ts";
import { ladderOutcome, rungOf } from "./ladder.ts";
import { type Interval, intervalsOf, type TrialOutcome } from "./trialOutcome.ts";

/** How a measure's trials are judged. */
type Judging = Pick<Measure, "passes" | "rungs" | "setting" | "settingAt">;

/** What a failed trial of a measure counts as: as its brief says, else nothing at all where more is better and it is no time. */
export function failedAs({ failedAs: said, better, dimension }: Pick<Measure, "failedAs" | "better" | "dimension">): FailedCountsAs {
  return said !== undefined ? said : better === "more" && dimension !== "time" ? 0 : null;
}

/** What trials count as: 1 for each that passed and 0 for each that didn't, a rung by its height in the list, a ladder as the one result it is; else what came out. Where something varies, at the brief's own setting if it was tried. */
export function countedAs(measure: Judging, all: readonly TrialOutcome[]): readonly TrialOutcome[] {
  const { passes, rungs, setting, settingAt } = measure;
  if (rungs && setting?.kind === "number") return ladderOutcome(all, rungs);
  const asked = setting === undefined ? [] : all.filter(({ at }) => at !== undefined && at === settingAt);
  const outcomes = asked.length > 0 ? asked : all;
  if (rungs)
    return outcomes.flatMap((outcome) => {
      const rung = rungOf(outcome, rungs);
      return rung === null ? [] : [{ kind: "number", value: rungs.steps.length - 1 - rung, at: outcome.at }];
    });
  return passes ? outcomes.map((outcome) => ({ kind: "number", value: outcome.kind === "failed" ? 0 : 1, at: outcome.at })) : outcomes;
}

/** What trials of a measure count as, each as an interval. */
export function countedIntervals(
  measure: Judging & Pick<Measure, "better" | "dimension" | "failedAs">,
  outcomes: readonly TrialOutcome[],
): readonly Interval[] {
  return intervalsOf(countedAs(measure, outcomes), failedAs(measure));
}
