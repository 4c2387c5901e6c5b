import type { GroupDoc } from "@lampcrate/contract";
import { type BuilderFound, countedOutcomes, findingsWords, type RunFindings, runFindings } from "@lampcrate/core";
import { familyOf } from "../family.ts";

/** What a leader's own group comes to, whatever the house has looked at so far; withdrawn builders left out. */
export function groupTotals({ sheet: { brief, units }, entries }: GroupDoc): {
  readonly said: readonly string[];
  readonly builders: ReadonlyMap<string, BuilderFound>;
  readonly measure: RunFindings["measure"];
} {
  const found = runFindings(
    familyOf(brief),
    brief.spec,
    entries
      .filter(({ state }) => state !== "withdrawn")
      .map(({ id, alias, versions }) => ({
        id,
        alias,
        versions: versions.map(({ number, role, variables, place, trials }) => ({
          number,
          role,
          variables,
          place,
          instrument: trials[0]?.instrument ?? "",
          trials: countedOutcomes(trials.map(({ brokeValue: broke, ...trial }) => ({ ...trial, broke }))),
        })),
      })),
  );
  return { said: findingsWords(found, units), builders: new Map(found.builders.map((one) => [one.alias, one])), measure: found.measure };
}
