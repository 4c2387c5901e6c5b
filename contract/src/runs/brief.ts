import type { FamilyId, KitBrief, Outcomes, TierKind, Values } from "@lampcrate/core";

/** How much a hint gives away. */
export const hintRungs = ["question", "nudge", "example"] as const;
export type HintRung = (typeof hintRungs)[number];

export interface TierDoc {
  readonly id: string;
  readonly kind: TierKind;
  readonly words: string;
  /** Part of the builders who take it. */
  readonly share: number;
  /** A stretch goal's multiple of the goal; null for the others. */
  readonly times: number | null;
}

/** A rule of this brief's own, answered yes or no before testing. */
export interface AddedRule {
  readonly id: string;
  readonly words: string;
}

/** A hint of this brief's own, on its rung of the ladder. */
export interface AddedHint {
  readonly id: string;
  readonly rung: HintRung;
  readonly words: string;
}

/** When a rung of the ladder opens to a family: once they have tried so often, and so many days after entries open. */
export interface RungOpens {
  readonly tries: number;
  readonly days: number;
}

/** Each rung of the ladder is there at once. */
export const openAtOnce: Readonly<Record<HintRung, RungOpens>> = {
  question: { tries: 0, days: 0 },
  nudge: { tries: 0, days: 0 },
  example: { tries: 0, days: 0 },
};

export interface AddedCaution {
  readonly id: string;
  readonly words: string;
}

/** A challenge with its numbers pinned; what its crate depends on is the core's. */
export interface BriefDoc extends KitBrief {
  readonly family: FamilyId;
  readonly story: string;
  readonly spec: Values;
  readonly design: Values;
  /** The design that the plain build is held beside; null: the family's own. */
  readonly compared: Values | null;
  readonly trials: number;
  /** What a trial shows and is judged by, where that isn't just what the family does. */
  readonly outcomes: Outcomes;
  /** What trials are measured with; empty: the measure's usual instrument. */
  readonly instrument: string;
  /** Minutes that one version takes to build. */
  readonly buildMinutes: number;
  /** How this brief's test is held, beyond the family's protocol. */
  readonly protocolNote: string;
  /** What one may win, and how, as the sheet says it; empty where nothing. */
  readonly prize: string;
  readonly youngestAge: number;
  readonly sketchFirst: boolean;
  readonly plainBuildShown: boolean;
  readonly tiers: readonly TierDoc[];
  readonly cautions: readonly AddedCaution[];
  readonly rules: readonly AddedRule[];
  readonly hints: readonly AddedHint[];
  /** When its rungs open, for these hints and for what its family says of each symptom. */
  readonly hintsOpen: Readonly<Record<HintRung, RungOpens>>;
  /** What the house itself wrote, in other languages: by language, then by the text as it is written. */
  readonly translations: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

export interface BriefSave {
  readonly revision: number;
  readonly brief: BriefDoc;
  /** What was done, in words, for undo: "Gap 540 mm to 600 mm". */
  readonly words: string;
}
