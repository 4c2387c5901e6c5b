import type { Interval, LineSource, RunKind, UnitChoice } from "@lampcrate/core";
import type { ConsentDoc } from "../entries/consent.ts";
import type { EntryDoc, PictureKind } from "../entries/entry.ts";
import type { LetterDoc } from "../entries/letters.ts";
import type { ClaimDoc } from "../findings/prize.ts";
import type { BriefDoc, HintRung } from "./brief.ts";
import type { Scoring } from "./run.ts";

/** A line as families read it. */
export interface SheetLine {
  readonly words: string;
  readonly source: LineSource;
  readonly standIn: string;
}

/** A rung of the ladder of hints, as it stands today. */
export interface SheetRung {
  readonly rung: HintRung;
  /** Trials after which it opens. */
  readonly tries: number;
  /** The day on which it opens; null: its day has come. */
  readonly opensOn: string | null;
  /** How many hints of the brief's own stand on it, and those whose day has come: what is kept back is not sent. */
  readonly count: number;
  readonly hints: readonly string[];
}

/** A build of the house's own, to be beaten. */
export interface OwnBuild {
  readonly id: string;
  /** The best that it measured, in words; null where its trials have no number. */
  readonly best: string | null;
  /** What it was, in the words of whoever built it; may be empty. */
  readonly what: string;
}

/** What the challenge's family says for this build, its numbers told: how to begin, how the test is held, rules, the idea. */
export interface SheetWords {
  readonly howTo: readonly { readonly words: string; readonly adult: boolean }[];
  readonly test: readonly string[];
  readonly control: string | null;
  readonly rules: readonly string[];
  readonly idea: string;
}

/** All that a family may see of a run. */
export interface SheetDoc {
  /** In which it is said, as BCP 47 has it. */
  readonly language: string;
  readonly code: string;
  readonly title: string;
  readonly house: string;
  readonly version: number;
  readonly kind: RunKind;
  readonly brief: Omit<BriefDoc, "lines" | "hints" | "hintsOpen" | "translations">;
  readonly ladder: readonly SheetRung[];
  readonly scoring: Scoring;
  /** What the house itself built and measured, as it chose to show it. */
  readonly toBeat: readonly OwnBuild[];
  readonly words: SheetWords;
  readonly lines: readonly SheetLine[];
  readonly cautions: readonly string[];
  readonly units: UnitChoice;
  readonly opensOn: string | null;
  readonly closesOn: string | null;
  /** "not yet", "open" or "closed", by the house's clock. */
  readonly entries: "not yet" | "open" | "closed";
  readonly revealOn: string | null;
  /** What happens to entries, and when, for the consent. */
  readonly keeping: string;
}

export interface MineDoc {
  readonly sheet: SheetDoc;
  readonly entry: EntryDoc;
  /** Whether an adult agreed to pictures being shown. */
  readonly photo: boolean;
  readonly consents: readonly ConsentDoc[];
  /** What its family was written, the newest first; questions stand with the entry. */
  readonly letters: readonly LetterDoc[];
  /** What it has won: at most one. */
  readonly claims: readonly ClaimDoc[];
}

/** One builder's story, by alias. */
export interface RevealEntry {
  readonly alias: string;
  readonly metGoal: boolean;
  readonly first: Interval | null;
  readonly last: Interval | null;
  readonly best: Interval | null;
  readonly improved: number | null;
  readonly rank: number | null;
}

export interface RevealDoc {
  readonly title: string;
  readonly house: string;
  readonly scoring: Scoring;
  readonly measure: string;
  readonly unit: string | null;
  readonly goalWords: string;
  readonly goalMet: number;
  readonly entries: number;
  readonly plain: readonly string[];
  /** Some of those who met the goal, by alias; none where nothing is listed. */
  readonly met: readonly string[];
  /** The most improved, the greatest change first; none where nothing is listed. */
  readonly mostImproved: readonly { readonly alias: string; readonly improved: number }[];
  readonly table: RevealPage;
}

/** Some of the builders, and where to go on. */
export interface RevealPage {
  readonly builders: readonly RevealEntry[];
  readonly total: number;
  readonly next: number | null;
}

/** A picture that everybody may see, by the made-up name of whoever built it. */
export interface ShownPicture {
  readonly id: string;
  readonly alias: string;
  readonly kind: PictureKind;
  /** Which version it is of; 0 is the bare test. */
  readonly version: number;
  readonly width: number;
  readonly height: number;
}

/** Some of a run's pictures, and where to go on. */
export interface GalleryPage {
  readonly pictures: readonly ShownPicture[];
  readonly next: number | null;
}
