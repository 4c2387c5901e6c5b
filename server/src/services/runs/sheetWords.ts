import type { SheetWords } from "@lampcrate/contract";
import {
  buildValues,
  type Filling,
  families,
  fillBrief,
  fillText,
  inLanguage,
  type Language,
  type RunKind,
  said,
  saidFor,
} from "@lampcrate/core";
import type { FrozenBrief } from "../../db/schema/index.ts";
import { fillingOf } from "./filling.ts";
import type { RunRow } from "./runs.ts";

/** The rules of a run's sheet in a language, in the order in which they are asked. */
export function rulesIn(row: RunRow, frozen: FrozenBrief, language: Language): readonly string[] {
  const filling = fillingFor(frozen, row);
  const inOrder = (): readonly string[] => [
    ...familyWords(frozen.brief, row.kind, filling).rules,
    ...fillBrief(frozen.brief, filling).rules.map(({ words }) => words),
  ];
  return inLanguage(language, inOrder, frozen.brief.translations[language.id]);
}

/** What the places of a frozen brief's texts are filled from. */
export function fillingFor(frozen: FrozenBrief, row: RunRow): Filling {
  const materials = Object.entries(frozen.materials).map(([id, { unit }]) => ({ id, unit }));
  return fillingOf(frozen.brief, row, materials);
}

/** What the family says for this very build, in the run's own units. */
export function familyWords(brief: FrozenBrief["brief"], kind: RunKind, filling: Filling): SheetWords {
  const { howTo, protocol, rules, idea } = families[brief.family];
  const [values, atHome] = [buildValues(families[brief.family], brief.spec, brief.design), kind === "at-home"];
  const say = (words: string): string => fillText(words, filling);
  return {
    howTo: saidFor(howTo, values, atHome).map(({ words, adult = false }) => ({ words: say(words), adult })),
    test: [protocol.before, protocol.starts, protocol.stops, protocol.order].map(say),
    control: protocol.control === undefined ? null : say(protocol.control),
    rules: saidFor(rules, values, atHome).map(({ words }) => say(words)),
    idea: said(idea),
  };
}
