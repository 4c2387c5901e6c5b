import type { RuleAnswer, SheetDoc } from "@lampcrate/contract";

/** The rules of a sheet in its language: its family's, then the house's own. */
export const rulesOn = ({ brief, words }: SheetDoc): readonly string[] => [...words.rules, ...brief.rules.map((rule) => rule.words)];

/** Those that it has families answer: none where its brief asks for no answers. */
export const rulesAsked = (sheet: SheetDoc): readonly string[] => (sheet.brief.outcomes.answered ? rulesOn(sheet) : []);

/** Answers to a sheet's own rules: one that was read in another language, or has been written anew since, is asked again. */
export function answersTo(sheet: SheetDoc, answers: readonly RuleAnswer[]): readonly RuleAnswer[] {
  const asked = rulesAsked(sheet);
  return answers.filter(({ rule }) => asked.includes(rule));
}
