import { said, saying } from "../language/language.ts";
import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { Flag } from "./flag.ts";
import { boundedWords, passWords, rungWords, settingSaid } from "./outcome/outcomeWords.ts";
import type { FairTestFound, RunFindings } from "./runFindings.ts";

/** A flag in words for the person who typed or sifts; null when nothing is odd. */
export function flagWords(flag: Flag, shown: string): string | null {
  switch (flag) {
    case "impossible":
      return saying`${shown} can't happen with these numbers.`;
    case "rare":
      return saying`${shown} is rare: about one in a hundred gets there.`;
    case "odd one out":
      return saying`${shown} is far from the other trials of this version.`;
    default:
      return null;
  }
}

/** Where an offered value would come from, in words. */
export function reasonWords(reason: string): string {
  if (reason.startsWith("unit ")) return saying`if it was in ${reason.slice(5)}`;
  const words: Readonly<Record<string, string>> = {
    decimal: "if the decimal point slipped",
    "count for mass": "if these were tokens",
    "mass for count": "if these were grams",
    diameter: "if this was the radius",
    radius: "if this was the diameter",
  };
  return said(words[reason] ?? reason);
}

/** What a family is asked of an odd value: what stands there, and what it might have been; nothing is taken for granted. */
export function askWords({
  where,
  shown,
  offered,
}: {
  readonly where: string;
  readonly shown: string;
  readonly offered: string | null;
}): string {
  const odd = saying`${where} says ${shown}. That would surprise us.`;
  return offered === null
    ? saying`${odd} Could you look again at what you measured?`
    : saying`${odd} Was it ${offered}? Please correct it if so; if it is right as it stands, tell us.`;
}

/** One comparison in plain words, the answer first; for families without the house's terms. */
export function comparisonWords(found: FairTestFound, units: UnitChoice, at: "house" | "home" = "house"): string {
  const { comparison, numbers, bounded, passes, rungs, repeat } = found.result;
  const what = said(found.control ? "The canopy" : (found.variable ?? "The change"));
  if (comparison.kind === "not comparable") return said("These two were not tested alike, so they can't be compared.");
  if (comparison.kind === "unclear") return said("What changed isn't clear: one variable is blank in one version only.");
  if (comparison.kind === "repeat") return said("Nothing that was declared changed: these trials count as one version.");
  if (comparison.kind === "redesign") return said("More than one thing changed at once, so no single cause can be named.");
  if (bounded) return boundedWords(what, bounded);
  if (passes && found.measure.passes) return passWords(what, passes, found.measure.passes);
  const { setting } = found.measure;
  if (rungs) return rungWords(what, rungs, rungs.at === null || !setting ? null : settingSaid(rungs.at, setting, units));
  if (repeat && setting) return said("Test both versions at least twice at the same setting, then the two can be compared.");
  if (repeat || !numbers) return said("Repeat each version at least twice, then the two can be compared.");
  const { welch, careful, more } = numbers;
  if (welch.low === null || welch.high === null) return said("Every trial gave the same number: there is nothing to compare yet.");
  const show = (value: number): string => showQuantity(value, found.measure.dimension, units);
  const [from, to] = [show(welch.low), show(welch.high)];
  const span = at === "home" ? saying`most likely between ${from} and ${to}` : saying`95 % interval ${from} to ${to}`;
  if (welch.word === "cannot tell yet") {
    const next =
      more === null
        ? said("More of the same will not tell.")
        : saying`If the difference seen is the true one, about ${Math.max(more.moreNew, more.moreOld)} more trials each would do it.`;
    return saying`You cannot tell these two apart yet (${span}). ${next}`;
  }
  const by = show(Math.abs(welch.difference));
  const seen =
    welch.difference > 0
      ? saying`${what} ${said(welch.word ?? "")}: ${by} more on average (${span}).`
      : saying`${what} ${said(welch.word ?? "")}: ${by} less on average (${span}).`;
  return careful ? `${seen} ${said("Few trials, so be careful.")}` : seen;
}

/** The run's answer in a few sentences, the goal first. */
export function findingsWords(findings: RunFindings, units: UnitChoice): readonly string[] {
  const { entries, goalMet, otherGoals, unweighed, builders, comparisons } = findings;
  if (entries === 0) return [said("No entry has been accepted yet.")];
  const words = [
    otherGoals > 0
      ? saying`${goalMet} of ${entries} met the goal of the sheet they built from.`
      : saying`${goalMet} of ${entries} met the goal.`,
  ];
  if (unweighed > 0)
    words.push(
      saying`${unweighed} counted loads in something that nobody weighed: each is held against itself alone, and against no goal.`,
    );
  const twice = builders.filter((builder) => builder.change !== null && builder.change !== "no number to compare");
  const better = twice.filter((builder) => builder.change === "better").length;
  if (twice.length > 0) words.push(saying`${better} of ${twice.length} who built again did better than with their first version.`);
  const fair = comparisons.filter((found) => !found.control && saysSomething(found));
  const tells = fair.filter(isDecided);
  if (fair.length > 0)
    words.push(
      fair.length === 1
        ? saying`1 fair test: ${tells.length} could tell a difference.`
        : saying`${fair.length} fair tests: ${tells.length} could tell a difference.`,
    );
  const best = clearest(comparisons);
  if (best) words.push(`${best.alias}: ${comparisonWords(best, units)}`);
  return words;
}

const saysSomething = ({ result: { numbers, bounded, passes, rungs } }: FairTestFound): boolean =>
  [numbers, bounded, passes, rungs].some((one) => one !== null);

/** Whether a fair test says that the change helps or hurts. */
function isDecided({ result: { numbers, bounded, passes, rungs } }: FairTestFound): boolean {
  const word = numbers?.welch.word ?? bounded?.word ?? passes?.word ?? rungs?.word;
  return word === "helps" || word === "hurts";
}

/** The fair test to show first: decided before undecided, then most trials, then the larger difference against its interval. */
export function clearest(comparisons: readonly FairTestFound[]): FairTestFound | null {
  const score = (found: FairTestFound): number => {
    const { numbers, bounded, passes, rungs } = found.result;
    if (found.control || !saysSomething(found)) return Number.NEGATIVE_INFINITY;
    if (numbers && (numbers.welch.low === null || numbers.welch.high === null)) return Number.NEGATIVE_INFINITY;
    const clear = numbers
      ? Math.abs(numbers.welch.difference) / ((numbers.welch.high ?? 0) - (numbers.welch.low ?? 0))
      : passes
        ? Math.abs(passes.difference)
        : 2 * Math.abs((bounded?.share ?? rungs?.share ?? 0.5) - 0.5);
    const trials = Math.min(found.oldTrials.length, found.newTrials.length);
    return (isDecided(found) ? 1000 : 0) + 10 * trials + Math.min(clear, 9);
  };
  let [best, most]: [FairTestFound | null, number] = [null, Number.NEGATIVE_INFINITY];
  for (const found of comparisons) {
    const its = score(found);
    if (its > most) [best, most] = [found, its];
  }
  return best;
}
