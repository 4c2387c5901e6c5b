import type { Learned } from "@lampcrate/core";
import type { VersionDoc, VersionInput } from "../entries/entry.ts";
import type { CountDoc } from "../store/count.ts";

/** Pieces of a line that one practice build used up and spoilt. */
export interface Broke {
  readonly lineId: string;
  readonly spoilt: number;
  readonly good: number;
}

/** A practice build by staff, before the run: the same logbook, marked as a house trial. */
export interface HouseTrialInput {
  readonly buildMinutes: number;
  /** How often it was built again. */
  readonly rebuilds: number;
  readonly broke: readonly Broke[];
  readonly note: string;
  readonly versions: readonly VersionInput[];
}

export interface HouseTrialDoc extends Omit<HouseTrialInput, "versions"> {
  readonly id: string;
  readonly at: number;
  readonly by: string;
  /** It stands on sheet and reveal as the house's own build. */
  readonly shown: boolean;
  readonly versions: readonly VersionDoc[];
}

/** One checked result against what was predicted for it. */
export interface Checked {
  /** Measured ÷ predicted. */
  readonly ratio: number;
  /** How alike the build is to the run's plain one, 0 to 1: it teaches so much. */
  readonly weight: number;
  readonly from: "house trial" | "entry";
}

/** What trying it first and earlier runs have taught. */
export interface LearnedDoc {
  readonly trials: readonly HouseTrialDoc[];
  /** What was counted after this run's sessions, oldest first. */
  readonly counts: readonly CountDoc[];
  /** Checked results of this family and form, from house trials and accepted entries of every run; the newest thousand. */
  readonly checked: readonly Checked[];
  /** Results of this run's house trials on its own goal's measure, for its ruler. */
  readonly marks: readonly number[];
  /** Pooled standard deviation within versions of this run; null until two trials of one version are in. */
  readonly seen: number | null;
  /** What house trials and counted sessions say the run's numbers should be; null without any. */
  readonly advice: PracticeAdvice | null;
}

/** The brief's numbers as they were before any house trial or count, and after. */
export interface PracticeAdvice {
  /** null without house trials: nobody timed a build. */
  readonly buildMinutes: { readonly before: number; readonly after: number } | null;
  readonly rebuildRate: { readonly before: number; readonly learned: Learned };
  readonly spoil: readonly { readonly lineId: string; readonly before: number; readonly learned: Learned }[];
  /** Amounts per unit, in the material's unit, from counted sessions. */
  readonly amounts: readonly { readonly lineId: string; readonly before: number; readonly learned: Learned }[];
}
