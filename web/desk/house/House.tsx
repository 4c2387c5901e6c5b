import type { ClosureDoc, HouseDoc, RoomDoc } from "@lampcrate/contract";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Checkbox, Input, InputNumber, Select } from "antd";
import { nanoid } from "nanoid";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { useKeptState } from "../../shared/useKeptState.ts";
import { LengthBox } from "../crate/LengthBox.tsx";
import { houseQuery, seasonQuery } from "../queries.ts";
import { PreparingFields } from "./PreparingFields.tsx";
import { Staff } from "./Staff.tsx";

/** The house: name, zone, money, units, address; rooms, closures, people. */
export function House() {
  const house = useQuery(houseQuery);
  if (house.isPending) return <main className="page soft">Opening the house …</main>;
  if (house.isError)
    return (
      <main className="page">
        <p role="alert" className="trouble">
          {house.error.message}
        </p>
      </main>
    );
  return (
    <main className="page stack" style={{ maxWidth: 1180 }}>
      <h1>House</h1>
      <FirstRun />
      <HouseForm key={house.data.revision} saved={house.data} />
      <Staff />
    </main>
  );
}

/** Nothing to run yet: the shortest way to a brief. Rooms and people can follow. */
function FirstRun() {
  const season = useQuery(seasonQuery);
  if (season.data?.runs.length !== 0) return null;
  return (
    <p className="plain-words">
      Your house stands. <Link to="/start">Start the first run</Link> from a brief on the shelf, or add rooms, closed days and people first.
    </p>
  );
}

