import type { HouseDoc } from "@lampcrate/contract";
import type { Pin } from "@lampcrate/core";
import { Checkbox } from "antd";
import { DataTable } from "../pieces/DataTable.tsx";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import type { PlannedSession } from "./usePlacing.ts";

interface PlanTableProps {
  readonly planned: readonly PlannedSession[];
  /** Which shade a session has on the map. */
  readonly shadeOf: (id: string) => number;
  readonly house: HouseDoc;
  readonly pins: readonly Pin[];
  readonly onPins: (pins: readonly Pin[]) => void;
}

/** The plan's sessions in order of time; what is ticked stays where it is when the others are placed again. */
export function PlanTable({ planned, shadeOf, house, pins, onPins }: PlanTableProps) {
  const { day } = useHouseDay();
  const roomName = (id: string): string => house.rooms.find((one) => one.id === id)?.name ?? "";
  const personName = (id: string): string => house.people.find((one) => one.id === id)?.name ?? "";
  const pin = ({ id, start, room, people }: PlannedSession, isOn: boolean): void => {
    const others = pins.filter(({ session }) => session !== id);
    onPins(isOn ? [...others, { session: id, start, room, people }] : others);
  };
  return (
    <DataTable
      label="Sessions as placed"
      rowKey="id"
      rows={planned}
      columns={[
        { title: "When", key: "when", className: "no-break", render: (_, { start }) => `${day(start.slice(0, 10))} ${start.slice(11)}` },
        {
          title: "Session",
          key: "session",
          rowScope: "row",
          render: (_, { id, words }) => (
            <>
              <span className={`slot-cell swatch run-${shadeOf(id)}`} aria-hidden="true" /> {words}
            </>
          ),
        },
        { title: "Room", key: "room", className: "no-break", render: (_, { room }) => roomName(room) },
        { title: "People", key: "people", render: (_, { people }) => people.map(personName).join(", ") },
        {
          title: "Stays",
          key: "stays",
          render: (_, row) => (
            <Checkbox
              aria-label={`${row.words} stays where it is`}
              checked={pins.some(({ session }) => session === row.id)}
              onChange={({ target }) => pin(row, target.checked)}
            />
          ),
        },
      ]}
    />
  );
}
