import { cleanTyped } from "../../quantity/clean.ts";
import { type NumberRead, readNumber } from "../../quantity/number.ts";
import { parsePlain, parseQuantity } from "../../quantity/parse.ts";
import { refusalWords } from "../../quantity/reasons.ts";
import type { UnitChoice } from "../../quantity/show.ts";
import type { StockUnit } from "./amountWords.ts";
import { storeLimits } from "./limits.ts";

/** An amount in the material's own unit, or why it can't be read. */
export type AmountRead = { readonly ok: true; readonly amount: number } | { readonly ok: false; readonly words: string };

const asked = {
  metric: { mm: { dimension: "length", defaultUnit: "mm" }, g: { dimension: "mass", defaultUnit: "g" } },
  imperial: { mm: { dimension: "length", defaultUnit: "in" }, g: { dimension: "mass", defaultUnit: "oz" } },
} as const;

/**
 * Reads an amount of a material as people type it, in any unit of its kind, into the material's own: pieces, mm, g, ml.
 * A bare number is in the usual unit of the choice. Parts of a piece are read: amounts that were learned have them.
 */
export function readAmount(text: string, unit: StockUnit, choice: UnitChoice = "metric"): AmountRead {
  if (unit === "mm" || unit === "g") {
    const as = asked[choice][unit];
    const read = parseQuantity(text, as);
    return read.ok ? { ok: true, amount: Math.round(read.si * 1e9) / 1e6 } : { ok: false, words: refusalWords(read.reason, text, as) };
  }
  const [, number = "", word = ""] = /^(.*?)\s*([a-z]*)$/i.exec(text.trim()) ?? [];
  const factor = (unit === "piece" ? pieceWords : volumeWords)[word.toLowerCase()];
  const read: NumberRead = factor === undefined ? { ok: false, reason: "unknown word" } : parsePlain(number);
  if (read.ok) return { ok: true, amount: read.value * (factor ?? 1) };
  if (read.reason === "below zero" || read.reason === "too big")
    return { ok: false, words: refusalWords(read.reason, text, { dimension: "count", defaultUnit: null }) };
  return { ok: false, words: `“${text.trim()}” is no amount, such as ${unit === "ml" ? "20 ml" : "4"}.` };
}

const pieceWords: Readonly<Record<string, number>> = { "": 1, piece: 1, pieces: 1 };
const volumeWords: Readonly<Record<string, number>> = { "": 1, ml: 1, cl: 10, l: 1000 };

/** Reads a price, with or without the sign or the three letters of its money before or after it, into whole cents. */
export function readPrice(text: string): { readonly ok: true; readonly cents: number } | { readonly ok: false; readonly words: string } {
  const plain = withoutMoney(cleanTyped(text));
  const read = plain.startsWith("-") ? null : readNumber(plain);
  if (read?.ok && Math.round(read.value * 100) <= storeLimits.packPriceCents) return { ok: true, cents: Math.round(read.value * 100) };
  if (read?.ok || read?.reason === "too big")
    return { ok: false, words: `A price is at most ${storeLimits.packPriceCents / 100}. Look at its digits again.` };
  const words =
    read?.reason === "ambiguous"
      ? `Does ${plain} mean ${plain.replace(",", ".")} or ${plain.replace(",", "")}? Please type it one of these ways.`
      : `“${text.trim()}” is no price, such as 4.20.`;
  return { ok: false, words };
}

/** The one currency that may stand before or after a price, taken off; letters that are none stay, to be refused. */
function withoutMoney(text: string): string {
  const [, before = "", number = "", after = ""] =
    /^(\p{Sc}|[a-z]{3}(?=[\s\d.,]))?\s*(.*?)\s*(\p{Sc}|(?<=[\s\d])[a-z]{3})?$/u.exec(text) ?? [];
  const money = [before, after].filter((mark) => mark !== "");
  const known = money.every((mark) => mark.length < 3 || currencies.has(mark.toUpperCase()));
  return money.length <= 1 && known ? number : text;
}

const currencies = new Set(Intl.supportedValuesOf("currency"));
