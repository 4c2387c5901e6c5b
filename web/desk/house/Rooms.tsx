import type { HouseDoc, RoomDoc } from "@lampcrate/contract";
import { floors } from "@lampcrate/core";
import { Checkbox, Input, InputNumber, Select } from "antd";
import { nanoid } from "nanoid";
import type { ReactNode } from "react";
import { Button } from "../pieces/Button.tsx";
import { LengthBox } from "../pieces/LengthBox.tsx";
import { RoomsPicture } from "./RoomsPicture.tsx";

const newRoom: Omit<RoomDoc, "id" | "name"> = { lengthM: null, widthM: null, heightM: null, seats: 20, water: false, floor: "hard" };

interface RoomsProps {
  readonly house: Pick<HouseDoc, "rooms" | "units">;
  readonly onChange: (rooms: HouseDoc["rooms"]) => void;
  /** What the server said of a field, where it stands. */
  readonly message: (field: string) => ReactNode;
}

/** The rooms, with what a brief's needs are held against. */
export function Rooms({ house, onChange, message }: RoomsProps) {
  return (
    <section className="sheet pad stack" aria-label="Rooms">
      <h2>Rooms</h2>
      {house.rooms.length === 0 ? (
        <p>No room yet. Measure length, width and height once: the brief's needs are held against them for every session.</p>
      ) : null}
      <RoomsPicture rooms={house.rooms} units={house.units} />
      {house.rooms.map((room, i) => (
        <RoomRow
          key={room.id}
          room={room}
          units={house.units}
          onChange={(next) => onChange(house.rooms.map((r, at) => (at === i ? next : r)))}
          onRemove={() => onChange(house.rooms.filter((_, at) => at !== i))}
          trouble={message(`rooms[${i}]`)}
        />
      ))}
      {message("rooms")}
      <div>
        <Button onClick={() => onChange([...house.rooms, { ...newRoom, id: nanoid(12), name: `Room ${house.rooms.length + 1}` }])}>
          Add a room
        </Button>
      </div>
    </section>
  );
}

interface RoomRowProps {
  readonly room: RoomDoc;
  readonly units: HouseDoc["units"];
  readonly onChange: (next: RoomDoc) => void;
  readonly onRemove: () => void;
  readonly trouble: ReactNode;
}

function RoomRow({ room, units, onChange, onRemove, trouble }: RoomRowProps) {
  return (
    <div className="row room-row" role="group" aria-label={room.name}>
      <label>
        <span className="field-label small">Name</span>
        <Input
          className="room-name"
          value={room.name}
          maxLength={80}
          onChange={(event) => onChange({ ...room, name: event.target.value })}
        />
      </label>
      <LengthBox room label="Length" valueM={room.lengthM} units={units} onChange={(lengthM) => onChange({ ...room, lengthM })} />
      <LengthBox room label="Width" valueM={room.widthM} units={units} onChange={(widthM) => onChange({ ...room, widthM })} />
      <LengthBox room label="Height" valueM={room.heightM} units={units} onChange={(heightM) => onChange({ ...room, heightM })} />
      <label>
        <span className="field-label small">Seats</span>
        <InputNumber
          min={0}
          max={2000}
          precision={0}
          className="room-seats"
          value={room.seats}
          onChange={(seats) => seats !== null && onChange({ ...room, seats })}
        />
      </label>
      <label>
        <span className="field-label small">Floor</span>
        <Select
          className="room-floor"
          value={room.floor}
          options={floors.map((value) => ({ value, label: value }))}
          onChange={(floor: RoomDoc["floor"]) => onChange({ ...room, floor })}
        />
      </label>
      <Checkbox checked={room.water} onChange={(event) => onChange({ ...room, water: event.target.checked })}>
        water
      </Checkbox>
      <Button type="text" size="small" aria-label={`Remove ${room.name}`} onClick={onRemove}>
        remove
      </Button>
      {trouble}
    </div>
  );
}
