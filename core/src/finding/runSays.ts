import type { Family, Field, Measure, Values } from "../family/shape.ts";
import { mayApply } from "../family/values.ts";
import { showNumber } from "../quantity/show.ts";
import { countedIntervals } from "./outcome/counted.ts";
import { type ModelEffect, type ModelRow, type ModelVariable, type RunModel, runModel } from "./outcome/runModel.ts";
import { isExact } from "./outcome/trialOutcome.ts";
import { meanOf } from "./outcome/versionOutcome.ts";
import type { FindingEntry } from "./runFindings.ts";

/** What all builders of a run together show of each thing they changed. */
export interface RunSays {
  readonly model: RunModel;
  /** Versions that don't say what most others do, and are left out. */
  readonly blank: number;
}

/** A variable that fewer versions than this declare is not asked about: too many would be left out for it. */
const declaredBy = 0.6;

/** The run model over accepted entries of one measure: versions of builds with an exact mean above nothing. */
export function runSays(family: Family, spec: Values, measure: Measure, entries: readonly FindingEntry[]): RunSays {
  const when = new Map(family.variables.map((field) => [field.id, field.when]));
  // Neither how often something passed nor a rung is an amount that is doubled.
  const rows = (measure.passes || measure.rungs ? [] : entries).flatMap((entry) =>
    entry.versions
      .filter(({ role }) => role === "build")
      .flatMap((version, i): readonly ModelRow[] => {
        const mean = meanOf(countedIntervals(measure, version.trials));
        if (!mean || !isExact(mean) || mean.low <= 0) return [];
        return [{ builder: entry.id, version: i + 1, value: mean.low, x: declared(version.variables, when, spec) }];
      }),
  );
  const asked = family.variables.filter(({ id }) => rows.filter((row) => row.x[id] !== undefined).length >= declaredBy * rows.length);
  const whole = rows.filter((row) => asked.every(({ id }) => row.x[id] !== undefined));
  return { model: runModel(asked.map(modelled), whole), blank: rows.length - whole.length };
}

/** What stands for a build: what a version declares, but what its other choices leave out. */
function declared(variables: Values, when: ReadonlyMap<string, Field["when"]>, spec: Values): Values {
  const ids = Object.keys(variables);
  if (ids.every((id) => when.get(id) === undefined)) return variables;
  const all = { ...spec, ...variables };
  return Object.fromEntries(Object.entries(variables).filter(([id]) => mayApply(when.get(id), all)));
}

const fieldOf = ({ variables }: Pick<Family, "variables">, id: string): Field | undefined => variables.find((field) => field.id === id);

const modelled = (field: Field): ModelVariable =>
  field.kind === "number" ? { id: field.id, kind: "number" } : { id: field.id, kind: "choice", options: field.options.map(({ id }) => id) };

/** What a run says in sentences, what can be told first; none where it is too little to tell. */
export function runSaysWords({ variables }: Pick<Family, "variables">, measure: Measure, { model }: RunSays): readonly string[] {
  const { effects, builders } = model;
  if (!effects) return [];
  const nameOf = (id: string): string => fieldOf({ variables }, id)?.words.toLowerCase() ?? "trying once more";
  const told = effects.flatMap((effect) => (effect.state === "told" ? [effect] : []));
  const clear = told.filter(isClear);
  const first = clear[0];
  const lines = clear.map((effect) => `${sentenceOf(effect, variables)}: ${timesWords(effect, measure)}.`);
  const unclear = told.filter((effect) => !isClear(effect)).map((effect) => lowerFirst(sentenceOf(effect, variables)));
  const never = [...new Set(effects.flatMap((effect) => (effect.state === "never changed" ? [nameOf(effect.of)] : [])))];
  const together = [...new Set(effects.flatMap((effect) => (effect.state === "always changed together" ? [nameOf(effect.of)] : [])))];
  return [
    first ? `Across ${builders} builders, other things equal:` : `Across ${builders} builders, no change can be told from chance.`,
    ...lines,
    ...(unclear.length > 0 ? [`Cannot tell yet: ${unclear.join("; ")}.`] : []),
    ...(together.length > 0 ? [`Always changed together, so that nothing can be said of one alone: ${together.join(", ")}.`] : []),
    ...(never.length > 0 ? [`Never changed from one version to the next: ${never.join(", ")}.`] : []),
  ];
}

type Told = Extract<ModelEffect, { readonly state: "told" }>;

const isClear = ({ low, high }: Told): boolean => low > 1 || high < 1;

/** "1.4 times the fall time (1.3 to 1.5 times)". */
const timesWords = ({ ratio, low, high }: Told, { words }: Measure): string =>
  `${showNumber(ratio, 2)} times the ${words.toLowerCase()} (${showNumber(low, 2)} to ${showNumber(high, 2)} times)`;

function sentenceOf({ of, step, choice }: ModelEffect, variables: readonly Field[]): string {
  if (of === "practice") return "Each further version alone";
  const field = fieldOf({ variables }, of);
  const name = field?.words.toLowerCase() ?? of;
  if (choice && field?.kind === "choice") {
    const words = (id: string): string => field.options.find((option) => option.id === id)?.words ?? id;
    return `${field.words}: ${words(choice.option)} against ${words(choice.against)}`;
  }
  return step === "doubling" ? `Twice the ${name}` : `One more of ${name}`;
}

const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
