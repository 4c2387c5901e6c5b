import { IntlMessageFormat } from "intl-messageformat";
import { dateWords } from "../calendar/dateWords.ts";
import { families } from "../family/families.ts";
import { amountWords, type StockUnit } from "../kit/amounts/amountWords.ts";
import type { KitLine } from "../kit/brief/kitLine.ts";
import { said, spokenNow } from "../language/language.ts";
import type { UnitChoice } from "../quantity/show.ts";
import { units as knownUnits } from "../quantity/units.ts";
import { briefField, type FieldBrief, fieldValue } from "./briefFields.ts";
import { lineOfPlace, numericNames, readText } from "./places.ts";
import { type TextBrief, withTexts } from "./texts.ts";
import { toldMeasure, toldQuantity, toldValue } from "./told.ts";

/** What the places of a text are filled from. */
export interface Filling {
  readonly brief: FieldBrief & { readonly youngestAge: number; readonly lines: readonly KitLine[] };
  readonly units: UnitChoice;
  readonly unitOf: (materialId: string) => StockUnit | null;
  /** Local dates of the run; null where none is set. */
  readonly dates: { readonly opens: string | null; readonly closes: string | null; readonly reveal: string | null };
  /** In a stretch goal's words: its multiple of the goal. */
  readonly times?: number | null;
}

/** A text in the language that is spoken, with its places filled: "{sticks, plural, one {# stick} other {# sticks}}" says "30 sticks". What can't be filled stays as it was written, to be seen and mended. */
export function fillText(text: string, filling: Filling): string {
  const words = said(text);
  if (!words.includes("{")) return words;
  const read = readText(words);
  if (!read.ok) return words;
  return read.parts.map((part) => (part.kind === "words" ? part.words : filledPlace(part.names, part.source, filling))).join("");
}

/** One place filled, such as "54 cm"; as it was written where something in it can't be. */
export function filledPlace(names: readonly string[], source: string, filling: Filling): string {
  const values = names.map((name) => [name, placeValue(name, filling)] as const);
  if (values.some(([, value]) => value === null)) return source;
  const plain = plainDay(source);
  if (wordsForNumber(plain, filling) !== null) return source;
  const format = new IntlMessageFormat(plain, spokenNow().id, undefined, { ignoreTag: true });
  return String(format.format(Object.fromEntries(values) as Record<string, string | number>));
}

/** Days come as words already: {closes, date} is {closes}. */
const plainDay = (source: string): string => source.replace(/\{\s*(opens|closes|reveal)\s*,\s*date\s*(?:,[^}]*)?\}/g, "{$1}");

/** The first name in a text whose place needs a number where this brief has words for it, such as "2 m"; null when there is none. */
function wordsForNumber(text: string, filling: Filling): string | null {
  const read = readText(text);
  const names = read.ok ? numericNames(read.elements) : [];
  return names.find((name) => typeof placeValue(name, filling) === "string") ?? null;
}

/** What a place stands for: whole numbers as they are, so that words may follow them; all else in words. null where this brief knows no such place, or it has nothing to say now. */
export function placeValue(name: string, filling: Filling): string | number | null {
  const { brief, units, unitOf, dates } = filling;
  if (name === "stretch" || name === "goal") return goalTold(filling, name === "goal" ? 1 : (filling.times ?? null));
  if (name === "minutes") return brief.buildMinutes;
  if (name === "age") return brief.youngestAge;
  if (name === "opens" || name === "closes" || name === "reveal") return dates[name] === null ? null : dateWords(dates[name]);
  const lineId = lineOfPlace(name);
  if (lineId !== null)
    return lineAmount(
      brief.lines.find(({ id }) => id === lineId),
      unitOf,
      units,
    );
  if (name.startsWith("is_")) return statedQuantity(name, units);
  const placed = briefField(brief.family, name);
  const value = placed && fieldValue(brief, placed);
  if (!placed || value === null) return null;
  return placed.field.kind === "number" && placed.field.dimension === "count"
    ? Math.round(Number(value))
    : toldValue(placed.field, value, units);
}

/** The goal's number, so many times it. */
function goalTold({ brief, units }: Filling, times: number | null): string | null {
  const family = families[brief.family];
  return times === null ? null : toldMeasure(family.goal(brief.spec).value * times, family.measures(brief.spec)[0], units);
}

function lineAmount(line: KitLine | undefined, unitOf: Filling["unitOf"], units: UnitChoice): string | number | null {
  const unit = line ? unitOf(line.materialId) : null;
  if (!line || unit === null) return null;
  return unit === "piece" ? line.amount : amountWords(line.amount, unit, units);
}

/** A quantity that a text states by itself, to be told in the reader's units: "is_200_g", "is_1·5_m"; a bare "is_2" stays as it is. */
function statedQuantity(name: string, units: UnitChoice): string | number | null {
  const [, number = "", id = ""] = /^is_(\d+(?:·\d+)?)(?:_([a-z]+))?$/.exec(name) ?? [];
  if (number !== "" && id === "") return Number(number.replace("·", "."));
  const unit = knownUnits.find((one) => one.id === id);
  if (!unit || unit.dimension === "count") return null;
  return toldQuantity(Number(number.replace("·", ".")) * unit.factor, unit.dimension, units);
}

/** A brief whose texts say its numbers as they are. */
export function fillBrief<B extends TextBrief>(brief: B, filling: Filling): B {
  return withTexts(brief, (text, { times }) => fillText(text, { ...filling, times }));
}

/** What is wrong with a text: the first place that this brief can't fill, or that isn't whole; null when all is well. */
export function textTrouble(text: string, filling: Filling): string | null {
  if (!text.includes("{")) return null;
  const read = readText(text);
  if (!read.ok) return read.words;
  const unknown = read.parts.flatMap((part) => (part.kind === "place" ? part.names : [])).find((name) => !isPlace(name, filling));
  if (unknown !== undefined) return `“{${unknown}}” is no number of this brief: take it out, or put in one that is.`;
  const words = wordsForNumber(plainDay(text), filling);
  return words === null ? null : `“${words}” comes with its unit, so it can't be counted or formatted here. Write {${words}} alone.`;
}

/** Whether a brief of this make has such a place at all, though it may have nothing to say now: a day that isn't set, a number that another choice hides. */
function isPlace(name: string, filling: Filling): boolean {
  if (["opens", "closes", "reveal"].includes(name)) return true;
  if (name === "stretch") return filling.times !== null && filling.times !== undefined;
  return placeValue(name, filling) !== null || (briefField(filling.brief.family, name) !== null && lineOfPlace(name) === null);
}
