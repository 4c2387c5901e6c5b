import type { UnitChoice } from "../../quantity/show.ts";
import { showNumber, showQuantity } from "../../quantity/show.ts";

/** What one unit of a material is. */
export const stockUnits = ["piece", "mm", "g", "ml"] as const;
export type StockUnit = (typeof stockUnits)[number];

/** An amount of a material in its own unit. */
export function amountWords(amount: number, unit: StockUnit, choice: UnitChoice): string {
  if (unit === "mm") return showQuantity(amount / 1000, "length", choice, choice === "metric" && amount >= 1000 ? "m" : undefined);
  if (unit === "g") return showQuantity(amount / 1000, "mass", choice);
  if (unit === "ml") return amount >= 1000 ? `${showNumber(amount / 1000, 1)} l` : `${showNumber(amount, 0)} ml`;
  return showNumber(Math.ceil(amount - 1e-9), 0);
}
