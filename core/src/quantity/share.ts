import { cleanTyped } from "./clean.ts";
import { parsePlain } from "./parse.ts";
import { showNumber } from "./show.ts";

/** A share from 0 to 1, or why it can't be read. */
export type ShareRead = { readonly ok: true; readonly share: number } | { readonly ok: false; readonly words: string };

interface ShareAsked {
  /** The greatest share that can be. */
  readonly most?: number;
  /** Whether a bare number below 1 is the share itself, as spreadsheets hold it; else a bare number is per cent. */
  readonly bareShares?: boolean;
}

/** Reads a share as people type it: "5", "5 %", "12,5 per cent". Anything with a unit of its own is refused. */
export function parseShare(text: string, { most = 1, bareShares = false }: ShareAsked = {}): ShareRead {
  const plain = cleanTyped(text);
  const number = plain.replace(/\s*(?:%|per ?cent)$/, "");
  const read = parsePlain(number);
  if (!read.ok && read.reason !== "below zero" && read.reason !== "too big")
    return { ok: false, words: `“${text.trim()}” is no share, such as 5 %.` };
  const share = read.ok ? (bareShares && number === plain && read.value < 1 ? read.value : read.value / 100) : Number.NaN;
  return share <= most ? { ok: true, share } : { ok: false, words: `From 0 to ${showNumber(most * 100, 0)} %.` };
}
