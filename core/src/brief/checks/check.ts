import type { Room } from "../../calendar/clashes.ts";
import type { RunKind } from "../../calendar/runKinds.ts";
import type { CheckedRatio } from "../../family/band.ts";
import type { TierKind } from "../../family/choices.ts";
import type { StockUnit } from "../../kit/amounts/amountWords.ts";
import type { Filling } from "../fill.ts";
import type { BoundBrief } from "../follow.ts";
import type { TextBrief } from "../texts.ts";

/** A brief as far as it is checked. */
export interface CheckedBrief extends BoundBrief, TextBrief {
  readonly youngestAge: number;
  readonly loops: number;
  readonly instrument: string;
  readonly tiers: readonly {
    readonly id: string;
    readonly kind: TierKind;
    readonly words: string;
    readonly share: number;
    readonly times: number | null;
  }[];
  readonly rules: readonly { readonly id: string; readonly words: string }[];
}

/** What a check knows of a material. */
export interface CheckedMaterial {
  readonly id: string;
  readonly name: string;
  readonly unit: StockUnit;
}

/** What a brief is checked beside. */
export interface Beside {
  readonly kind: RunKind;
  readonly units: Filling["units"];
  readonly dates: Filling["dates"];
  /** Local date of the house. */
  readonly today: string;
  readonly materials: readonly CheckedMaterial[];
  /** Where the sessions still to come are held. */
  readonly rooms: readonly Room[];
  /** measured ÷ predicted of checked results of this form. */
  readonly ratios: readonly CheckedRatio[];
}

/** Where in the brief's step something is mended. */
export type CheckAt = "goal" | "reach" | "tiers" | "plain build" | "cautions" | "rules" | "hints" | "story" | "crate" | "calendar";

/** A part of the brief as it would be after one press. */
export interface Mend {
  readonly words: string;
  readonly patch: Partial<CheckedBrief>;
}

/** Something in a brief that doesn't fit. What would contradict itself on the sheet stops publishing; the rest warns. */
export interface Check {
  readonly id: string;
  readonly at: CheckAt;
  readonly stops: boolean;
  readonly words: string;
  readonly mends: readonly Mend[];
}

/** What the texts of a checked brief are filled from. */
export const fillingFor = (brief: CheckedBrief, { units, dates, materials }: Beside): Filling => ({
  brief,
  units,
  dates,
  unitOf: (id) => materials.find((m) => m.id === id)?.unit ?? null,
});

/** A text, cut where it is long. */
export const shortened = (words: string): string => (words.length > 70 ? `${words.slice(0, 67).trimEnd()} …` : words);
