import {
  type AgeBand,
  blankTrial,
  type EntryInput,
  type RuleAnswer,
  type SheetDoc,
  type TrialInput,
  type VersionInput,
} from "@lampcrate/contract";
import type { Family, NamedToken, Timer } from "@lampcrate/core";
import { consentNow } from "@lampcrate/words";
import { nanoid } from "nanoid";
import { blankVersion, filledVersions } from "../../shared/logbook/versions.ts";
import { forgetPictures } from "../pictures/album.ts";
import { keptTimer } from "../practice/keptTimer.ts";

/** A logbook as it is kept on the device. */
export interface LogDraft {
  readonly id: string;
  readonly secret: string;
  readonly ageBand: AgeBand | null;
  readonly keep: boolean;
  readonly photo: boolean;
  readonly said: string;
  readonly tokens: readonly NamedToken[];
  readonly timer: Timer | null;
  readonly answers: readonly RuleAnswer[];
  readonly versions: readonly VersionInput[];
  /** Set once the server has it. */
  readonly sent: { readonly alias: string } | null;
  /** They said send, and the server hasn't answered yet: it goes on by itself, after the page was closed too. */
  readonly sending: boolean;
}

/** A new logbook. The device makes the id and the secret, so that sending twice makes one entry. */
export function newDraft(family: Family, brief: Pick<SheetDoc["brief"], "spec" | "design" | "trials">): LogDraft {
  const { trials } = brief;
  const control = family.protocol.control ? [blankVersion(family, brief, trials, "control")] : [];
  return {
    id: nanoid(24),
    secret: nanoid(32),
    ageBand: null,
    keep: false,
    photo: false,
    said: "",
    tokens: [],
    timer: keptTimer(),
    answers: [],
    sent: null,
    sending: false,
    versions: [...control, blankVersion(family, brief, trials, "build")],
  };
}

/** The pictures that versions name. */
export const pictureIds = (versions: readonly VersionInput[]): readonly string[] =>
  versions.flatMap(({ pictures }) => pictures.map(({ id }) => id));

/** What goes over the wire. */
export function entryOf(draft: LogDraft): EntryInput {
  return {
    id: draft.id,
    secret: draft.secret,
    ageBand: draft.ageBand,
    consentKeep: draft.keep,
    consentPhoto: draft.photo,
    consentVersion: consentNow().version,
    said: draft.said,
    tokens: draft.tokens,
    timer: draft.timer,
    answers: draft.answers,
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

/** All logbooks on this device, of whatever challenge. */
export function keptDrafts(): readonly LogDraft[] {
  try {
    return Object.keys(localStorage).flatMap((key) => (key.startsWith(keyOf("")) ? (keptDraft(key.slice(keyOf("").length)) ?? []) : []));
  } catch {
    return [];
  }
}

/** A trial as drafts held it before there were results other than a number. */
type OldTrial = Partial<TrialInput> & Pick<TrialInput, "raw" | "instrument" | "seen" | "kept"> & { readonly atLeast?: boolean };

/** A kept draft as one of today; null where it is none. */
function draftFrom(kept: unknown): LogDraft | null {
  const draft = kept as LogDraft | null;
  if (typeof draft?.id !== "string" || typeof draft.secret !== "string" || !Array.isArray(draft.versions)) return null;
  const known = draft.versions.every((version) => Array.isArray(version?.trials) && typeof version.variables === "object");
  if (!known) return null;
  const today = ({ atLeast, ...trial }: OldTrial): TrialInput => ({
    ...blankTrial(trial.instrument),
    ...trial,
    outcome: trial.outcome ?? (atLeast && trial.raw !== null ? "atLeast" : "number"),
  });
  return {
    ...draft,
    sending: draft.sending ?? false,
    tokens: draft.tokens ?? [],
    timer: draft.timer ?? null,
    answers: draft.answers ?? [],
    versions: draft.versions.map((version) => ({
      ...version,
      guessed: version.guessed ?? null,
      pictures: version.pictures ?? [],
      trials: version.trials.map(today),
    })),
  };
}

/** What another tab of this browser has kept of the same logbook, as it keeps it. The function given back ends it. */
export function onOtherTab(code: string, take: (draft: LogDraft) => void): () => void {
  const heard = ({ key }: StorageEvent): void => {
    const kept = key === keyOf(code) ? keptDraft(code) : null;
    if (kept) take(kept);
  };
  window.addEventListener("storage", heard);
  return () => window.removeEventListener("storage", heard);
}

/** A draft after it was written to this device: as it is now, and false where storage is blocked or full. */
export interface SavedDraft {
  readonly draft: LogDraft;
  readonly stored: boolean;
}

/** Saves the draft on this device. What was sent from another tab is never overwritten: the sent one comes back instead. */
export function saveDraft(code: string, draft: LogDraft): SavedDraft {
  const kept = keptDraft(code);
  if (kept?.sent && kept.id === draft.id && !draft.sent) return { draft: kept, stored: true };
  try {
    localStorage.setItem(keyOf(code), JSON.stringify(draft));
    return { draft, stored: true };
  } catch {
    // Private windows and full devices refuse: the logbook goes on in memory, and the page says so.
    return { draft, stored: false };
  }
}

/** Whether a logbook with this secret is kept on this device. */
export function isKept(secret: string): boolean {
  return keptDrafts().some((draft) => draft.secret === secret);
}

/** An entry sent from this device: the name it got, and the secret of its private link. */
export interface SentEntry {
  readonly alias: string;
  readonly secret: string;
}

const sentKeyOf = (code: string): string => `lampcrate-sent-${code.toLowerCase()}`;

/** Entries sent from this device before the one that is open. */
export function sentBefore(code: string): readonly SentEntry[] {
  try {
    const kept = JSON.parse(localStorage.getItem(sentKeyOf(code)) ?? "[]") as readonly SentEntry[];
    return Array.isArray(kept) ? kept.filter((one) => typeof one?.secret === "string" && typeof one.alias === "string") : [];
  } catch {
    return [];
  }
}

/** The private links of all that was sent from this device to a run. */
export function keptLinks(code: string): readonly SentEntry[] {
  const draft = keptDraft(code);
  const open = draft?.sent ? [{ alias: draft.sent.alias, secret: draft.secret }] : [];
  return [...open, ...sentBefore(code).filter(({ secret }) => secret !== draft?.secret)];
}

/** Keeps a sent entry's private link when another logbook is begun. */
export function keepSent(code: string, { sent, secret }: LogDraft): void {
  if (!sent) return;
  try {
    const others = sentBefore(code).filter((one) => one.secret !== secret);
    localStorage.setItem(sentKeyOf(code), JSON.stringify([...others, { alias: sent.alias, secret }]));
  } catch {
    // As above: the link was shown, and may have been copied.
  }
}

/** Leaves nothing of an erased entry on this device: neither its logbook nor its link. */
export function forgetEntry(secret: string): void {
  void forgetPictures(secret);
  try {
    for (const key of Object.keys(localStorage)) {
      if (key.startsWith("lampcrate-log-") && localStorage.getItem(key)?.includes(secret)) localStorage.removeItem(key);
      if (!key.startsWith("lampcrate-sent-")) continue;
      const code = key.slice("lampcrate-sent-".length);
      localStorage.setItem(key, JSON.stringify(sentBefore(code).filter((one) => one.secret !== secret)));
    }
  } catch {
    // Nothing is kept where nothing may be.
  }
}
