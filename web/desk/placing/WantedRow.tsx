import type { CalendarRun, HouseDoc } from "@lampcrate/contract";
import { roomLacks } from "@lampcrate/core";
import { Checkbox, InputNumber } from "antd";
import { Button } from "../pieces/Button.tsx";
import { Choose } from "../pieces/Choose.tsx";
import { Labelled } from "../pieces/Labelled.tsx";
import type { TypedWanted } from "./asking.ts";

interface WantedRowProps {
  readonly wanted: TypedWanted;
  readonly run: CalendarRun;
  readonly house: HouseDoc;
  readonly message: (field: string) => string | undefined;
  readonly onChange: (next: TypedWanted) => void;
  readonly onRemove: () => void;
}

const any = "";

/** How many sessions of a run, and what they ask of one another. */
export function WantedRow({ wanted, run, house, message, onChange, onRemove }: WantedRowProps) {
  const set = (patch: Partial<TypedWanted>): void => onChange({ ...wanted, ...patch });
  const box = (key: "count" | "minutes" | "people", label: string, min: number, max: number) => (
    <Labelled label={label} trouble={message(key)}>
      <InputNumber min={min} max={max} className="box-s" value={wanted[key]} onChange={(value) => set({ [key]: value ?? min })} />
    </Labelled>
  );
  const days = (key: "leastDays" | "mostDays", label: string) => (
    <Labelled label={label} trouble={message(key)}>
      <InputNumber min={0} max={366} className="box-s" placeholder="any" value={wanted[key]} onChange={(value) => set({ [key]: value })} />
    </Labelled>
  );
  return (
    <div className="stack near wanted-row" role="group" aria-label={run.title}>
      <div className="row spread">
        <h3>{run.title}</h3>
        <Button type="text" size="small" aria-label={`Remove ${run.title}`} onClick={onRemove}>
          remove
        </Button>
      </div>
      <p className="soft small">
        {run.kind}; {roomWords(run, house)}
      </p>
      <div className="row feet">
        {box("count", "How many", 1, 60)}
        {box("minutes", "Minutes", 10, 1440)}
        {house.people.length > 0 ? box("people", "People on each", 0, 20) : null}
      </div>
      {wanted.count > 1 ? (
        <>
          <div className="row">
            <Checkbox checked={wanted.inOrder} onChange={({ target }) => set({ inOrder: target.checked })}>
              one after the other, as parts
            </Checkbox>
            <Checkbox checked={wanted.oneRoom} onChange={({ target }) => set({ oneRoom: target.checked })}>
              all in one room
            </Checkbox>
          </div>
          <div className="row feet">
            {days("leastDays", "Least days to the next")}
            {days("mostDays", "Most days to the next")}
          </div>
        </>
      ) : null}
      <div className="row feet">
        <Labelled label="Room that would be liked">
          <Choose
            label="Room that would be liked"
            value={wanted.likesRoom ?? any}
            options={[{ value: any, label: "any" }, ...house.rooms.map(({ id, name }) => ({ value: id, label: name }))]}
            onChoose={(id) => set({ likesRoom: id === any ? null : id })}
          />
        </Labelled>
        {house.people.length > 0 ? (
          <Labelled label="Person that would be liked">
            <Choose
              label="Person that would be liked"
              value={wanted.likesPerson ?? any}
              options={[{ value: any, label: "any" }, ...house.people.map(({ id, name }) => ({ value: id, label: name }))]}
              onChoose={(id) => set({ likesPerson: id === any ? null : id })}
            />
          </Labelled>
        ) : null}
      </div>
    </div>
  );
}

/** Which rooms have what it needs. */
function roomWords({ next }: CalendarRun, { rooms, units }: HouseDoc): string {
  const fit = rooms.filter((room) => roomLacks(room, next.asks.room, units).length === 0);
  if (fit.length === rooms.length) return "every room has what it needs";
  if (fit.length > 0) return `has what it needs in ${fit.map(({ name }) => name).join(", ")}`;
  const [lack] = rooms.flatMap((room) => roomLacks(room, next.asks.room, units));
  return `no room has all it needs. ${lack?.words ?? ""}`;
}
