import type { SheetDoc, VersionInput } from "@lampcrate/contract";
import { checkVersion, comparisonWords, countedOutcomes, readSetting, runFindings } from "@lampcrate/core";
import { familyOf } from "../family.ts";
import type { LogDraft } from "./draft.ts";

/** The last change of a logbook in plain words; null while there is nothing to compare. */
export function helpedWords(
  sheet: SheetDoc,
  versions: readonly VersionInput[],
  { tokens, timer }: Pick<LogDraft, "tokens" | "timer">,
): string | null {
  const { brief } = sheet;
  const family = familyOf(brief, tokens);
  const { setting } = family.measures(brief.spec)[0];
  const entry = {
    id: "own",
    alias: "you",
    versions: versions.map((version, i) => {
      const checked = checkVersion(family, brief.spec, brief.design, version, timer).map(({ read, broke, verdict }, t) => ({
        value: read.ok ? read.si : null,
        broke: broke.ok ? broke.si : null,
        flag: verdict.flag,
        outcome: version.trials[t]?.outcome ?? "number",
        rung: version.trials[t]?.rung ?? null,
        at: readSetting(version.trials[t]?.setting ?? null, setting).at,
      }));
      return {
        number: i,
        role: version.role,
        variables: version.variables,
        place: version.place,
        instrument: version.trials[0]?.instrument ?? "",
        trials: countedOutcomes(checked),
      };
    }),
  };
  const found = runFindings(family, brief.spec, [entry]);
  const last = found.comparisons.filter((comparison) => !comparison.control).at(-1);
  if (!last || last.oldTrials.length === 0 || last.newTrials.length === 0) return null;
  return comparisonWords(last, sheet.units, "home");
}
