import type { TrialInput } from "@lampcrate/contract";
import { type CheckedTrial, type Measure, type Symptom, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useId, useState } from "react";
import { useRested } from "../useRested.ts";
import { useWords } from "../words/useWords.ts";
import { Answers } from "./Answers.tsx";
import { Beside } from "./Beside.tsx";
import { LoadCounter } from "./LoadCounter.tsx";
import { NumberBox } from "./NumberBox.tsx";
import { PlainAnswers, Question } from "./Questions.tsx";
import { Rungs } from "./Rungs.tsx";
import { restMs } from "./restMs.ts";
import { SettingBox } from "./SettingBox.tsx";
import { Symptoms } from "./Symptoms.tsx";
import { isUsed, withBroke, withNumber } from "./trialEdits.ts";

interface TrialRowProps {
  readonly number: number;
  readonly trial: TrialInput;
  readonly checked: CheckedTrial | undefined;
  readonly measure: Measure;
  /** What else is asked for beside it. */
  readonly further: readonly Measure[];
  /** What to try next, SI, where the trials are a ladder. */
  readonly offered: number | null;
  /** What its number comes to besides, in words; null where nothing is worked out. */
  readonly worked: ((si: number) => string) | null;
  readonly units: UnitChoice;
  /** What may be seen of such a build. */
  readonly symptoms: readonly Symptom[];
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** One trial: what came out, in a tap or two; questioned in place when it can't be, or hardly. A failed test is an ordinary thing with a next question. */
export function TrialRow({ number, trial, checked, measure, further, offered, worked, units, symptoms, onChange }: TrialRowProps) {
  const words = useWords();
  const id = useId();
  const [open, setOpen] = useState({ seeing: trial.seen.length > 0, breaks: trial.broke !== null, counting: false });
  const read = checked?.read;
  const value = read?.ok ? showQuantity(read.si, measure.dimension, units) : null;
  // Nobody is asked about a number that is still being written.
  const written = useRested(trial.raw, restMs) === trial.raw;
  const isOdd = checked !== undefined && (checked.verdict.flag !== null || checked.verdict.offers.length > 0);
  const asks = written && isOdd && !trial.kept;
  // The question goes with its answer: whoever works by keys is back at the number.
  const answered = (patch: Partial<TrialInput>): void => {
    document.getElementById(id)?.focus();
    onChange(patch);
  };
  const { steps, rungs, setting } = measure;
  const failed = trial.outcome === "failed";
  return (
    <div className="stacked near one-trial">
      {measure.numberless && !setting ? <strong>{words.log.trial(number)}</strong> : null}
      {setting ? (
        <SettingBox
          number={number}
          field={setting}
          typed={trial.setting}
          offered={offered}
          units={units}
          onType={(typed) => onChange({ setting: typed })}
        />
      ) : null}
      {rungs ? <Rungs label={words.log.cameOut(number)} trial={trial} rungs={rungs} onChange={onChange} /> : null}
      {measure.numberless ? null : (
        <NumberBox
          id={id}
          label={words.log.trial(number)}
          raw={trial.raw}
          read={read}
          measure={measure}
          units={units}
          onType={(text) => onChange(withNumber(trial, text))}
        />
      )}
      {steps && !rungs && open.breaks ? (
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
      {open.counting ? (
        <LoadCounter
          measure={measure}
          units={units}
          onDone={(patch) => {
            setOpen((now) => ({ ...now, counting: false, breaks: patch.broke != null }));
            onChange(patch);
          }}
        />
      ) : null}
      {/* Where a number is told in other words too, their place is there before they are: nothing below moves under a press. */}
      <div role="status" className={worked && trial.raw !== null ? "says told-below" : "says"}>
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
        {written && read?.ok && worked && !isOdd ? <p className="small soft">{worked(read.si)}</p> : null}
      </div>
      <Answers
        number={number}
        trial={trial}
        measure={measure}
        open={open}
        onOpen={(patch) => setOpen((now) => ({ ...now, ...patch }))}
        onChange={onChange}
      />
      {further.length > 0 && isUsed(trial) ? <Beside further={further} trial={trial} units={units} onChange={onChange} /> : null}
      {open.seeing ? <Symptoms symptoms={symptoms} seen={trial.seen} failed={failed} onChange={(seen) => onChange({ seen })} /> : null}
    </div>
  );
}
