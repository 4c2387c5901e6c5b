import type { RuleAnswer, SheetDoc } from "@lampcrate/contract";

/** The rules that a sheet has families answer, in its language; none where its brief asks for no answers. */
export const rulesAsked = ({ brief, words }: SheetDoc): readonly string[] =>
  brief.outcomes.answered ? [...words.rules, ...brief.rules.map((rule) => rule.words)] : [];

/** Answers to a sheet's own rules: one that was read in another language, or has been written anew since, is asked again. */
export function answersTo(sheet: SheetDoc, answers: readonly RuleAnswer[]): readonly RuleAnswer[] {
  const asked = rulesAsked(sheet);
  return answers.filter(({ rule }) => asked.includes(rule));
}
