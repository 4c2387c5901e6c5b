import type { BuilderFound, FairTestFound, Interval, LadderSeen, Measure, Outcome, RunModel, RunSays } from "@lampcrate/core";

/** One builder's line in the table, with what their last change did in words. */
export interface BuilderLine extends BuilderFound {
  readonly words: string | null;
}

/** Some of a run's builders, and where to go on. */
export interface BuilderPage {
  readonly builders: readonly BuilderLine[];
  /** How many there are in all. */
  readonly total: number;
  /** Where the next page begins; null on the last. */
  readonly next: number | null;
}

/** First against last version of some builders. */
export interface FirstLastPair {
  readonly alias: string;
  readonly first: Interval;
  readonly last: Interval;
}

/** What the run's accepted entries show: the answer, what is drawn, and the first page of the table. */
export interface FindingsDoc {
  readonly measure: Measure;
  /** What else the newest sheet asks for. */
  readonly further: readonly Measure[];
  readonly goal: number;
  readonly entries: number;
  readonly goalMet: number;
  /** Entries judged by the goal of another sheet than the newest. */
  readonly otherGoals: number;
  /** How many still wait in Sift. */
  readonly waiting: number;
  /** The answer in sentences. */
  readonly plain: readonly string[];
  /** Those with the highest last version, highest first, and how many built at least once with a number of this measure. */
  readonly firstLast: { readonly pairs: readonly FirstLastPair[]; readonly total: number };
  /** The fair test to show first; null where there is none. */
  readonly clearest: FairTestFound | null;
  /** What all builders together show of each thing they changed, in sentences; none where it is too little to tell. */
  readonly together: { readonly plain: readonly string[] } & Pick<RunModel, "rows" | "builders" | "leftOut"> & Pick<RunSays, "blank">;
  /** What was seen, most often first, and what was done about it that helped, in sentences. */
  readonly symptoms: readonly string[];
  /** Guesses made in time against what came out, in sentences. */
  readonly guesses: readonly string[];
  /** What came through at each setting; null where trials are no ladder. */
  readonly ladder: (LadderSeen & { readonly plain: readonly string[] }) | null;
  /** Prediction of the plain build against first builds, by the newest sheet. */
  readonly outcome: Outcome;
  readonly table: BuilderPage;
}

export type { FairTestFound };
