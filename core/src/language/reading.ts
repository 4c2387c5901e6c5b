import type { Language } from "./language.ts";

const english = new Map<string, string>();

/** Reads what people write in a language too, whichever is spoken: what was sent in one is read in every house. */
export function learnToRead({ reading }: Language): void {
  for (const [word, meant] of Object.entries(reading)) english.set(word, meant);
}

/** The longest of these first, so that "más de" is not read as "más". */
const most = 4;

/** A cleaned text with the words of learned languages in English; null where none of them stands in it. */
export function inEnglish(text: string): string | null {
  if (english.size === 0) return null;
  const words = text.split(/(?<=\d)(?=\p{L})| /u);
  const read: string[] = [];
  let isKnown = false;
  for (let at = 0; at < words.length; ) {
    const length = lengthsDown.find((n) => english.has(words.slice(at, at + n).join(" "))) ?? 0;
    const word = words.slice(at, at + Math.max(1, length)).join(" ");
    read.push(english.get(word) ?? word);
    isKnown ||= length > 0;
    at += Math.max(1, length);
  }
  return isKnown ? read.filter((word) => word !== "").join(" ") : null;
}

const lengthsDown = Array.from({ length: most }, (_, i) => most - i);
