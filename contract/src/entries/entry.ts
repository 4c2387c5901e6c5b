import type { Dimension, Flag, NamedToken, Offer, TestPlace, Timer, TrialKind, VersionRole } from "@lampcrate/core";
import type { ConsentVersion } from "./consent.ts";

export const ageBands = ["under 6", "6 to 8", "9 to 11", "12 to 15", "16 and over", "mixed"] as const;
export type AgeBand = (typeof ageBands)[number];

export interface TrialInput {
  /** What came out of it. */
  readonly outcome: TrialKind;
  /** The number as typed or timed, in words, or the most that it held; null where there is none. */
  readonly raw: string | null;
  /** What it gave way at, in words: with "between" and "below"; null otherwise. */
  readonly broke: string | null;
  /** With "rung": its place in the brief's list, the best 0; null otherwise. */
  readonly rung: number | null;
  /** What it was tried at, where the brief lets that vary: as typed, or a choice's id. */
  readonly setting: string | null;
  /** What else was measured, as typed, by the measure's id. */
  readonly further: Readonly<Record<string, string>>;
  readonly instrument: string;
  /** Symptoms, beside any result. */
  readonly seen: readonly string[];
  /** The person was asked about this value and keeps it. */
  readonly kept: boolean;
}

/** A trial without anything in it yet. */
export const blankTrial = (instrument: string): TrialInput => ({
  outcome: "number",
  raw: null,
  broke: null,
  rung: null,
  setting: null,
  further: {},
  instrument,
  seen: [],
  kept: false,
});

/** A picture of a version: the build, or the sketch it was made from. */
export const pictureKinds = ["photo", "sketch"] as const;
export type PictureKind = (typeof pictureKinds)[number];

/** A picture that goes with a version. Its bytes come after the entry, by its id, which the device makes. */
export interface PictureInput {
  readonly id: string;
  readonly kind: PictureKind;
}

/** Pictures of one version, and of a whole entry, at most. */
export const mostPictures = { version: 3, entry: 12 } as const;

export interface VersionInput {
  readonly role: VersionRole;
  /** What changed, in their words. */
  readonly changed: string;
  readonly madeOf: string;
  /** Declared variables by id: SI number or words; missing is blank. */
  readonly variables: Readonly<Record<string, number | string>>;
  readonly guess: string | null;
  /** Whether the guess was made before this version's first result; null where there is none, or nobody knows. */
  readonly guessed: "before" | "after" | null;
  readonly place: TestPlace | null;
  readonly pictures: readonly PictureInput[];
  readonly trials: readonly TrialInput[];
}

/** A rule as it was asked, and what they said before testing. */
export interface RuleAnswer {
  readonly rule: string;
  readonly yes: boolean;
}

/** What a family sends: everything of their entry. The device makes id and secret. */
export interface EntryInput {
  readonly id: string;
  readonly secret: string;
  readonly ageBand: AgeBand | null;
  readonly consentKeep: boolean;
  readonly consentPhoto: boolean;
  /** Which words were agreed to. */
  readonly consentVersion: ConsentVersion;
  readonly said: string;
  /** Things they counted loads in, by their own names. */
  readonly tokens: readonly NamedToken[];
  /** How whoever timed by hand times, from practice; null where nobody practised. */
  readonly timer: Timer | null;
  readonly answers: readonly RuleAnswer[];
  readonly versions: readonly VersionInput[];
}

export interface EntryCorrection {
  readonly revision: number;
  readonly ageBand: AgeBand | null;
  readonly said: string;
  /** Things they counted loads in, by their own names. */
  readonly tokens: readonly NamedToken[];
  readonly timer: Timer | null;
  readonly answers: readonly RuleAnswer[];
  readonly versions: readonly VersionInput[];
}

/** What a sifter decides. */
export const decisions = ["accepted", "set aside"] as const;
export type Decision = (typeof decisions)[number];
export const entryStates = ["waiting", ...decisions, "withdrawn"] as const;
export type EntryState = (typeof entryStates)[number];

