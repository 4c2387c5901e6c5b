import type { MaterialInput } from "@lampcrate/contract";

export function inputOf({
  name,
  unit,
  packSize,
  packPriceCents,
  onHand,
  sheetWidthM,
  sheetHeightM,
  allergens,
  smallPart,
  latex,
  hazards: found,
  perWeek,
}: MaterialInput): MaterialInput {
  return { name, unit, packSize, packPriceCents, onHand, sheetWidthM, sheetHeightM, allergens, smallPart, latex, hazards: found, perWeek };
}
