import type { RunSettings } from "@lampcrate/contract";
import { dateWords } from "@lampcrate/core";
import { useId, useState } from "react";
import { DayBox } from "../pieces/DayBox.tsx";
import { PastDay } from "../pieces/PastDay.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { useBriefWork } from "../work/RunContext.ts";
import { useRunSettings } from "../work/useRunSettings.ts";
import { AfterClosing } from "./AfterClosing.tsx";

const days = [
  { label: "Open from", field: "opensOn" },
  { label: "Close at the end of", field: "closesOn" },
  { label: "Reveal on", field: "revealOn" },
] as const;

/** When entries open, close and are revealed; local days, closing at the end of its day. */
export function EntryDays() {
  const { run } = useBriefWork();
  const { change, trouble } = useRunSettings();
  // Once published, days go by as they should.
  const asks = run.status === "draft";
  return (
    <section className="sheet pad stack" aria-label="Entries from home">
      <h2>Entries from home</h2>
      <div className="fields three">
        {days.map(({ label, field }) => (
          <Day
            key={field}
            label={label}
            field={field}
            value={run[field]}
            onChange={change}
            trouble={trouble?.fieldMessage(field)}
            asks={asks}
          />
        ))}
      </div>
      {trouble && !trouble.problem.errors?.length ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      {run.closesOn ? (
        <>
          <p className="soft small">The sheet says: send it by the end of {dateWords(run.closesOn)}.</p>
          <AfterClosing onReveal={(revealOn) => void change({ revealOn })} />
        </>
      ) : (
        <p>Set both days, then the run can be published.</p>
      )}
    </section>
  );
}

interface DayProps {
  readonly label: string;
  readonly field: (typeof days)[number]["field"];
  readonly value: string | null;
  readonly onChange: (patch: Partial<RunSettings>) => Promise<boolean>;
  readonly trouble: string | undefined;
  /** A day that is over is asked about: not while the run's own days are past anyway. */
  readonly asks: boolean;
}

/** A day is saved once it is whole; one that is refused stays, with a word on it. */
function Day({ label, field, value, onChange, trouble, asks }: DayProps) {
  const id = useId();
  const { today } = useHouseDay();
  const [typed, setTyped] = useState<{ readonly day: string | null } | null>(null);
  const commit = (day: string | null): void => {
    setTyped({ day });
    void onChange({ [field]: day }).then((taken) => taken && setTyped(null));
  };
  return (
    <div>
      <label className="field-label" htmlFor={id}>
        {label}
      </label>
      <DayBox id={id} label={label} allowNone width="100%" value={typed ? typed.day : value} onChange={commit} />
      {asks ? <PastDay date={typed ? typed.day : value} today={today} onChange={commit} /> : null}
      {trouble === undefined ? null : (
        <span role="alert" className="ruler-trouble">
          {trouble}
        </span>
      )}
    </div>
  );
}
