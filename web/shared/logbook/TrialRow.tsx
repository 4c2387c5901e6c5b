import type { TrialInput } from "@lampcrate/contract";
import {
  type CheckedTrial,
  flagWords,
  type Measure,
  reasonWords,
  refusalWords,
  type Symptom,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { useId, useState } from "react";
import { useWords } from "../words/useWords.ts";

interface TrialRowProps {
  readonly number: number;
  readonly trial: TrialInput;
  readonly checked: CheckedTrial | undefined;
  readonly measure: Measure;
  readonly units: UnitChoice;
  /** What may be seen when such a build fails. */
  readonly symptoms: readonly Symptom[];
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** One trial: typed or timed; questioned in place when it can't be, or hardly. A failed test is an ordinary thing with a next question. */
export function TrialRow({ number, trial, checked, measure, units, symptoms, onChange }: TrialRowProps) {
  const words = useWords();
  const id = useId();
  const [failed, setFailed] = useState(trial.raw === null && trial.seen.length > 0);
  const read = checked?.read;
  const unread =
    trial.raw !== null && read && !read.ok
      ? refusalWords(read.reason, trial.raw, { dimension: measure.dimension, defaultUnit: measure.unit })
      : null;
  const value = read?.ok ? showQuantity(read.si, measure.dimension, units) : null;
  const asks = checked !== undefined && checked.verdict.flag !== null && !trial.kept;
  const unit = measure.unit ?? measure.token?.names[0];
  return (
    <div className="stacked near">
      <div className="trial">
        <label htmlFor={id}>{words.log.trial(number)}</label>
        <input
          id={id}
          className="typed"
          inputMode={measure.dimension === "count" ? "numeric" : "text"}
          maxLength={60}
          placeholder={unit}
          value={trial.raw ?? ""}
          aria-invalid={unread !== null}
          aria-describedby={`${id}-says`}
          onChange={(event) => onChange({ raw: event.target.value === "" ? null : event.target.value, kept: false })}
        />
        {trial.raw === null ? (
          <button type="button" className="link" aria-expanded={failed} onClick={() => setFailed(!failed)}>
            {words.log.noNumber}
          </button>
        ) : (
          <strong>{value}</strong>
        )}
      </div>
      <div id={`${id}-says`} role="status">
        {unread === null ? null : <p className="trouble-text">{unread}</p>}
        {asks && value !== null && checked ? (
          <Question
            value={value}
            checked={checked}
            measure={measure}
            units={units}
            onTake={(raw) => onChange({ raw, kept: false })}
            onKeep={() => onChange({ kept: true })}
          />
        ) : null}
        {trial.kept && checked?.verdict.flag ? (
          <p className="soft small">
            {value}: {words.log.kept}
          </p>
        ) : null}
      </div>
      {failed && trial.raw === null ? <Symptoms symptoms={symptoms} seen={trial.seen} onChange={(seen) => onChange({ seen })} /> : null}
      {measure.quality === "load" && trial.raw !== null && read?.ok ? (
        <label className="tick">
          <input type="checkbox" checked={trial.atLeast} onChange={(event) => onChange({ atLeast: event.target.checked })} />
          <span className="small">{words.log.atLeast}</span>
        </label>
      ) : null}
    </div>
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
  onChange,
}: {
  readonly symptoms: readonly Symptom[];
  readonly seen: readonly string[];
  readonly onChange: (seen: readonly string[]) => void;
}) {
  const words = useWords();
  const chosen = symptoms.filter((symptom) => seen.includes(symptom.id));
  return (
    <div>
      <p>{words.log.noNumberHint}</p>
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
