import { weekdayNames } from "@lampcrate/core";
import { Select } from "antd";
import { nanoid } from "nanoid";
import { Button } from "../pieces/Button.tsx";
import { TimeBox } from "../pieces/DayBox.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import type { Typed } from "./asking.ts";

type Row = Typed["slots"][number];

interface SlotRowsProps {
  readonly slots: readonly Row[];
  readonly onChange: (slots: readonly Row[]) => void;
  readonly message: (field: string) => string | undefined;
}

const days = weekdayNames.map((label, i) => ({ value: i + 1, label }));

/** Times of the week at which sessions can be. */
export function SlotRows({ slots, onChange, message }: SlotRowsProps) {
  const set = (id: string, patch: Partial<Row>): void => onChange(slots.map((slot) => (slot.id === id ? { ...slot, ...patch } : slot)));
  return (
    <>
      {slots.map((slot, i) => (
        <div key={slot.id} className="row feet" role="group" aria-label={`Time ${i + 1}`}>
          <Labelled label="On">
            <Select
              mode="multiple"
              aria-label="On these days of the week"
              className="weekday-box"
              value={[...slot.weekdays]}
              options={days}
              onChange={(weekdays: number[]) => set(slot.id, { weekdays: [...weekdays].sort() })}
            />
          </Labelled>
          <Labelled label="From" trouble={message(`slots.${i}.start`)}>
            <span className="clock-box">
              <TimeBox label="From" value={slot.start} onChange={(start) => set(slot.id, { start })} />
            </span>
          </Labelled>
          <Labelled label="To" trouble={message(`slots.${i}.end`)}>
            <span className="clock-box">
              <TimeBox label="To" value={slot.end} onChange={(end) => set(slot.id, { end })} />
            </span>
          </Labelled>
          <Button
            type="text"
            size="small"
            aria-label={`Remove time ${i + 1}`}
            onClick={() => onChange(slots.filter(({ id }) => id !== slot.id))}
          >
            remove
          </Button>
        </div>
      ))}
      {message("slots") ? (
        <p role="alert" className="trouble">
          {message("slots")}
        </p>
      ) : null}
      <div>
        <Button onClick={() => onChange([...slots, { id: nanoid(8), weekdays: [3], start: "15:30", end: "17:30" }])}>Add a time</Button>
      </div>
    </>
  );
}
