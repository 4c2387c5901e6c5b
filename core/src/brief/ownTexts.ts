import { type Language, saidIn } from "../language/language.ts";
import type { Outcomes } from "./outcomes/outcomes.ts";
import { type TextBrief, textsOf } from "./texts.ts";

/** What of a run families read as its house wrote it. */
export interface WrittenBrief extends TextBrief {
  readonly outcomes: Outcomes;
  readonly lines: readonly { readonly materialId: string; readonly standIn: string }[];
}

/** What the house says of a build of its own that families see: what it last changed; "" where it said nothing. */
export const ownBuildWords = (versions: readonly { readonly changed: string }[]): string =>
  versions.findLast(({ changed }) => changed !== "")?.changed ?? "";

/**
 * Every text of a run that its house may have written itself, each once, as families come across them; `shown` is what it
 * says of builds of its own that it shows.
 */
export function ownTexts(
  title: string,
  brief: WrittenBrief,
  nameOf: (materialId: string) => string,
  shown: readonly string[],
): readonly string[] {
  const { main, questions } = brief.outcomes;
  const asked = questions === null ? [] : [...questions.before, ...questions.during, ...questions.after];
  const judged = main.kind === "rungs" ? main.steps : main.kind === "passes" ? [main.passed, main.not] : [];
  const made = brief.lines.flatMap(({ materialId, standIn }) => [nameOf(materialId), standIn]);
  const texts = [title, ...textsOf(brief).map(({ text }) => text), ...made, ...judged, ...asked, ...shown];
  return [...new Set(texts)].filter((text) => text.trim() !== "");
}

/** Those of them that a language doesn't know: a starter's own words it does, until they are changed. */
export const unknownTo = (language: Language, texts: readonly string[]): readonly string[] =>
  texts.filter((text) => saidIn(language, text) === null && /\p{L}{2}/u.test(text.replace(/\{[^{}]*\}/g, "")));
