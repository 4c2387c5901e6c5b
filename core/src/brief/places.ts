import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";

/** A stretch of a text: plain words, or a place that a number of the brief fills. `source` is how it stands in the text. */
export type TextPart =
  | { readonly kind: "words"; readonly words: string; readonly source: string }
  | { readonly kind: "place"; readonly names: readonly string[]; readonly source: string };

/** A text in its parts, or where it can't be read. Offsets in UTF-16 units. */
export type TextRead =
  | { readonly ok: true; readonly parts: readonly TextPart[]; readonly elements: readonly MessageFormatElement[] }
  | { readonly ok: false; readonly at: number; readonly words: string };

/** Reads a text of a brief: ICU MessageFormat, its arguments named after fields; markup means nothing. */
export function readText(text: string): TextRead {
  try {
    const elements = parse(text, { ignoreTag: true, captureLocation: true });
    return { ok: true, elements, parts: elements.map((element) => partOf(element, text)) };
  } catch (error) {
    const at = (error as { readonly location?: { readonly start: { readonly offset: number } } }).location?.start.offset ?? 0;
    return {
      ok: false,
      at,
      words: `The place that begins at “${text.slice(at, at + 20)}” has no end: take its { away, or put a } after it.`,
    };
  }
}

function partOf(element: MessageFormatElement, text: string): TextPart {
  const { start, end } = element.location ?? { start: { offset: 0 }, end: { offset: text.length } };
  const source = text.slice(start.offset, end.offset);
  if (element.type === TYPE.literal) return { kind: "words", words: element.value, source };
  return { kind: "place", names: [...new Set(namesOf(element))], source };
}

function namesOf(element: MessageFormatElement): readonly string[] {
  switch (element.type) {
    case TYPE.literal:
    case TYPE.pound:
      return [];
    case TYPE.plural:
    case TYPE.select:
      return [element.value, ...Object.values(element.options).flatMap(({ value }) => value.flatMap(namesOf))];
    case TYPE.tag:
      return element.children.flatMap(namesOf);
    default:
      return [element.value];
  }
}

/** The names in a text whose places need a number or an instant: {sticks, number}, {sticks, plural, …}, {sticks, selectordinal, …}, {closes, time}. */
export function numericNames(elements: readonly MessageFormatElement[]): readonly string[] {
  return elements.flatMap((element) => {
    switch (element.type) {
      case TYPE.number:
      case TYPE.date:
      case TYPE.time:
        return [element.value];
      case TYPE.plural:
        return [element.value, ...Object.values(element.options).flatMap(({ value }) => numericNames(value))];
      case TYPE.select:
        return Object.values(element.options).flatMap(({ value }) => numericNames(value));
      case TYPE.tag:
        return numericNames(element.children);
      default:
        return [];
    }
  });
}

/** Words that somebody typed, as they stand in a text: what would open a place is quoted, and no apostrophe ends a quote. */
export function plainSource(words: string): string {
  const doubled = (part: string): string => part.replaceAll("'", "''");
  const [, before = "", braces = "", after = ""] = /^([^{}]*)([{}](?:[\s\S]*[{}])?'*)?([\s\S]*)$/.exec(words) ?? [];
  if (braces === "") return words.replace(/'(?=[<>'#|]|$)/g, "''");
  return `${doubled(before)}'${doubled(braces)}'${doubled(after)}`;
}

/** The name of the place that tells what a line of the kit takes. Ids may have hyphens; names may not. */
export function linePlace(lineId: string): string {
  return `kit_${lineId.replaceAll("-", "·")}`;
}

/** The line that such a place tells of; null where it is no such place. */
export function lineOfPlace(name: string): string | null {
  return name.startsWith("kit_") ? name.slice(4).replaceAll("·", "-") : null;
}
