import type { Hazard, StockUnit } from "@lampcrate/core";

/** What one unit of a material is: pieces are counted, the rest measured. */

export interface MaterialInput {
  readonly name: string;
  readonly unit: StockUnit;
  readonly packSize: number;
  readonly packPriceCents: number;
  readonly onHand: number;
  /** Size of a sheet that pieces are cut from, m. */
  readonly sheetWidthM: number | null;
  readonly sheetHeightM: number | null;
  readonly allergens: readonly string[];
  readonly smallPart: boolean;
  readonly latex: boolean;
  /** What about it can hurt. */
  readonly hazards: readonly Hazard[];
  /** Donated goods: how much of it comes in a week once people are asked; null when it is bought. */
  readonly perWeek: number | null;
}

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
