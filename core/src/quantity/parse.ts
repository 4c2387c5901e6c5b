import { inEnglish } from "../language/reading.ts";
import { cleanTyped } from "./clean.ts";
import { type NumberRead, type Refusal, readNumber } from "./number.ts";
import { type Dimension, dimensionOf, type Unit, unitById, unitNamed } from "./units.ts";

/** A thing counted instead of weighed: washers, tokens, marbles. */
export interface Token {
  readonly names: readonly string[];
  /** Mass of one, kg; left out when nobody knows it. */
  readonly massKg?: number | undefined;
}

/** What the asker wants to know. */
export interface Asked {
  readonly dimension: Dimension;
  /** Unit of a bare number; null for counts. */
  readonly defaultUnit: string | null;
  readonly token?: Token | undefined;
  /** What else loads may be counted in, by name. */
  readonly tokens?: readonly Token[] | undefined;
  /** True where below zero makes sense, such as side error. */
  readonly signed?: boolean | undefined;
}

/** What was read: SI value, and the number and unit as typed (unit null for mixed, clock and count forms). */
export type Read =
  | { readonly ok: true; readonly si: number; readonly typed: number; readonly unit: string | null }
  | { readonly ok: false; readonly reason: Refusal };

const refuse = (reason: Refusal): Read => ({ ok: false, reason });

const numberStart = /^(\d[\d.,]*(?: \d{3})*(?:[.,]\d+)?(?:[ -]\d+\/\d+)?(?:\/\d+)?|[.,]\d+)/;

/** Larger first; what may stand together in one mixed quantity. */
const systems: readonly (readonly string[])[] = [
  ["yd", "ft", "in"],
  ["lb", "oz"],
  ["kg", "g"],
  ["m", "cm", "mm"],
  ["h", "min", "s"],
];

/** What a last bare number means after these. */
const takesBare: Readonly<Record<string, string>> = { ft: "in", lb: "oz", min: "s", h: "min" };

/**
 * Reads what a person typed, "2 ft 6 1/2 in", "1,5 kg", "23 washers", into SI (m, kg, s, count).
 * Words of other languages that were learned are read too. Refuses with a reason rather than guess; nothing is rounded. Rules: docs/models.md, "What people type".
 */
export function parseQuantity(text: string, asked: Asked): Read {
  const typed = cleanTyped(text);
  const read = parseClean(typed, asked);
  if (read.ok || !["unknown word", "not a number"].includes(read.reason)) return read;
  const meant = inEnglish(typed);
  return meant === null ? read : parseClean(meant, asked);
}

function parseClean(typed: string, asked: Asked): Read {
  let rest = typed;
  if (rest === "") return refuse("empty");
  const negative = rest.startsWith("-");
  if (negative) rest = rest.slice(1).trim();
  const read = asked.dimension === "count" ? parseCount(rest, asked) : parseMeasure(rest, asked);
  if (!read.ok || !negative) return read;
  if (!asked.signed) return refuse("below zero");
  return { ...read, si: -read.si, typed: -read.typed };
}

/** Reads a plain number that may have parts, such as 4.5 of a count that was learned: a comma before three digits groups, as in counts. */
export function parsePlain(text: string): NumberRead {
  const plain = cleanTyped(text);
  if (plain === "") return { ok: false, reason: "empty" };
  if (plain.startsWith("-")) return { ok: false, reason: "below zero" };
  const whole = readNumber(plain, true);
  return whole.ok ? whole : readNumber(plain);
}

function parseCount(text: string, asked: Asked): Read {
  const split = /^([\d., ]*\d)\s*([a-z][a-z ]*)?$/.exec(text);
  if (!split) return refuse("not a number");
  const word = split[2]?.trim();
  const digits = split[1] ?? "";
  const isOwn = word !== undefined && (isToken(word, asked.token) || isAnyToken(word, asked));
  const other = word === undefined || isOwn ? undefined : asked.tokens?.find((token) => isToken(word, token));
  if (other) return asOwnTokens(parseCount(digits, asked), other, asked.token);
  if (word !== undefined && word !== "x" && word !== "pcs" && !isOwn) {
    return refuse(dimensionOf(word) ? "wrong dimension" : "unknown word");
  }
  if (/^\d*[.]\d+$/.test(digits)) return refuse("not whole");
  const number = readNumber(digits, true);
  return number.ok ? { ok: true, si: number.value, typed: number.value, unit: null } : number;
}

/** A count of another token as so many of the asked one that weigh as much. */
function asOwnTokens(count: Read, other: Token, own: Token | undefined): Read {
  if (!count.ok) return count;
  if (other.massKg === undefined || own?.massKg === undefined) return refuse("token mass unknown");
  return { ...count, si: (count.si * other.massKg) / own.massKg };
}

/** "60 tokens": plain where only one kind of them is known. */
const isAnyToken = (word: string, { token, tokens = [] }: Asked): boolean =>
  /^tokens?$/.test(word) && token !== undefined && tokens.length === 0;

function isToken(word: string, token: Token | undefined): boolean {
  return (token?.names ?? []).some((given) => {
    const name = given.toLowerCase();
    return word === name || word === `${name}s` || word === `${name}es`;
  });
}

