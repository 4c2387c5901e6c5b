import type { AgeBand, EntryInput, TrialInput, VersionInput } from "@lampcrate/contract";
import type { Family, Values } from "@lampcrate/core";
import { nanoid } from "nanoid";
import { blankVersion, filledVersions } from "../../shared/logbook/versions.ts";

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

const keyOf = (code: string): string => `lampcrate-log-${code.toLowerCase()}`;

/** The draft kept on this device; null when there is none or it can't be read. */
export function keptDraft(code: string): LogDraft | null {
  try {
    const text = localStorage.getItem(keyOf(code));
    return text === null ? null : draftFrom(JSON.parse(text));
  } catch {
    return null;
  }
}

/** A trial as drafts held it before there were results other than a number. */
type OldTrial = Omit<TrialInput, "outcome" | "broke"> & { readonly atLeast?: boolean } & Partial<Pick<TrialInput, "outcome" | "broke">>;

/** A kept draft as one of today; null where it is none. */
function draftFrom(kept: unknown): LogDraft | null {
  const draft = kept as LogDraft | null;
  if (typeof draft?.id !== "string" || typeof draft.secret !== "string" || !Array.isArray(draft.versions)) return null;
  const known = draft.versions.every((version) => Array.isArray(version?.trials) && typeof version.variables === "object");
  if (!known) return null;
  const today = ({ atLeast, ...trial }: OldTrial): TrialInput => ({
    ...trial,
    outcome: trial.outcome ?? (atLeast && trial.raw !== null ? "atLeast" : "number"),
    broke: trial.broke ?? null,
  });
  return { ...draft, versions: draft.versions.map((version) => ({ ...version, trials: version.trials.map(today) })) };
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