export interface TrialDoc extends TrialInput {
  readonly id: string;
  readonly number: number;
  /** SI; null when there is no number. */
  readonly value: number | null;
  readonly brokeValue: number | null;
  /** What it was tried at: SI, or a choice's id; null where nothing varies or it isn't known. */
  readonly at: number | string | null;
  /** What else was measured, SI. */
  readonly furtherValues: Readonly<Record<string, number>>;
  readonly flag: Flag;
  readonly flagWords: string | null;
  readonly offers: readonly Offer[];
}

export interface PictureDoc extends PictureInput {
  /** Points, once it is here; null while the device still has it. */
  readonly size: { readonly width: number; readonly height: number } | null;
  /** A sifter has hidden it: nobody else is shown it, whatever its family agreed to. */
  readonly hidden: boolean;
}

export interface VersionDoc extends Omit<VersionInput, "trials" | "pictures"> {
  readonly pictures: readonly PictureDoc[];
  readonly id: string;
  readonly number: number;
  readonly guessValue: number | null;
  readonly trials: readonly TrialDoc[];
}

export interface EntryDoc {
  readonly id: string;
  readonly alias: string;
  readonly state: EntryState;
  readonly revision: number;
  readonly sentAt: number;
  readonly ageBand: AgeBand | null;
  /** Who wrote it down: its family, or staff from paper. */
  readonly source: "home" | "keyed in";
  /** Its place on a group's sheet, from 1; null where it came by itself. */
  readonly groupRow: number | null;
  /** In which its family reads, as BCP 47 has it. */
  readonly language: string;
  readonly said: string;
  readonly tokens: readonly NamedToken[];
  readonly timer: Timer | null;
  readonly answers: readonly RuleAnswer[];
  /** Rules that were asked in another language, in the house's own. */
  readonly rulesInEnglish: Readonly<Record<string, string>>;
  readonly briefVersion: number;
  /** What its values measure, by the sheet it was built from. */
  readonly dimension: Dimension;
  readonly versions: readonly VersionDoc[];
  readonly decidedBy: string | null;
  readonly why: string | null;
  /** What the family was asked, oldest first. */
  readonly asks: readonly AskDoc[];
}

/** Some of a run's entries, those that wait first, oldest first, and where to go on. */
export interface EntryPage {
  readonly entries: readonly EntryDoc[];
  readonly total: number;
  readonly waiting: number;
  /** Where the next page begins; null on the last. */
  readonly next: number | null;
}

/** Entries that are accepted together, as they were shown. */
export interface AcceptInput {
  readonly entries: readonly { readonly id: string; readonly revision: number }[];
}

/** Most that are accepted together. */
export const mostTogether = 200;

/** Which of them were, and how many were left: somebody has changed them, has them open, or there is something to look at. */
export interface AcceptedDoc {
  readonly accepted: readonly string[];
  readonly left: number;
}

/** Whose an entry is that somebody opened: another sifter's for a while, or null for one's own. */
export interface HoldDoc {
  readonly by: string | null;
}

export interface DecisionInput {
  readonly decision: Decision;
  readonly why: string;
  readonly revision: number;
}

/** A question of the house to an entry's family, and what they answered. */
export interface AskDoc {
  readonly id: string;
  readonly at: number;
  readonly words: string;
  readonly answer: string | null;
  readonly answeredAt: number | null;
}

export interface AskInput {
  readonly words: string;
  readonly revision: number;
}

export interface AnswerInput {
  readonly answer: string;
}

/** A sifter hides a picture, or shows it again. */
export interface HideInput {
  readonly hidden: boolean;
  readonly revision: number;
}

/** What the device gets back once the entry is kept. */
export interface Receipt {
  readonly alias: string;
  readonly revision: number;
}

/** An entry found by its made-up name. */
export interface FoundEntry {
  readonly id: string;
  readonly runId: string;
  readonly runTitle: string;
  readonly alias: string;
  readonly state: EntryState;
}
