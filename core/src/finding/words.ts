import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { Flag } from "./flag.ts";
import type { FairTestFound, RunFindings } from "./runFindings.ts";

/** A flag in words for the person who typed or sifts; null when nothing is odd. */
export function flagWords(flag: Flag, shown: string): string | null {
  switch (flag) {
    case "impossible":
      return `${shown} can't happen with these numbers.`;
    case "rare":
      return `${shown} is rare: about one in a hundred gets there.`;
    case "odd one out":
      return `${shown} is far from the other trials of this version.`;
    default:
      return null;
  }
}

/** Where an offered value would come from, in words. */
export function reasonWords(reason: string): string {
  if (reason.startsWith("unit ")) return `if it was in ${reason.slice(5)}`;
  const words: Readonly<Record<string, string>> = {
    decimal: "if the decimal point slipped",
    "count for mass": "if these were tokens",
    "mass for count": "if these were grams",
    diameter: "if this was the radius",
    radius: "if this was the diameter",
  };
  return words[reason] ?? reason;
}

/** One comparison in plain words, the answer first. */
export function comparisonWords(found: FairTestFound, units: UnitChoice): string {
  const { comparison, numbers, repeat } = found.result;
  const what = found.control ? "The canopy" : (found.variable ?? "The change");
  if (comparison.kind === "not comparable") return "These two were not tested alike, so they can't be compared.";
  if (comparison.kind === "unclear") return "What changed isn't clear: one variable is blank in one version only.";
  if (comparison.kind === "repeat") return "Nothing that was declared changed: these trials count as one version.";
  if (comparison.kind === "redesign") return "More than one thing changed at once, so no single cause can be named.";
  if (repeat || !numbers) return "Repeat each version at least twice, then the two can be compared.";
  const { welch, careful, more } = numbers;
  if (welch.low === null || welch.high === null) return "Every trial gave the same number: there is nothing to compare yet.";
  const show = (value: number): string => showQuantity(value, found.measure.dimension, units);
  const span = `95 % interval ${show(welch.low)} to ${show(welch.high)}`;
  if (welch.word === "cannot tell yet") {
    const next =
      more === null
        ? "More of the same will not tell."
        : `If the difference seen is the true one, about ${Math.max(more.moreNew, more.moreOld)} more trials each would do it.`;
    return `You cannot tell these two apart yet (${span}). ${next}`;
  }
  const way = welch.difference > 0 ? "more" : "less";
  return `${what} ${welch.word}: ${show(Math.abs(welch.difference))} ${way} on average (${span}).${careful ? " Few trials, so be careful." : ""}`;
}

/** The run's answer in a few sentences, the goal first. */
export function findingsWords(findings: RunFindings, units: UnitChoice): readonly string[] {
  const { entries, goalMet, otherGoals, builders, comparisons } = findings;
  if (entries === 0) return ["No entry has been accepted yet."];
  const words = [`${goalMet} of ${entries} met the goal${otherGoals > 0 ? " of the sheet they built from" : ""}.`];
  const twice = builders.filter((builder) => builder.improved !== null);
  const better = twice.filter((builder) => (builder.improved ?? 0) > 1).length;
  if (twice.length > 0) words.push(`${better} of ${twice.length} who built again did better than with their first version.`);
  const fair = comparisons.filter((found) => !found.control && found.result.numbers);
  const tells = fair.filter((found) => found.result.numbers?.welch.word !== "cannot tell yet");
  if (fair.length > 0) words.push(`${fair.length} fair ${fair.length === 1 ? "test" : "tests"}: ${tells.length} could tell a difference.`);
  const best = clearest(comparisons);
  if (best) words.push(`${best.alias}: ${comparisonWords(best, units)}`);
  return words;
}

/** The fair test to show first: decided before undecided, then most trials, then the larger difference against its interval. */
export function clearest(comparisons: readonly FairTestFound[]): FairTestFound | null {
  const score = (found: FairTestFound): number => {
    const numbers = found.result.numbers;
    if (!numbers || found.control || numbers.welch.low === null || numbers.welch.high === null) return Number.NEGATIVE_INFINITY;
    const decided = numbers.welch.word === "cannot tell yet" ? 0 : 1000;
    const clear = Math.abs(numbers.welch.difference) / (numbers.welch.high - numbers.welch.low);
    return decided + 10 * Math.min(found.oldValues.length, found.newValues.length) + Math.min(clear, 9);
  };
  let [best, most]: [FairTestFound | null, number] = [null, Number.NEGATIVE_INFINITY];
  for (const found of comparisons) {
    const its = score(found);
    if (its > most) [best, most] = [found, its];
  }
  return best;
}
