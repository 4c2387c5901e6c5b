import type { TrialInput } from "@lampcrate/contract";
import type { Measure } from "@lampcrate/core";
import { useWords } from "../words/useWords.ts";
import { isUsed, itFailed, itPassed, stillHolding, withBroke } from "./trialEdits.ts";

interface AnswersProps {
  readonly number: number;
  readonly trial: TrialInput;
  readonly measure: Measure;
  /** Which boxes are open below. */
  readonly open: { readonly breaks: boolean; readonly seeing: boolean; readonly counting: boolean };
  readonly onOpen: (open: Partial<AnswersProps["open"]>) => void;
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** What came out beside a number, a tap each: it still held, what it gave way at, it passed, it failed, what was seen. */
export function Answers({ number, trial, measure, open, onOpen, onChange }: AnswersProps) {
  const words = useWords();
  const { steps, passes, rungs, token, tokens = [] } = measure;
  const failed = trial.outcome === "failed";
  const isBare = trial.raw === null && trial.broke === null;
  return (
    <div className="outcomes" role="group" aria-label={words.log.cameOut(number)}>
      {steps && !rungs && trial.raw !== null ? (
        <button
          type="button"
          className="answer"
          aria-pressed={trial.outcome === "atLeast"}
          onClick={() => {
            onOpen({ breaks: false });
            onChange(stillHolding(trial));
          }}
        >
          {steps.holds}
        </button>
      ) : null}
      {steps && !rungs && !failed ? (
        <button
          type="button"
          className="answer"
          aria-pressed={open.breaks}
          onClick={() => {
            onOpen({ breaks: !open.breaks });
            if (open.breaks) onChange(withBroke(trial, ""));
          }}
        >
          {steps.breaks} …
        </button>
      ) : null}
      {steps && !rungs && !failed && (token || tokens.length > 0) ? (
        <button type="button" className="answer" aria-expanded={open.counting} onClick={() => onOpen({ counting: !open.counting })}>
          {words.log.counter} …
        </button>
      ) : null}
      {passes && trial.raw === null ? (
        <button type="button" className="answer" aria-pressed={trial.outcome === "passed"} onClick={() => onChange(itPassed(trial))}>
          {passes.passed}
        </button>
      ) : null}
      {isBare && !rungs ? (
        <button
          type="button"
          className="answer"
          aria-pressed={failed}
          onClick={() => {
            onOpen({ breaks: false, counting: false, seeing: !failed });
            onChange(itFailed(trial));
          }}
        >
          {passes?.not ?? words.log.noNumber}
        </button>
      ) : null}
      {isUsed(trial) ? (
        <button type="button" className="answer" aria-expanded={open.seeing} onClick={() => onOpen({ seeing: !open.seeing })}>
          {words.log.seen}
        </button>
      ) : null}
    </div>
  );
}