function HouseForm({ saved }: { readonly saved: HouseDoc }) {
  const queries = useQueryClient();
  const [house, setHouse] = useKeptState<HouseDoc>(`house-${saved.revision}`, saved);
  const [trouble, setTrouble] = useState<AskError | null>(null);
  const dirty = JSON.stringify(house) !== JSON.stringify(saved);
  const set = (patch: Partial<HouseDoc>): void => setHouse({ ...house, ...patch });
  const save = async (): Promise<void> => {
    try {
      const next = await ask(api.house.$put({ json: house }));
      setHouse(null);
      queries.setQueryData(houseQuery.queryKey, next);
      await queries.invalidateQueries(seasonQuery);
      setTrouble(null);
    } catch (error) {
      if (!(error instanceof AskError)) throw error;
      setTrouble(error);
    }
  };
  const message = (field: string) => {
    const words = trouble?.fieldMessage(field);
    return words ? (
      <span role="alert" className="ruler-trouble">
        {words}
      </span>
    ) : null;
  };
  return (
    <form
      className="stack"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <section className="sheet pad" aria-label="The house itself">
        <div className="fields three">
          <label>
            <span className="field-label">Name</span>
            <Input value={house.name} maxLength={80} onChange={(event) => set({ name: event.target.value })} />
            {message("name")}
          </label>
          <label>
            <span className="field-label">Time zone</span>
            <Input value={house.zone} onChange={(event) => set({ zone: event.target.value })} />
            {message("zone")}
          </label>
          <label>
            <span className="field-label">Currency, three letters</span>
            <Input value={house.currency} onChange={(event) => set({ currency: event.target.value.toUpperCase() })} />
            {message("currency")}
          </label>
          <label>
            <span className="field-label">Address families reach it at</span>
            <Input value={house.publicUrl} onChange={(event) => set({ publicUrl: event.target.value })} />
            {message("publicUrl")}
          </label>
          <label>
            <span className="field-label">Units</span>
            <Select
              style={{ width: "100%" }}
              value={house.units}
              options={[
                { value: "metric", label: "metric" },
                { value: "imperial", label: "feet, inches, pounds, ounces" },
              ]}
              onChange={(units) => set({ units })}
            />
          </label>
          <label>
            <span className="field-label">Entries are kept after the reveal, days</span>
            <InputNumber
              style={{ width: "100%" }}
              min={1}
              max={730}
              precision={0}
              value={house.keepingDays}
              onChange={(keepingDays) => keepingDays !== null && set({ keepingDays })}
            />
          </label>
        </div>
      </section>
      <PreparingFields preparing={house.preparing} onChange={(preparing) => set({ preparing })} trouble={message("preparing")} />
      <section className="sheet pad stack" aria-label="Rooms">
        <h2>Rooms</h2>
        {house.rooms.length === 0 ? (
          <p>No room yet. Measure length, width and height once: the brief's needs are held against them for every session.</p>
        ) : null}
        {house.rooms.map((room, i) => (
          <RoomRow
            key={room.id}
            room={room}
            units={house.units}
            onChange={(next) => set({ rooms: house.rooms.map((r, at) => (at === i ? next : r)) })}
            onRemove={() => set({ rooms: house.rooms.filter((_, at) => at !== i) })}
            trouble={message(`rooms[${i}]`)}
          />
        ))}
        {message("rooms")}
        <div>
          <button
            type="button"
            className="second"
            onClick={() =>
              set({
                rooms: [
                  ...house.rooms,
                  {
                    id: nanoid(12),
                    name: `Room ${house.rooms.length + 1}`,
                    lengthM: null,
                    widthM: null,
                    heightM: null,
                    seats: 20,
                    water: false,
                    floor: "hard",
                  },
                ],
              })
            }
          >
            Add a room
          </button>
        </div>
      </section>
      <section className="sheet pad stack" aria-label="Closures">
        <h2>Closed days</h2>
        {house.closures.map((day, i) => (
          <ClosureRow
            key={day.id}
            day={day}
            onChange={(next) => set({ closures: house.closures.map((c, at) => (at === i ? next : c)) })}
            onRemove={() => set({ closures: house.closures.filter((_, at) => at !== i) })}
            trouble={message(`closures[${i}]`)}
          />
        ))}
        <div>
          <button
            type="button"
            className="second"
            onClick={() => set({ closures: [...house.closures, { id: nanoid(12), from: "", to: "", why: "" }] })}
          >
            Add closed days
          </button>
        </div>
      </section>
      {trouble && (trouble.problem.errors ?? []).length === 0 ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      <div className="row">
        <button type="submit" className="amber" disabled={!dirty}>
          Save the house
        </button>
        {dirty ? (
          <button type="button" className="second" onClick={() => setHouse(null)}>
            Drop the changes
          </button>
        ) : (
          <span className="soft">saved</span>
        )}
      </div>
    </form>
  );
}

interface RowProps<T> {
  readonly onChange: (next: T) => void;
  readonly onRemove: () => void;
  readonly trouble: ReactNode;
}

function RoomRow({
  room,
  units,
  onChange,
  onRemove,
  trouble,
}: RowProps<RoomDoc> & { readonly room: RoomDoc; readonly units: HouseDoc["units"] }) {
  return (
    <div className="row" role="group" aria-label={room.name} style={{ alignItems: "flex-end" }}>
      <label>
        <span className="field-label small">Name</span>
        <Input
          style={{ width: 190 }}
          value={room.name}
          maxLength={80}
          onChange={(event) => onChange({ ...room, name: event.target.value })}
        />
      </label>
      <LengthBox label="Length" valueM={room.lengthM} units={units} onChange={(lengthM) => onChange({ ...room, lengthM })} />
      <LengthBox label="Width" valueM={room.widthM} units={units} onChange={(widthM) => onChange({ ...room, widthM })} />
      <LengthBox label="Height" valueM={room.heightM} units={units} onChange={(heightM) => onChange({ ...room, heightM })} />
      <label>
        <span className="field-label small">Seats</span>
        <InputNumber
          min={0}
          max={2000}
          precision={0}
          style={{ width: 80 }}
          value={room.seats}
          onChange={(seats) => seats !== null && onChange({ ...room, seats })}
        />
      </label>
      <label>
        <span className="field-label small">Floor</span>
        <Select
          style={{ width: 110 }}
          value={room.floor}
          options={["hard", "carpet", "grass", "other"].map((value) => ({ value, label: value }))}
          onChange={(floor: RoomDoc["floor"]) => onChange({ ...room, floor })}
        />
      </label>
      <Checkbox checked={room.water} onChange={(event) => onChange({ ...room, water: event.target.checked })}>
        water
      </Checkbox>
      <button type="button" className="quiet" aria-label={`Remove ${room.name}`} onClick={onRemove}>
        remove
      </button>
      {trouble}
    </div>
  );
}

function ClosureRow({ day, onChange, onRemove, trouble }: RowProps<ClosureDoc> & { readonly day: ClosureDoc }) {
  return (
    <div className="row" style={{ alignItems: "flex-end" }}>
      <label>
        <span className="field-label small">First closed day</span>
        <Input
          type="date"
          required
          value={day.from}
          onChange={(event) => onChange({ ...day, from: event.target.value, to: day.to === "" ? event.target.value : day.to })}
        />
      </label>
      <label>
        <span className="field-label small">Last closed day</span>
        <Input type="date" required value={day.to} onChange={(event) => onChange({ ...day, to: event.target.value })} />
      </label>
      <label>
        <span className="field-label small">Why</span>
        <Input maxLength={120} value={day.why} onChange={(event) => onChange({ ...day, why: event.target.value })} />
      </label>
      <button type="button" className="quiet" onClick={onRemove}>
        remove
      </button>
      {trouble}
    </div>
  );
}
