import type { AgeBand, EntryDoc, EntryInput, TrialInput, VersionInput } from "@lampcrate/contract";
import type { Family, Values } from "@lampcrate/core";
import { nanoid } from "nanoid";

/** A logbook as it is kept on the device. */
export interface LogDraft {
  readonly id: string;
  readonly secret: string;
  readonly ageBand: AgeBand | null;
  readonly keep: boolean;
  readonly photo: boolean;
  readonly said: string;
  readonly versions: readonly VersionInput[];
  /** Set once the server has it. */
  readonly sent: { readonly alias: string } | null;
}

/** A trial without anything in it yet. */
export const blankTrial = (instrument: string): TrialInput => ({ raw: null, instrument, seen: [], atLeast: false, kept: false });

/** A version to fill in; the variables of the one before stay declared. */
export function blankVersion(family: Family, spec: Values, trials: number, role: "build" | "control", before?: VersionInput): VersionInput {
  const instrument = before?.trials[0]?.instrument ?? family.measures(spec)[0].instruments[0] ?? "";
  return {
    role,
    changed: "",
    madeOf: before?.madeOf ?? "",
    variables: role === "control" ? {} : (before?.variables ?? {}),
    guess: null,
    place: before?.place ?? null,
    trials: Array.from({ length: trials }, () => blankTrial(instrument)),
  };
}

/** A new logbook. The device makes the id and the secret, so that sending twice makes one entry. */
export function newDraft(family: Family, spec: Values, trials: number): LogDraft {
  const control = family.protocol.control ? [blankVersion(family, spec, trials, "control")] : [];
  return {
    id: nanoid(24),
    secret: nanoid(32),
    ageBand: null,
    keep: false,
    photo: false,
    said: "",
    sent: null,
    versions: [...control, blankVersion(family, spec, trials, "build")],
  };
}

const isUsed = (trial: TrialInput): boolean => trial.raw !== null || trial.seen.length > 0;

/** Versions with something in them, without their empty trials: what is sent. */
export function filledVersions(versions: readonly VersionInput[]): readonly VersionInput[] {
  return versions.map((version) => ({ ...version, trials: version.trials.filter(isUsed) })).filter((version) => version.trials.length > 0);
}

/** What goes over the wire. */
export function entryOf(draft: LogDraft): EntryInput {
  return {
    id: draft.id,
    secret: draft.secret,
    ageBand: draft.ageBand,
    consentKeep: draft.keep,
    consentPhoto: draft.photo,
    said: draft.said,
    versions: filledVersions(draft.versions),
  };
}

/** An entry's versions as they can be corrected. */
export function versionsOf(entry: EntryDoc): readonly VersionInput[] {
  return entry.versions.map(({ role, changed, madeOf, variables, guess, place, trials }) => ({
    role,
    changed,
    madeOf,
    variables,
    guess,
    place,
    trials: trials.map(({ raw, instrument, seen, atLeast, kept }) => ({ raw, instrument, seen, atLeast, kept })),
  }));
}

const keyOf = (code: string): string => `lampcrate-log-${code.toLowerCase()}`;

/** The draft kept on this device; null when there is none or it can't be read. */
export function keptDraft(code: string): LogDraft | null {
  try {
    const text = localStorage.getItem(keyOf(code));
    return text === null ? null : (JSON.parse(text) as LogDraft);
  } catch {
    return null;
  }
}

/** Keeps the draft on this device; a full or closed store is no reason to stop writing. */
export function keepDraft(code: string, draft: LogDraft | null): void {
  try {
    if (draft === null) localStorage.removeItem(keyOf(code));
    else localStorage.setItem(keyOf(code), JSON.stringify(draft));
  } catch {
    // Private windows may refuse to keep anything: the logbook still works until it is closed.
  }
}
