import type { Family, Field, Measure, Values } from "../../family/shape.ts";
import { failedAs } from "../../finding/outcome/counted.ts";
import { said, saying } from "../../language/language.ts";
import { asFamily, failedValue, type Outcomes, tokenOfName } from "./outcomes.ts";

const made = new WeakMap<Outcomes, WeakMap<Family, Family>>();

/** The family as a brief asks for it: its main measure judged, failed, set and counted as the brief says. The same one for the same brief. */
export function familyAs(family: Family, outcomes: Outcomes | undefined): Family {
  if (outcomes === undefined || isAsFamily(outcomes)) return family;
  const known = made.get(outcomes) ?? new WeakMap<Family, Family>();
  made.set(outcomes, known);
  const one = known.get(family) ?? asking(family, outcomes);
  known.set(family, one);
  return one;
}

function isAsFamily({ main, failed, setting, tokens }: Outcomes): boolean {
  return main.kind === "number" && failed === "family" && setting === null && tokens.length === 0;
}

/** The field that varies, of goal or variables, by what it is called then; null where the family has none of that name. */
export function settingField({ spec, variables, settings = {} }: SetFamily, setting: string | null): Field | null {
  const words = setting === null ? undefined : settings[setting];
  const field = [...spec, ...variables].find(({ id }) => id === setting);
  return field && words ? { ...field, words } : null;
}

type SetFamily = Pick<Family, "spec" | "variables" | "settings">;

function asking(family: Family, outcomes: Outcomes): Family {
  const measureOf = (spec: Values): Measure => askedMeasure(family, spec, outcomes);
  const isOwn = (spec: Values): boolean => measureOf(spec).id === family.measures(spec)[0].id;
  return {
    ...family,
    measures: (spec) => [measureOf(spec), ...family.measures(spec).slice(1)],
    goal: (spec) =>
      isOwn(spec) ? family.goal(spec) : { measure: measureOf(spec).id, value: askedValue(measureOf(spec), spec), better: "more" },
    goalField: (spec) => (isOwn(spec) ? family.goalField(spec) : null),
  };
}

/** What meets the goal of a measure that the family doesn't have itself: the passes, the rung, or the setting asked for. */
function askedValue({ passes, rungs, setting }: Measure, spec: Values): number {
  if (rungs && setting?.kind === "number") return Number(spec[setting.id] ?? setting.start);
  if (rungs) return rungs.steps.length - 1 - rungs.asked;
  return passes ? 1 : 0;
}

function askedMeasure(family: Family, spec: Values, { main, failed, setting: settingId, tokens }: Outcomes): Measure {
  const [own] = family.measures(spec);
  const setting = settingField(family, settingId) ?? undefined;
  const kept = { setting, settingAt: setting && spec[setting.id], failedAs: failedValue(failed, failedAs(own)) };
  if (main.kind === "number") return { ...own, ...kept, tokens: tokens.map(tokenOfName) };
  const rungs = main.kind === "rungs" ? { steps: main.steps, asked: main.asked } : { steps: [main.passed, main.not], asked: 0 };
  // By a number that varies it is a ladder: the most it came through, where that is the family's own number, else of its own kind.
  if (setting?.kind === "number") {
    const isOwn = family.goalField(spec) === setting.id && own.better === "more";
    const { dimension } = setting;
    const ladder = {
      rungs,
      setting,
      dimension,
      better: "more",
      quality: own.quality,
      instruments: own.instruments,
      numberless: true,
    } as const;
    const said = isOwn ? own : { id: `ladder-${setting.id}`, words: saying`Most it came through: ${setting.words}` };
    return { ...ladder, id: said.id, words: said.words, unit: setting.unit ?? (isOwn ? own.unit : null) };
  }
  const judged = { ...kept, quality: own.quality, better: "more", dimension: "count", unit: null, instruments: own.instruments } as const;
  return main.kind === "passes"
    ? {
        ...judged,
        id: "passed",
        words: saying`How often: ${main.passed}`,
        passes: { passed: main.passed, not: main.not, asked: main.asked },
        numberless: true,
      }
    : { ...judged, id: "rung", words: said("How it came through"), rungs, numberless: true };
}

/** Measures that a family may be asked for beside the main one. */
export function furtherMeasures(family: Family, spec: Values): readonly Measure[] {
  const main = family.measures(spec)[0].id;
  return [...family.measures(spec).slice(1), ...(family.further?.(spec) ?? []), ...common].filter(
    ({ id }, i, all) => id !== main && all.findIndex((other) => other.id === id) === i,
  );
}

const common: readonly Measure[] = [
  {
    id: "buildMass",
    words: "Grams of the build",
    dimension: "mass",
    quality: "load",
    better: "less",
    unit: "g",
    instruments: ["kitchen scale"],
  },
];

/** Measures that a brief asks for beside the main one. */
export function furtherOf(family: Family, spec: Values, { further }: Outcomes = asFamily): readonly Measure[] {
  return furtherMeasures(family, spec).filter(({ id }) => further.includes(id));
}

/** What is wrong with a brief's outcomes, by field, in words that say how to mend it. */
export function outcomeErrors(
  family: Family,
  spec: Values,
  outcomes: Outcomes,
): readonly { readonly field: string; readonly message: string }[] {
  const { main, further, setting, tokens } = outcomes;
  const errors: { field: string; message: string }[] = [];
  if (main.kind === "rungs" && main.steps.length < 2)
    errors.push({ field: "main.steps", message: "A list of rungs has two at the least, the best first." });
  if (main.kind === "rungs" && new Set(main.steps).size < main.steps.length)
    errors.push({ field: "main.steps", message: "Each rung has a name of its own." });
  if (main.kind === "rungs" && main.asked >= main.steps.length - 1)
    errors.push({ field: "main.asked", message: "The rung asked for is one of the list, and not its last: that would ask for nothing." });
  const field = settingField(family, setting);
  if (setting !== null && field === null) errors.push({ field: "setting", message: "This family has no such field that could vary." });
  const known = furtherMeasures(family, spec);
  for (const [i, id] of further.entries())
    if (!known.some((measure) => measure.id === id))
      errors.push({ field: `further[${i}]`, message: "This family measures nothing of that name." });
  for (const [i, { name, massKg, weighed }] of tokens.entries()) {
    if (massKg !== null && massKg <= 0)
      errors.push({ field: `tokens[${i}].massKg`, message: `One ${name} weighs more than nothing: weigh ten, or leave it open.` });
    if (tokens.findIndex((other) => other.name.toLowerCase() === name.toLowerCase()) < i)
      errors.push({ field: `tokens[${i}].name`, message: `${name} is named twice.` });
    if (weighed !== null && weighed.stepKg > weighed.togetherKg)
      errors.push({
        field: `tokens[${i}].weighed`,
        message: "The scale's step is more than what was weighed: weigh more of them together.",
      });
  }
  return errors;
}
