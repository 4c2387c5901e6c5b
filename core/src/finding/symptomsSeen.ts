import type { Family, Measure, Values } from "../family/shape.ts";
import { comparisonKind } from "./comparison.ts";
import { countedIntervals } from "./outcome/counted.ts";
import { surelyBetter } from "./outcome/trialOutcome.ts";
import { meanOf } from "./outcome/versionOutcome.ts";
import type { FindingEntry, FindingVersion } from "./runFindings.ts";

/** A symptom over a run: who saw it, and what became of those who built again. */
export interface SymptomSeen {
  readonly id: string;
  readonly words: string;
  /** Builders who saw it with any version. */
  readonly builders: number;
  /** Of these, how many built again after it. */
  readonly again: number;
  /** And did surely better with the next version, by its mean. */
  readonly better: number;
  /** Of those who did better, what they changed, most often first: words of the variable, and how often. */
  readonly helped: readonly { readonly changed: string; readonly times: number }[];
}

/** What was seen, most often first, and what was done about it that helped; each builder's first version with it counts. */
export function symptomsSeen(family: Family, spec: Values, measure: Measure, entries: readonly FindingEntry[]): readonly SymptomSeen[] {
  const meanBy = (version: FindingVersion) => meanOf(countedIntervals(measure, version.trials));
  const found = family.symptoms.map(({ id, words }): SymptomSeen => {
    const cases = entries.flatMap((entry) => {
      const builds = entry.versions.filter(({ role }) => role === "build");
      const at = builds.findIndex(({ seen }) => seen?.includes(id));
      const [old, next] = [builds[at], builds[at + 1]];
      if (at < 0 || !old) return [];
      const [before, after] = [meanBy(old), next ? meanBy(next) : null];
      const isBetter = before !== null && after !== null && surelyBetter(after, before, measure.better);
      return [{ again: next !== undefined, isBetter, changed: next && isBetter ? changedWords(family, spec, old, next) : null }];
    });
    const times = new Map<string, number>();
    for (const { changed } of cases) if (changed !== null) times.set(changed, (times.get(changed) ?? 0) + 1);
    return {
      id,
      words,
      builders: cases.length,
      again: cases.filter(({ again }) => again).length,
      better: cases.filter(({ isBetter }) => isBetter).length,
      helped: [...times].map(([changed, count]) => ({ changed, times: count })).sort((a, b) => b.times - a.times),
    };
  });
  return found.filter(({ builders }) => builders > 0).sort((a, b) => b.builders - a.builders);
}

/** What changed from one version to the next: the one variable, or that it was several; null where nothing was declared. */
function changedWords(family: Family, spec: Values, old: FindingVersion, next: FindingVersion): string | null {
  const as = ({ variables }: FindingVersion) => ({ measure: "", instrument: "", spec, variables });
  const { changed } = comparisonKind(as(old), as(next));
  if (changed.length === 0) return null;
  const names = changed.map((id) => family.variables.find((field) => field.id === id)?.words.toLowerCase() ?? id);
  return names.length > 2 ? "several things at once" : names.join(" and ");
}

/** A symptom in a sentence, who saw it first. */
export function symptomWords({ words, builders, again, better, helped }: SymptomSeen): string {
  const people = (n: number): string => `${n} ${n === 1 ? "builder" : "builders"}`;
  const start = `“${words}” was seen by ${people(builders)}`;
  if (again === 0) return `${start}; nobody has built again after it yet.`;
  const what = helped.slice(0, 3).map(({ changed, times }) => `${changed}${times > 1 ? ` (${times} times)` : ""}`);
  const how = what.length > 0 ? ` What they changed: ${what.join(", ")}.` : "";
  return `${start}. Of ${people(again)} who built again after it, ${better} did better.${how}`;
}
