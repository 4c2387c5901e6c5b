import type { MaterialInput } from "@lampcrate/contract";

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