function parseMeasure(text: string, asked: Asked): Read {
  if (text.includes(":")) return asked.dimension === "time" ? parseClock(text) : refuse("not a number");
  const counted = tokensAsMass(text, asked);
  if (counted) return counted;
  const split = splitParts(text);
  if (!split.ok) return split;
  const parts = split.parts;
  for (const part of parts) {
    if (part.word === null) continue;
    if (unitNamed(part.word, asked.dimension)) continue;
    return refuse(dimensionOf(part.word) ? "wrong dimension" : "unknown word");
  }
  const first = parts[0];
  if (parts.length === 1 && first) {
    const unit = first.word === null ? unitById(asked.defaultUnit ?? "") : unitNamed(first.word, asked.dimension);
    if (!unit) return refuse("unknown word");
    return { ok: true, si: first.value * unit.factor, typed: first.value, unit: unit.id };
  }
  return joinParts(parts, asked.dimension);
}

function tokensAsMass(text: string, asked: Asked): Read | null {
  if (asked.dimension !== "mass") return null;
  const split = /^([\d., ]*\d)\s*([a-z][a-z ]*)$/.exec(text);
  const word = split?.[2]?.trim();
  if (!split || word === undefined) return null;
  const named = [...(asked.tokens ?? []), ...(asked.token ? [asked.token] : [])];
  const token = named.find((one) => isToken(word, one)) ?? (isAnyToken(word, asked) ? asked.token : undefined);
  if (!token) return null;
  const count = parseCount(split[1] ?? "", asked);
  if (!count.ok) return count;
  if (token.massKg === undefined) return refuse("token mass unknown");
  return { ok: true, si: count.si * token.massKg, typed: count.typed, unit: null };
}

interface Part {
  readonly value: number;
  readonly whole: boolean;
  readonly word: string | null;
}

function splitParts(text: string): { ok: true; parts: Part[] } | { ok: false; reason: Refusal } {
  const parts: Part[] = [];
  let rest = text;
  while (rest !== "") {
    if (parts.length > 0) {
      const joined = rest.replace(/^(?:, | ?and )/, "");
      rest = joined.trimStart();
    }
    const number = readLeading(rest);
    if (number === null) return { ok: false, reason: "not a number" };
    if (!number.read.ok) return { ok: false, reason: number.read.reason };
    rest = number.rest.trimStart();
    const word = /^(m\/s|ft\/s|km\/h|[a-z]+(?: oz)?|'|"|°)/.exec(rest)?.[1] ?? null;
    if (word !== null) rest = rest.slice(word.length);
    if (word === null && rest !== "") return { ok: false, reason: "not a number" };
    parts.push({ value: number.read.value, whole: number.whole, word: word?.trim() ?? null });
    if (/^, ?$/.test(rest)) return { ok: false, reason: "not a number" };
    if (!rest.startsWith(", ")) rest = rest.trimStart();
  }
  return parts.length === 0 ? { ok: false, reason: "not a number" } : { ok: true, parts };
}

function readLeading(text: string): { read: NumberRead; rest: string; whole: boolean } | null {
  const match = numberStart.exec(text)?.[1];
  if (match === undefined) return null;
  return { read: readNumber(match), rest: text.slice(match.length), whole: /^(?:\d+|\d{1,3}(?:[ ,]\d{3})+)$/.test(match) };
}

function joinParts(parts: readonly Part[], dimension: Dimension): Read {
  const read: { unit: Unit; value: number; whole: boolean }[] = [];
  for (const [index, part] of parts.entries()) {
    const before = read[index - 1]?.unit.id;
    const id = part.word === null ? takesBare[before ?? ""] : unitNamed(part.word, dimension)?.id;
    if (id === undefined) return refuse("not a number");
    read.push({ unit: unitById(id), value: part.value, whole: part.whole });
  }
  const order = systems.find((units) => read.every((part) => units.includes(part.unit.id)));
  if (!order) return refuse("mixed systems");
  let si = 0;
  for (const [index, part] of read.entries()) {
    const before = read[index - 1];
    if (before) {
      if (order.indexOf(part.unit.id) <= order.indexOf(before.unit.id)) return refuse("not a number");
      if (part.value * part.unit.factor >= before.unit.factor * (1 - 1e-12)) return refuse("part too big");
    }
    if (index < read.length - 1 && !part.whole) return refuse("not whole");
    si += part.value * part.unit.factor;
  }
  return { ok: true, si, typed: si, unit: null };
}

function parseClock(text: string): Read {
  const match = /^(?:(\d+):)?(\d+):(\d+(?:[.,]\d+)?)$/.exec(text);
  if (!match) return refuse("clock");
  const [, hours, minutes = "", seconds = ""] = match;
  const twoDigits = /^\d\d(?:[.,]\d+)?$/.test(seconds) && (hours === undefined || /^\d\d$/.test(minutes));
  const s = Number(seconds.replace(",", "."));
  if (!twoDigits || s >= 60 || (hours !== undefined && Number(minutes) >= 60)) return refuse("clock");
  const si = Number(hours ?? 0) * 3600 + Number(minutes) * 60 + s;
  return { ok: true, si, typed: si, unit: null };
}
