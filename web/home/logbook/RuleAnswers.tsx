import type { RuleAnswer, SheetDoc } from "@lampcrate/contract";
import { useId } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { rulesAsked } from "../rules.ts";

interface RuleAnswersProps {
  readonly sheet: SheetDoc;
  readonly answers: readonly RuleAnswer[];
  readonly onChange: (answers: readonly RuleAnswer[]) => void;
}

/** The sheet's rules, each yes or no; nothing where the brief doesn't ask for answers. */
export function RuleAnswers({ sheet, answers, onChange }: RuleAnswersProps) {
  const words = useWords();
  const id = useId();
  const rules = rulesAsked(sheet);
  if (rules.length === 0) return null;
  const set = (rule: string, yes: boolean): void => {
    const others = answers.filter((one) => one.rule !== rule);
    const isSame = answers.some((one) => one.rule === rule && one.yes === yes);
    onChange(isSame ? others : [...others, { rule, yes }]);
  };
  return (
    <section className="card stacked near" aria-labelledby={id} data-stop={words.walk.rules} tabIndex={-1}>
      <h2 id={id}>{words.log.rulesTitle}</h2>
      {rules.map((rule) => {
        const said = answers.find((one) => one.rule === rule)?.yes;
        return (
          <div key={rule} role="group" aria-label={rule} className="rule">
            <span>{rule}</span>
            <span className="choices">
              {[true, false].map((yes) => (
                <button key={String(yes)} type="button" className="answer" aria-pressed={said === yes} onClick={() => set(rule, yes)}>
                  {yes ? words.log.ruleYes : words.log.ruleNo}
                </button>
              ))}
            </span>
          </div>
        );
      })}
      {answers.some((one) => !one.yes) ? <p className="small soft">{words.log.ruleNoHint}</p> : null}
    </section>
  );
}
