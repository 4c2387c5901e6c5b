import type { BriefLine, MaterialDoc } from "@lampcrate/contract";
import { amountWords, parseQuantity, refusalWords, showNumber, type UnitChoice } from "@lampcrate/core";

/** What a cell takes: a change of the line, or why not. */
export type CellRead = { readonly patch: Partial<BriefLine>; readonly words: string } | { readonly trouble: string };

type Unit = MaterialDoc["unit"];

/** An amount as its cell shows it: parts of a piece are shown, for learned amounts have them. */
export function amountShown(amount: number, unit: Unit, units: UnitChoice): string {
  return unit === "piece" ? showNumber(amount, Number.isInteger(amount) ? 0 : 2) : amountWords(amount, unit, units);
}

/** Reads an amount typed in any unit of the material's kind. */
export function readAmount(typed: string, unit: Unit, units: UnitChoice): CellRead {
  const metric = units === "metric";
  const asked = {
    piece: { dimension: "count", defaultUnit: null },
    mm: { dimension: "length", defaultUnit: metric ? "mm" : "in" },
    g: { dimension: "mass", defaultUnit: metric ? "g" : "oz" },
    ml: { dimension: "count", defaultUnit: null },
  } as const;
  const plain = Number(typed.replace(/\s*(pieces?|ml)$/i, "").replace(",", "."));
  const counts = unit === "piece" || unit === "ml";
  const read = counts ? null : parseQuantity(typed, asked[unit]);
  if (read && !read.ok) return { trouble: refusalWords(read.reason, typed, asked[unit]) };
  const amount = read?.ok ? read.si * 1000 : plain;
  if (!Number.isFinite(amount)) return { trouble: `“${typed}” is no amount, such as ${unit === "ml" ? "20 ml" : "4"}.` };
  if (amount <= 0 || amount > 1e6) return { trouble: "More than nothing, and at most a million." };
  return { patch: { amount }, words: amountShown(amount, unit, units) };
}

/** Reads a share typed as per cent, up to `most` of it. */
export function readPercent(typed: string, most: number): number | { readonly trouble: string } {
  const found = Number(typed.replace(/\s*%$/, "").replace(",", "."));
  if (!Number.isFinite(found) || typed.trim() === "") return { trouble: `“${typed}” is no share, such as 5 %.` };
  return found >= 0 && found <= most ? found / 100 : { trouble: `From 0 to ${most} %.` };
}
