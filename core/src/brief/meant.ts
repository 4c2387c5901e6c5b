import type { NumberField } from "../family/shape.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";
import { unitById } from "../quantity/units.ts";
import { briefFields, type FieldBrief, fieldValue } from "./briefFields.ts";
import { type FoundNumber, numbersIn, singular } from "./numbers.ts";
import { linePlace, plainSource, readText } from "./places.ts";

/** A number in a text that seems to mean one of the brief's. */
export interface Meant {
  readonly number: FoundNumber;
  /** A few words with it in their midst, as they stand in the text. */
  readonly around: string;
  /** What it seems to mean, in words: "Sticks". */
  readonly field: string;
  /** Its place, as it would stand in the text. */
  readonly place: string;
  /** The number says it as it is. */
  readonly same: boolean;
}

/** A brief with the materials of its lines, as far as words may mean them. */
export interface MeantBrief extends FieldBrief {
  readonly lines: readonly KitLine[];
}

interface Meaning {
  readonly words: string;
  readonly nouns: readonly string[];
  readonly name: string;
  readonly value: number;
  readonly dimension: NumberField["dimension"];
}

/** Words of a field that say nothing about it alone. */
const vague = new Set([
  "of",
  "the",
  "to",
  "a",
  "on",
  "at",
  "in",
  "for",
  "no",
  "more",
  "than",
  "this",
  "used",
  "allowed",
  "each",
  "one",
  "part",
  "outside",
  "inside",
  "long",
  "across",
  "go",
  "what",
  "counts",
  "right",
]);
const nounsOf = (words: string): readonly string[] =>
  (words.toLowerCase().match(/\p{L}+/gu) ?? []).map(singular).filter((word) => !vague.has(word));

function meaningsOf(brief: MeantBrief, nameOf: (materialId: string) => string): readonly Meaning[] {
  const fields = briefFields(brief.family).flatMap((placed): Meaning[] => {
    const { field } = placed;
    const value = field.kind === "number" ? fieldValue(brief, placed) : null;
    if (field.kind !== "number" || typeof value !== "number") return [];
    return [{ words: field.words, nouns: nounsOf(field.words), name: field.id, value, dimension: field.dimension }];
  });
  const lines = brief.lines.flatMap((line): Meaning[] => {
    const name = nameOf(line.materialId);
    const noun = singular(
      (name.split(",")[0] ?? "")
        .toLowerCase()
        .match(/\p{L}+/gu)
        ?.at(-1) ?? "",
    );
    if (line.kind !== "counted" || noun === "" || brief.lines.some((other) => other !== line && other.materialId === line.materialId))
      return [];
    return [{ words: `${name}, each takes`, nouns: [noun], name: linePlace(line.id), value: line.amount, dimension: "count" }];
  });
  return [...fields, ...lines];
}

/**
 * What the numbers in a text seem to mean: counts by the word that follows them ("30 sticks"), lengths, masses and
 * angles by a word near them ("a gap of 50 cm"), minutes of building. A number that no word ties to a field means nothing.
 */
export function meantIn(text: string, brief: MeantBrief, nameOf: (materialId: string) => string): readonly Meant[] {
  const read = readText(text);
  if (!read.ok) return [];
  const meanings = meaningsOf(brief, nameOf);
  return read.parts
    .flatMap((part) => (part.kind === "words" ? numbersIn(part.words).map((number) => ({ number, words: part.words })) : []))
    .flatMap(({ number, words }) => {
      const meaning = meanings.find((one) => isMeant(number, one));
      if (!meaning) return [];
      const same = Math.abs(number.value - meaning.value) <= 0.02 * Math.abs(meaning.value) + 1e-9;
      return [{ number, around: aroundIn(words, number), field: meaning.words, place: placeFor(meaning), same }];
    });
}

/** Some letters before and after a number, whole words. */
function aroundIn(words: string, { from, to }: FoundNumber): string {
  const [most, before, after] = [26, words.slice(0, from), words.slice(to)];
  const head = before.length <= most ? before : `… ${before.slice(-most).replace(/^\S*\s/, "")}`;
  const tail = after.length <= most ? after : `${after.slice(0, most).replace(/\s\S*$/, "")} …`;
  return `${head}${words.slice(from, to)}${tail}`.trim();
}

function isMeant(number: FoundNumber, { name, nouns, dimension }: Meaning): boolean {
  if (number.dimension !== dimension) return false;
  if (dimension === "count") return number.noun !== "" && nouns.at(-1) === number.noun;
  if (name === "minutes")
    return /min/i.test(number.written) && number.near.some((word) => ["building", "build", "built", "folding"].includes(word));
  return nouns.some((noun) => number.near.includes(noun));
}

/** The place that says it, minutes with their word: "{minutes, plural, one {# minute} other {# minutes}}". */
function placeFor({ name }: Meaning): string {
  return name === "minutes" ? "{minutes, plural, one {# minute} other {# minutes}}" : `{${name}}`;
}

/** A text in which a number follows the brief from now on. */
export function withPlace(text: string, { number }: Meant, place: string): string {
  const read = readText(text);
  if (!read.ok) return text;
  let done = false;
  return read.parts
    .map((part) => {
      if (part.kind === "place" || done) return part.source;
      const here = numbersIn(part.words).find((one) => one.written === number.written && one.from === number.from);
      if (!here) return part.source;
      done = true;
      return `${plainSource(part.words.slice(0, here.from))}${place}${plainSource(part.words.slice(here.to))}`;
    })
    .join("");
}

/** The place of a number that a text states by itself: it is none of the brief's, and told in the reader's units. */
export function statedPlace({ value, dimension, written }: FoundNumber): string {
  const unit = { length: "cm", mass: "g", time: "s", angle: "deg", speed: "m/s", count: "" }[dimension];
  if (unit === "" || dimension === "speed") return `{is_${numberName(value)}}`;
  const minutes = dimension === "time" && /min/i.test(written);
  const shown = minutes ? "min" : unit;
  return `{is_${numberName(Number((value / unitById(shown).factor).toPrecision(6)))}_${shown}}`;
}

const numberName = (value: number): string => String(value).replace(".", "·");
