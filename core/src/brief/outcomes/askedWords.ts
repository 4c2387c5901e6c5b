import type { Family, Values } from "../../family/shape.ts";
import { said, saying } from "../../language/language.ts";
import { showQuantity, type UnitChoice } from "../../quantity/show.ts";
import { furtherOf } from "./familyAs.ts";
import type { Outcomes } from "./outcomes.ts";

const listed = (words: readonly string[], last: "and" | "or"): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} ${said(last)} ${words.at(-1)}`;

/** What a brief asks of its trials, in sentences for those who build; none where it is just what the family does. `family` as the brief asks for it. */
export function askedWords(family: Family, spec: Values, outcomes: Outcomes, units: UnitChoice): readonly string[] {
  const [measure] = family.measures(spec);
  const { rungs, passes, setting } = measure;
  const words: string[] = [];
  const at = setting?.kind === "number" ? saying` at ${showQuantity(family.goal(spec).value, setting.dimension, units)}` : "";
  if (rungs) {
    const least = rungs.steps[rungs.asked] ?? "";
    words.push(
      setting
        ? saying`Say of each trial how it came through: ${listed(rungs.steps, "or")}, and write its ${setting.words}.`
        : saying`Say of each trial how it came through: ${listed(rungs.steps, "or")}.`,
      rungs.asked === 0 ? saying`“${least}”${at} meets the goal.` : saying`“${least}” or better${at} meets the goal.`,
    );
  } else if (passes && outcomes.main.kind === "passes") {
    const { asked = 1 } = passes;
    words.push(
      saying`Say of each trial whether it passed: ${passes.passed}, or ${passes.not}.`,
      asked === 1 ? said("One pass meets the goal.") : saying`${asked} passes of one version meet the goal.`,
    );
  }
  if (setting && !rungs) words.push(saying`Write the ${setting.words} of each trial: only trials at the same one are compared.`);
  if (outcomes.failed !== "family" && !rungs)
    words.push(
      said(
        outcomes.failed === "nothing" ? "A test that fails counts as nothing: 0." : "A test that fails is told, and left out of the mean.",
      ),
    );
  const further = furtherOf(family, spec, outcomes);
  if (further.length > 0)
    words.push(
      saying`If you can, tell this too: ${listed(
        further.map((one) => one.words.toLowerCase()),
        "and",
      )}.`,
    );
  if (outcomes.tokens.length > 0) {
    const each = outcomes.tokens.map(({ name, massKg }) =>
      massKg === null ? said(name) : saying`${said(name)} (${showQuantity(massKg, "mass", units)} each)`,
    );
    words.push(saying`Loads may be counted by the ${listed(each, "or")}.`);
  }
  if (outcomes.versions !== 2)
    words.push(outcomes.versions === 1 ? said("One version is asked for.") : saying`${outcomes.versions} versions are asked for.`);
  return words;
}
