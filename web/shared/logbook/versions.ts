import { blankTrial, type EntryDoc, type VersionInput } from "@lampcrate/contract";
import { applies, buildValues, type Family, type Values } from "@lampcrate/core";
import { isUsed, sentTrial } from "./trialEdits.ts";

/** What the brief's plain build declares: where a logbook starts, so that what changed is what the family changed. */
export function plainVariables(family: Family, spec: Values, design: Values): VersionInput["variables"] {
  const plain = buildValues(family, spec, design);
  return Object.fromEntries(
    family.variables.flatMap(({ id, when }) => (applies(when, plain) && plain[id] !== undefined ? [[id, plain[id]]] : [])),
  );
}

/** A version to fill in; the variables of the one before stay declared, those of a first one are the plain build's. */
export function blankVersion(
  family: Family,
  { spec, design }: { readonly spec: Values; readonly design: Values },
  trials: number,
  role: "build" | "control",
  before?: VersionInput,
): VersionInput {
  const instrument = before?.trials[0]?.instrument ?? family.measures(spec)[0].instruments[0] ?? "";
  return {
    role,
    changed: "",
    madeOf: before?.madeOf ?? "",
    variables: role === "control" ? {} : before?.role === "build" ? before.variables : plainVariables(family, spec, design),
    guess: null,
    guessed: null,
    place: before?.place ?? null,
    pictures: [],
    trials: Array.from({ length: trials }, () => blankTrial(instrument)),
  };
}

/** Versions with something in them, without their empty trials: what is sent. */
export function filledVersions(versions: readonly VersionInput[]): readonly VersionInput[] {
  return versions
    .map((version) => ({ ...version, trials: version.trials.filter(isUsed).map(sentTrial) }))
    .filter((version) => version.trials.length > 0);
}

/** An entry's versions as they can be corrected. */
export function versionsOf(entry: EntryDoc): readonly VersionInput[] {
  return entry.versions.map(({ role, changed, madeOf, variables, guess, guessed, place, pictures, trials }) => ({
    role,
    changed,
    madeOf,
    variables,
    guess,
    guessed,
    place,
    pictures: pictures.map(({ id, kind }) => ({ id, kind })),
    trials: trials.map(({ outcome, raw, broke, rung, setting, further, instrument, seen, kept }) => ({
      outcome,
      raw,
      broke,
      rung,
      setting,
      further,
      instrument,
      seen,
      kept,
    })),
  }));
}
