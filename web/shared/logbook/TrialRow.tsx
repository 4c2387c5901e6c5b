import type { TrialInput } from "@lampcrate/contract";
import {
  atLeastPart,
  type CheckedTrial,
  flagWords,
  type Measure,
  type Read,
  readTrial,
  reasonWords,
  refusalWords,
  type Symptom,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { useId, useState } from "react";
import { useRested } from "../useRested.ts";
import { useWords } from "../words/useWords.ts";
import { isUsed, itFailed, itPassed, stillHolding, withBroke, withNumber } from "./trialEdits.ts";

/** What is typed is not remarked upon before it has rested so long, ms. */
const restMs = 700;

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

interface PlainAnswersProps {
  readonly raw: string;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** Words that are no number but plainly mean a result: "> 2 kg", "fell over". It is offered, never taken for granted. */
function PlainAnswers({ raw, measure, units, onChange }: PlainAnswersProps) {
  const words = useWords();
  const part = measure.steps ? atLeastPart(raw) : null;
  const read = part === null ? null : readTrial(part, measure);
  if (part !== null && read?.ok)
    return (
      <div className="buttons">
        <button type="button" className="plain lit" onClick={() => onChange({ raw: part, broke: null, outcome: "atLeast" })}>
          {words.log.atLeast(showQuantity(read.si, measure.dimension, units))}
        </button>
      </div>
    );
  if (/\d/.test(raw)) return null;
  return (
    <div className="buttons">
      <button type="button" className="plain lit" onClick={() => onChange({ raw: null, broke: null, outcome: "failed" })}>
        {words.log.itFailed}
      </button>
    </div>
  );
}

interface NumberBoxProps {
  readonly id: string;
  readonly label: string;
  readonly raw: string | null;
  readonly read: Read | undefined;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onType: (text: string) => void;
}

/** A number as people write it, what it was read as, or how to write it. */
function NumberBox({ id, label, raw, read, measure, units, onType }: NumberBoxProps) {
  const { dimension, unit, token } = measure;
  const written = useRested(raw, restMs) === raw;
  const unread = written && raw !== null && read && !read.ok ? refusalWords(read.reason, raw, { dimension, defaultUnit: unit }) : null;
  return (
    <>
      <div className="trial">
        <label htmlFor={id}>{label}</label>
        <input
          id={id}
          className="typed"
          inputMode={dimension === "count" ? "numeric" : "text"}
          maxLength={60}
          placeholder={unit ?? token?.names[0]}
          value={raw ?? ""}
          aria-invalid={unread !== null}
          aria-describedby={`${id}-says`}
          onChange={(event) => onType(event.target.value)}
        />
        <strong>{raw !== null && read?.ok ? showQuantity(read.si, dimension, units) : ""}</strong>
      </div>
      <p id={`${id}-says`} role="status" className="trouble-text says">
        {unread}
      </p>
    </>
  );
}

interface QuestionProps {
  readonly value: string;
  readonly checked: CheckedTrial;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onTake: (raw: string) => void;
  readonly onKeep: () => void;
}

/** Asks, never changes a number by itself. */
function Question({ value, checked, measure, units, onTake, onKeep }: QuestionProps) {
  const words = useWords();
  const { flag, offers } = checked.verdict;
  const raw = (si: number): string =>
    measure.dimension === "count"
      ? String(Math.round(si))
      : measure.dimension === "time"
        ? si.toFixed(2)
        : showQuantity(si, measure.dimension, units).replace(/\s/g, " ");
  return (
    <div className="ask">
      <p>
        <strong>{words.log.question(value)}</strong> {flagWords(flag, value)}{" "}
        {offers[0]
          ? `${words.log.didYouMean} ${showQuantity(offers[0].value, measure.dimension, units)}, ${offers[0].reasons.map(reasonWords).join(", ")}?`
          : ""}
      </p>
      <div className="buttons">
        {offers.map((offer) => (
          <button key={offer.value} type="button" className="plain lit" onClick={() => onTake(raw(offer.value))}>
            {words.log.yes(showQuantity(offer.value, measure.dimension, units))}
          </button>
        ))}
        <button type="button" className="plain" onClick={onKeep}>
          {words.log.no}
        </button>
      </div>
    </div>
  );
}

function Symptoms({
  symptoms,
  seen,
  failed,
  onChange,
}: {
  readonly symptoms: readonly Symptom[];
  readonly seen: readonly string[];
  readonly failed: boolean;
  readonly onChange: (seen: readonly string[]) => void;
}) {
  const words = useWords();
  const chosen = symptoms.filter((symptom) => seen.includes(symptom.id));
  return (
    <div>
      <p>{failed ? words.log.noNumberHint : words.log.seenHint}</p>
      <div className="choices">
        {symptoms.map((symptom) => (
          <button
            key={symptom.id}
            type="button"
            className="plain"
            aria-pressed={seen.includes(symptom.id)}
            onClick={() => onChange(seen.includes(symptom.id) ? seen.filter((s) => s !== symptom.id) : [...seen, symptom.id])}
          >
            {symptom.words}
          </button>
        ))}
      </div>
      {chosen.map((symptom) => (
        <p key={symptom.id} className="plain-words above">
          <strong>{symptom.question}</strong> {words.log.nudge}: {symptom.nudge.charAt(0).toLowerCase() + symptom.nudge.slice(1)}
        </p>
      ))}
    </div>
  );
}
