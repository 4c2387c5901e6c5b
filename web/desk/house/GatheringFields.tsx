import type { Gathering } from "@lampcrate/core";
import { InputNumber, Select } from "antd";
import type { ReactNode } from "react";
import { Labelled } from "../pieces/Labelled.tsx";

interface GatheringFieldsProps {
  readonly gathering: Gathering;
  readonly onChange: (gathering: Gathering) => void;
  /** What the server said of a field, where it stands. */
  readonly trouble: ReactNode;
}

const reminders = [1, 2, 3, 5, 7, 10, 14];

/** When sheets go out, when families are reminded, and how long looking at entries takes: what the season's days are counted from. */
export function GatheringFields({ gathering, onChange, trouble }: GatheringFieldsProps) {
  const set = (patch: Partial<Gathering>): void => onChange({ ...gathering, ...patch });
  const number = (label: string, value: number, [min, max]: readonly [number, number], put: (value: number) => void, whole = true) => (
    <Labelled label={label}>
      <InputNumber
        className="wide"
        min={min}
        max={max}
        {...(whole ? { precision: 0 } : {})}
        value={value}
        onChange={(next) => next !== null && put(next)}
      />
    </Labelled>
  );
  return (
    <section className="sheet pad stack" aria-label="Sheets and entries">
      <h2>Sheets and entries</h2>
      <p className="soft">What the days on the season are counted from: before a run opens, and after it has closed.</p>
      <div className="fields three">
        {number("Publish the sheet, days before", gathering.publishDays, [0, 60], (publishDays) => set({ publishDays }))}
        <Labelled label="Remind families, days before it closes">
          <Select
            mode="multiple"
            className="wide"
            placeholder="nobody is reminded"
            value={[...gathering.remindDays]}
            options={[...new Set([...reminders, ...gathering.remindDays])].sort((a, b) => a - b).map((n) => ({ value: n, label: `${n}` }))}
            maxCount={5}
            onChange={(remindDays) => set({ remindDays })}
          />
        </Labelled>
        {number("Looking at an entry takes, min", gathering.siftMinutes, [0.5, 120], (siftMinutes) => set({ siftMinutes }), false)}
        {number("Time for it on a working day, min", gathering.siftMinutesADay, [1, 600], (siftMinutesADay) => set({ siftMinutesADay }))}
        {number("Of a hundred builders, so many send in", Math.round(gathering.returns * 100), [0, 100], (n) => set({ returns: n / 100 }))}
      </div>
      {trouble}
    </section>
  );
}
