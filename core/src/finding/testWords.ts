import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { Cure, Measurability } from "./measurability.ts";
import type { Reach } from "./reach.ts";

/** "34 times in 100", honest at the ends. */
export function timesIn100(chance: number): string {
  const per = Math.round(chance * 100);
  if (per >= 100) return "nearly always";
  return per <= 0 ? "hardly ever" : `${per} times in 100`;
}

const sharesWords = (share: number): string => {
  const per = Math.round(share * 100);
  return per >= 100 ? "nearly all" : per <= 0 ? "hardly any" : `about ${per} in 100`;
};

/** What a test can tell, the answer first. */
export function measurabilityWords(found: Measurability, trials: number, units: UnitChoice): readonly string[] {
  const { measure, difference, chance, least, needed } = found;
  const show = (si: number): string => showQuantity(si, measure.dimension, units, measure.dimension === "count" ? null : undefined);
  const lines: string[] = [];
  if (chance === null) lines.push("One trial of each tells nothing: repeat it.");
  else if (difference === 0) lines.push("The two designs are predicted to do the same: nothing to tell apart.");
  else if (chance >= 0.8)
    lines.push(
      `This test can tell the two apart: ${trials} trials of each show a difference of ${show(difference)} ${timesIn100(chance)}.`,
    );
  else
    lines.push(
      `This test can hardly tell the two apart: ${trials} trials of each show a difference of ${show(difference)} only ${timesIn100(chance)}.`,
    );
  if (least !== null) lines.push(`The smallest difference that it shows four times in five is ${show(least)}.`);
  if (difference > 0 && (chance === null || chance < 0.8))
    lines.push(
      needed === null ? "No number of trials up to a thousand would do it: this test cannot." : `${needed} trials of each would do it.`,
    );
  return lines;
}

/** One way to make the test a fair judge. */
export function cureWords(cure: Cure, trials: number, units: UnitChoice): string {
  switch (cure.kind) {
    case "trials":
      return `Make ${cure.to} trials of each in place of ${trials}.`;
    case "instrument":
      return `Measure with ${cure.words}: then ${cure.trials} trials of each will do.`;
    case "lever":
      return cure.field
        ? `From ${cure.words} of ${showQuantity(cure.to, cure.field.dimension, units)}, ${Math.max(2, trials)} trials of each will do.`
        : "";
  }
}

/** Who should meet the goal, in a sentence. */
export function reachWords({ first, within }: Reach, loops: number): string {
  const start = `${sharesWords(first)} should meet the goal with their first version`;
  const sentence = loops > 0 ? `${start}, ${sharesWords(within)} within ${loops + 1}.` : `${start}.`;
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
}
