import type { BriefDoc, EntryInput, TrialInput, VersionInput } from "@lampcrate/contract";
import {
  type Family,
  type Field,
  families,
  familyAs,
  furtherOf,
  type Measure,
  readGuess,
  readSetting,
  readTrial,
  refusalWords,
  settingMissing,
  withTokens,
} from "@lampcrate/core";
import { Problem } from "../../http/problem.ts";

/** A version of an entry with its trials, read into SI and ready to be written. */
export interface ReadVersion extends Omit<VersionInput, "trials" | "guess"> {
  readonly number: number;
  readonly guessRaw: string | null;
  readonly guessValue: number | null;
  readonly trials: readonly ReadTrialRow[];
}

type ReadTrialRow = TrialInput & {
  readonly value: number | null;
  readonly brokeRaw: string | null;
  readonly brokeValue: number | null;
  readonly settingValue: number | null;
  readonly furtherValues: Readonly<Record<string, number>>;
};

/** The family of a brief as it asks for it, with what an entry named itself. */
export function familyOfEntry({ family, outcomes }: Pick<BriefDoc, "family" | "outcomes">, tokens: EntryInput["tokens"]): Family {
  return familyAs(families[family], withTokens(outcomes, tokens));
}

/** Collects what is wrong, by field. */
type Tell = (field: string, message: string | null) => void;

/** Reads every trial's words into SI. Throws 422 naming each field that can't be read, before anything is written. */
export function readVersions(
  versions: readonly VersionInput[],
  brief: BriefDoc,
  tokens: EntryInput["tokens"] = [],
): readonly ReadVersion[] {
  const family = familyOfEntry(brief, tokens);
  const [measure] = family.measures(brief.spec);
  const further = furtherOf(family, brief.spec, brief.outcomes);
  const variables = new Map(family.variables.map((field) => [field.id, field]));
  const symptoms = new Set(family.symptoms.map((symptom) => symptom.id));
  const errors: { field: string; message: string }[] = [];
  const tell: Tell = (field, message) => {
    if (message !== null) errors.push({ field, message });
  };
  // The bare test, which the contract lets stand first only, is number 0.
  let builds = 0;
  const rows = versions.map(({ guess, trials, ...input }, v) => {
    if (input.role === "build") builds += 1;
    for (const [name, value] of Object.entries(input.variables))
      tell(`versions[${v}].variables.${name}`, variableTrouble(variables.get(name), value));
    const guessed = readGuess(guess, measure, builds < 2);
    tell(`versions[${v}].guess`, guessed.trouble);
    return {
      ...input,
      number: builds,
      guessRaw: guess,
      guessValue: guessed.value,
      trials: trials.map((trial, i) => readRow(trial, { measure, further, symptoms, at: `versions[${v}].trials[${i}]`, tell })),
    };
  });
  if (errors.length > 0) throw new Problem(422, "Check what you typed", errors.map((e) => e.message).join(" "), { errors });
  return rows;
}

interface Reading {
  readonly measure: Measure;
  readonly further: readonly Measure[];
  readonly symptoms: ReadonlySet<string>;
  readonly at: string;
  readonly tell: Tell;
}

function readRow(trial: TrialInput, { measure, further, symptoms, at, tell }: Reading): ReadTrialRow {
  if (!measure.instruments.includes(trial.instrument))
    tell(`${at}.instrument`, `Measure this with one of: ${measure.instruments.join(", ")}.`);
  tell(`${at}.outcome`, kindTrouble(trial.outcome, measure));
  if (trial.rung !== null && measure.rungs && trial.rung >= measure.rungs.steps.length)
    tell(`${at}.rung`, `This challenge's list has ${measure.rungs.steps.length} rungs: ${measure.rungs.steps.join(", ")}.`);
  for (const [s, seen] of trial.seen.entries())
    if (!symptoms.has(seen)) tell(`${at}.seen[${s}]`, "This challenge has nothing of that name to be seen.");
  const value = readNumber(trial.raw, measure, `${at}.raw`, tell);
  const brokeValue = readNumber(trial.broke, measure, `${at}.broke`, tell);
  if (value !== null && brokeValue !== null && brokeValue <= value) tell(`${at}.broke`, "What it gave way at is more than what it held.");
  const set = readSetting(trial.setting, measure.setting);
  tell(`${at}.setting`, set.trouble ?? (trial.setting === null ? settingMissing(measure) : null));
  const furtherValues: Record<string, number> = {};
  for (const [id, raw] of Object.entries(trial.further)) {
    const asked = further.find((one) => one.id === id);
    if (!asked) tell(`${at}.further.${id}`, "This challenge doesn't ask for that.");
    const read = asked ? readNumber(raw, asked, `${at}.further.${id}`, tell) : null;
    if (read !== null) furtherValues[id] = read;
  }
  const settingValue = typeof set.at === "number" ? set.at : null;
  return { ...trial, value, brokeRaw: trial.broke, brokeValue, settingValue, furtherValues };
}

/** A number in SI. A count of things whose mass nobody knows stays as it was typed, without a value. */
function readNumber(raw: string | null, measure: Measure, field: string, tell: Tell): number | null {
  // What has no number has its outcome refused.
  if (raw === null || measure.numberless) return null;
  const found = readTrial(raw, measure);
  if (found.ok) return found.si;
  if (found.reason !== "token mass unknown")
    tell(field, refusalWords(found.reason, raw, { dimension: measure.dimension, defaultUnit: measure.unit }));
  return null;
}

/** What is wrong with a kind of result for what is measured; null when nothing is. */
function kindTrouble(outcome: TrialInput["outcome"], { passes, rungs, steps, numberless, words }: Measure): string | null {
  if (outcome === "failed") return null;
  if (rungs)
    return outcome === "rung" ? null : `This is judged by a list: ${rungs.steps.join(", ")}. Choose one of it, or say that it failed.`;
  if (outcome === "rung") return `${words} has no list to be judged by.`;
  if (outcome === "passed") return passes ? null : `${words} is a number: write it, or say that it failed.`;
  if (numberless && passes) return `This is passed or not: ${passes.passed}, or ${passes.not}.`;
  const isStepped = outcome === "atLeast" || outcome === "between" || outcome === "below";
  return isStepped && !steps ? `${words} isn't found step by step: write one number, or say that it failed.` : null;
}

/** What is wrong with a declared variable; null when nothing is. Numbers are not held to the brief's bounds: people build what they build. */
function variableTrouble(field: Field | undefined, value: number | string): string | null {
  if (!field) return "This challenge has no such variable.";
  if (field.kind === "number") {
    if (typeof value !== "number") return "This one is a number.";
    return value < 0 && field.min >= 0 ? "This can't be less than nothing. Look at its sign again." : null;
  }
  if (field.options.some((option) => option.id === value)) return null;
  return `Choose one of: ${field.options.map((option) => option.words).join(", ")}.`;
}
