import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { Field } from "./shape.ts";

/** A declared value in words: the choice's own words, or the number with its unit; as it stands where no field is known. */
export function declaredWords(field: Field | null | undefined, value: number | string, units: UnitChoice): string {
  if (field?.kind === "choice") return field.options.find((option) => option.id === value)?.words ?? String(value);
  return field && typeof value === "number" ? showQuantity(value, field.dimension, units) : String(value);
}
