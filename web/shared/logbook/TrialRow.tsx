import type { TrialInput } from "@lampcrate/contract";
import { type CheckedTrial, type Measure, type Symptom, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useId, useState } from "react";
import { useRested } from "../useRested.ts";
import { useWords } from "../words/useWords.ts";
import { NumberBox } from "./NumberBox.tsx";
import { PlainAnswers, Question } from "./Questions.tsx";
import { restMs } from "./restMs.ts";
import { Symptoms } from "./Symptoms.tsx";
import { isUsed, itFailed, itPassed, stillHolding, withBroke, withNumber } from "./trialEdits.ts";

interface TrialRowProps {
  readonly number: number;
  readonly trial: TrialInput;
  readonly checked: CheckedTrial | undefined;
  readonly measure: Measure;
  readonly units: UnitChoice;
  /** What may be seen of such a build. */
  readonly symptoms: readonly Symptom[];
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** One trial: what came out, in a tap or two; questioned in place when it can't be, or hardly. A failed test is an ordinary thing with a next question. */
export function TrialRow({ number, trial, checked, measure, units, symptoms, onChange }: TrialRowProps) {
  const words = useWords();
  const id = useId();
  const [seeing, setSeeing] = useState(trial.seen.length > 0);
  const [breaks, setBreaks] = useState(trial.broke !== null);
  const read = checked?.read;
  const value = read?.ok ? showQuantity(read.si, measure.dimension, units) : null;
  // Nobody is asked about a number that is still being written.
  const written = useRested(trial.raw, restMs) === trial.raw;
  const asks = written && checked !== undefined && checked.verdict.flag !== null && !trial.kept;
  // The question goes with its answer: whoever works by keys is back at the number.
  const answered = (patch: Partial<TrialInput>): void => {
    document.getElementById(id)?.focus();
    onChange(patch);
  };
  const { steps } = measure;
  const failed = trial.outcome === "failed";
  return (
    <div className="stacked near one-trial">
      <NumberBox
        id={id}
        label={words.log.trial(number)}
        raw={trial.raw}
        read={read}
        measure={measure}
        units={units}
        onType={(text) => onChange(withNumber(trial, text))}
      />
      {steps && breaks ? (
        <NumberBox
          id={`${id}-broke`}
          label={steps.breaks}
          raw={trial.broke}
          read={checked?.broke}
          measure={measure}
          units={units}
          onType={(text) => onChange(withBroke(trial, text))}
        />
      ) : null}
      <div role="status" className="says">
        {asks && value !== null && checked ? (
          <Question
            value={value}
            checked={checked}
            measure={measure}
            units={units}
            onTake={(raw) => answered({ raw, kept: false })}
            onKeep={() => answered({ kept: true })}
          />
        ) : null}
        {written && trial.raw !== null && read && !read.ok ? (
          <PlainAnswers raw={trial.raw} measure={measure} units={units} onChange={onChange} />
        ) : null}
        {trial.kept && checked?.verdict.flag ? (
          <p className="soft small">
            {value}: {words.log.kept}
          </p>
        ) : null}
      </div>
      <div className="outcomes" role="group" aria-label={words.log.cameOut(number)}>
        {steps && trial.raw !== null ? (
          <button
            type="button"
            className="answer"
            aria-pressed={trial.outcome === "atLeast"}
            onClick={() => {
              setBreaks(false);
              onChange(stillHolding(trial));
            }}
          >
            {steps.holds}
          </button>
        ) : null}
        {steps && !failed ? (
          <button
            type="button"
            className="answer"
            aria-pressed={breaks}
            onClick={() => {
              setBreaks(!breaks);
              if (breaks) onChange(withBroke(trial, ""));
            }}
          >
            {steps.breaks} …
          </button>
        ) : null}
        {measure.passes && trial.raw === null ? (
          <button type="button" className="answer" aria-pressed={trial.outcome === "passed"} onClick={() => onChange(itPassed(trial))}>
            {measure.passes.passed}
          </button>
        ) : null}
        {trial.raw === null && trial.broke === null ? (
          <button
            type="button"
            className="answer"
            aria-pressed={failed}
            onClick={() => {
              setBreaks(false);
              setSeeing(!failed);
              onChange(itFailed(trial));
            }}
          >
            {measure.passes?.not ?? words.log.noNumber}
          </button>
        ) : null}
        {isUsed(trial) ? (
          <button type="button" className="answer" aria-expanded={seeing} onClick={() => setSeeing(!seeing)}>
            {words.log.seen}
          </button>
        ) : null}
      </div>
      {seeing ? <Symptoms symptoms={symptoms} seen={trial.seen} failed={failed} onChange={(seen) => onChange({ seen })} /> : null}
    </div>
  );
}
