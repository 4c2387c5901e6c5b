import type { MaterialDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { amountWords, readAmount, showNumber, type UnitChoice } from "@lampcrate/core";

/** What a cell takes: a change of the line, or why not. */
export type CellRead = { readonly patch: Partial<KitLine>; readonly words: string } | { readonly trouble: string };

type Unit = MaterialDoc["unit"];

/** An amount as its cell shows it: parts of a piece are shown, for learned amounts have them. */
export function amountShown(amount: number, unit: Unit, units: UnitChoice): string {
  return unit === "piece" ? showNumber(amount, Number.isInteger(amount) ? 0 : 2) : amountWords(amount, unit, units);
}

/** Reads an amount typed in any unit of the material's kind. */
export function takeAmount(typed: string, unit: Unit, units: UnitChoice): CellRead {
  const read = readAmount(typed, unit, units);
  if (!read.ok) return { trouble: read.words };
  const { amount } = read;
  if (amount <= 0 || amount > 1e6) return { trouble: "More than nothing, and at most a million." };
  return { patch: { amount }, words: amountShown(amount, unit, units) };
}
