import { type Measure, type Read, refusalWords, showQuantity, type UnitChoice } from "@lampcrate/core";
import { useRested } from "../useRested.ts";
import { useWords } from "../words/useWords.ts";
import { restMs } from "./restMs.ts";

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
export function NumberBox({ id, label, raw, read, measure, units, onType }: NumberBoxProps) {
  const words = useWords();
  const { dimension, unit } = measure;
  const [token] = [...(measure.tokens ?? []), ...(measure.token ? [measure.token] : [])];
  const written = useRested(raw, restMs) === raw;
  const unread = written && raw !== null && read && !read.ok ? refusalWords(read.reason, raw, { dimension, defaultUnit: unit }) : null;
  return (
    <>
      <div className={label.length > 12 ? "trial wide" : "trial"}>
        <label htmlFor={id}>{unit === null ? label : `${label}, ${unit}`}</label>
        <input
          id={id}
          className="typed"
          inputMode={dimension === "count" ? "numeric" : "text"}
          maxLength={60}
          placeholder={token?.names[0]}
          value={raw ?? ""}
          aria-invalid={unread !== null}
          aria-describedby={`${id}-says`}
          onChange={(event) => onType(event.target.value)}
        />
        <strong>{raw !== null && read?.ok ? showQuantity(read.si, dimension, units) : ""}</strong>
      </div>
      <p id={`${id}-says`} role="status" className="trouble-text says">
        {unread}
        {unread !== null && read && !read.ok && read.reason === "unknown word" && (dimension === "mass" || measure.token)
          ? ` ${words.log.nameFirst}`
          : null}
      </p>
    </>
  );
}
