import { spokenNow } from "../language/language.ts";
import { type Dimension, unitById } from "./units.ts";

/** How a house or a run shows its numbers. */
export const unitChoices = ["metric", "imperial"] as const;
export type UnitChoice = (typeof unitChoices)[number];

/** Digits in groups by a thin space, fixed decimals, a true minus. */
export function showNumber(value: number, decimals: number): string {
  const fixed = Math.abs(value).toFixed(decimals);
  const [whole = "0", part] = fixed.split(".");
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, "\u202f") : whole;
  const sign = value < 0 && Number(fixed) !== 0 ? "−" : "";
  return `${sign}${grouped}${part === undefined ? "" : `${spokenNow().decimal}${part}`}`;
}

/** Decimals so that about three figures show. */
export function honestDecimals(value: number): number {
  const size = Math.abs(value);
  if (size === 0 || size >= 100) return 0;
  if (size >= 10) return 1;
  return 2;
}

/** The unit a value of this dimension and size reads best in. */
export function bestUnit(si: number, dimension: Dimension, choice: UnitChoice): string | null {
  const size = Math.abs(si);
  switch (dimension) {
    case "count":
      return null;
    case "time":
      return size >= 120 ? "min" : "s";
    case "angle":
      return "deg";
    case "speed":
      return choice === "metric" ? "m/s" : "ft/s";
    case "mass":
      return choice === "metric" ? (size >= 1 ? "kg" : "g") : size >= 0.45359237 ? "lb" : "oz";
    case "length":
      if (choice === "imperial") return size >= 1.8288 ? "ft" : "in";
      return size >= 1.5 ? "m" : size >= 0.1 ? "cm" : "mm";
  }
}

/** An SI value in words for people, such as "54 cm" or "1.62 s"; a count with its token's name. */
export function showQuantity(si: number, dimension: Dimension, choice: UnitChoice = "metric", unit?: string | null): string {
  const id = unit ?? bestUnit(si, dimension, choice);
  if (dimension === "count" || id === null) return showNumber(Math.round(si), 0);
  const value = si / unitById(id).factor;
  const decimals = dimension === "time" && id === "s" ? 2 : honestDecimals(value);
  if (dimension === "angle") return `${showNumber(value, 0)}°`;
  const text = showNumber(value, decimals);
  return `${trimZeros(text, dimension)}\u00a0${id}`;
}

/** An SI value in the unit it was typed in, to a thousandth of it, such as "12.35 m": what is typed again is the same. */
export function showAsTyped(si: number, unit: string): string {
  const shown = trimZeros(showNumber(si / unitById(unit).factor, 3), "length");
  // Three digits after a comma could be thousands.
  return `${/,\d{3}$/.test(shown) ? `${shown}0` : shown}\u00a0${unit}`;
}

/** Lengths and masses drop ".00"; times keep the stopwatch's hundredths. */
function trimZeros(text: string, dimension: Dimension): string {
  return dimension === "time"
    ? text
    : text.replace(/([.,])(\d*?)0+$/, (_, mark: string, kept: string) => (kept === "" ? "" : `${mark}${kept}`));
}
