import type { Hazard, KitMaterial } from "@lampcrate/core";

export interface MaterialInput extends Omit<KitMaterial, "id"> {
  readonly name: string;
  readonly allergens: readonly string[];
  readonly smallPart: boolean;
  readonly latex: boolean;
  /** What about it can hurt. */
  readonly hazards: readonly Hazard[];
  /** Donated goods: how much of it comes in a week once people are asked; null when it is bought. */
  readonly perWeek: number | null;
}

/** A material of which nothing is known yet but that there is one. */
export const plainMaterial: MaterialInput = {
  name: "",
  unit: "piece",
  packSize: 1,
  packPriceCents: 0,
  onHand: 0,
  sheetWidthM: null,
  sheetHeightM: null,
  allergens: [],
  smallPart: false,
  latex: false,
  hazards: [],
  perWeek: null,
};

/** `onHand` is the sum of its moves. */
export interface MaterialDoc extends MaterialInput {
  readonly id: string;
  readonly revision: number;
  /** Put away: no longer offered, still there for what refers to it. */
  readonly archived: boolean;
}

/** Everything but the stock: that changes by moves alone. */
export interface MaterialSave extends Omit<MaterialInput, "onHand"> {
  readonly revision: number;
}
