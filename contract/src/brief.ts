import type { BuiltBy, FamilyId, LineKind, Per, TierKind, Values } from "@lampcrate/core";

/** What is cut from a sheet or roll. */
export const cutShapes = ["rectangle", "triangle", "disc", "length"] as const;
export type CutShape = (typeof cutShapes)[number];

/** Where a line of the kit comes from: packed for them, found at home, or out of the house's own. */
export const lineSources = ["packed", "home", "house"] as const;
export type LineSource = (typeof lineSources)[number];

/** How much a hint gives away. */
export const hintRungs = ["question", "nudge", "example"] as const;
export type HintRung = (typeof hintRungs)[number];

/** A piece cut from a sheet or roll, m. Two right triangles share a rectangle, a disc costs its square, a length takes the full width. */
export interface CutDoc {
  readonly shape: CutShape;
  readonly widthM: number;
  readonly heightM: number;
  readonly rotate: boolean;
  /** Width lost per cut: 0 for scissors. */
  readonly kerfM: number;
  /** Squared off the first edges, once. */
  readonly trimM: number;
  /** Part of the pieces cut wrong. */
  readonly missRate: number;
}

/** One material in a kit. Amounts in the material's unit. */
export interface BriefLine {
  readonly id: string;
  readonly materialId: string;
  readonly per: Per;
  readonly kind: LineKind;
  readonly amount: number;
  /** Part of the amount that a rebuild takes again. */
  readonly perRebuild: number;
  readonly spoilRate: number;
  /** Spread of use of a measured material, as a part of the amount. */
  readonly spread: number;
  /** Reusable: part of the units that use it at once, units to one item, items lost a session. */
  readonly share: number;
  readonly unitsPerItem: number;
  readonly loss: number;
  readonly source: LineSource;
  /** What may stand in for it, in words for the sheet. */
  readonly standIn: string;
  /** How much of the stand-in for one unit of the material. */
  readonly standInRatio: number;
  readonly tier: string | null;
  readonly cut: CutDoc | null;
}

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

export interface AddedCaution {
  readonly id: string;
  readonly words: string;
}

/** A challenge with its numbers pinned. */
export interface BriefDoc {
  readonly family: FamilyId;
  readonly story: string;
  readonly spec: Values;
  readonly design: Values;
  /** The design that the plain build is held beside; null: the family's own. */
  readonly compared: Values | null;
  readonly trials: number;
  /** What trials are measured with; empty: the measure's usual instrument. */
  readonly instrument: string;
  /** Minutes that one version takes to build. */
  readonly buildMinutes: number;
  /** How this brief's test is held, beyond the family's protocol. */
  readonly protocolNote: string;
  readonly youngestAge: number;
  readonly sketchFirst: boolean;
  readonly plainBuildShown: boolean;
  readonly buildBy: BuiltBy;
  readonly teamSize: number;
  readonly rebuildRate: number;
  readonly loops: number;
  /** Chance that nothing runs out, over the whole crate. */
  readonly target: number;
  readonly seatsPerTable: number;
  readonly shareAtOnce: number;
  readonly rigServes: number;
  /** Cost of turning one builder away, cents, and the part of an unused kit that can be used again: they set the target. null: the target is set itself. */
  readonly turnedAway: { readonly costCents: number; readonly usedAgain: number } | null;
  readonly lines: readonly BriefLine[];
  readonly tiers: readonly TierDoc[];
  readonly cautions: readonly AddedCaution[];
  readonly rules: readonly AddedRule[];
  readonly hints: readonly AddedHint[];
}

export interface BriefSave {
  readonly revision: number;
  readonly brief: BriefDoc;
  /** What was done, in words, for undo: "Gap 540 mm to 600 mm". */
  readonly words: string;
}
