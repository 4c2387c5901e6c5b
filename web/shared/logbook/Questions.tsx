import type { TrialInput } from "@lampcrate/contract";
import {
  atLeastPart,
  type CheckedTrial,
  flagWords,
  type Measure,
  readTrial,
  reasonWords,
  showQuantity,
  type UnitChoice,
} from "@lampcrate/core";
import { useWords } from "../words/useWords.ts";

interface QuestionProps {
  readonly value: string;
  readonly checked: CheckedTrial;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onTake: (raw: string) => void;
  readonly onKeep: () => void;
}

/** Asks, never changes a number by itself. */
export function Question({ value, checked, measure, units, onTake, onKeep }: QuestionProps) {
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

interface PlainAnswersProps {
  readonly raw: string;
  readonly measure: Measure;
  readonly units: UnitChoice;
  readonly onChange: (patch: Partial<TrialInput>) => void;
}

/** Words that are no number but plainly mean a result: "> 2 kg", "fell over". It is offered, never taken for granted. */
export function PlainAnswers({ raw, measure, units, onChange }: PlainAnswersProps) {
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
