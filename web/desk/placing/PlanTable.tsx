import type { HouseDoc } from "@lampcrate/contract";
import type { Pin } from "@lampcrate/core";
import { Checkbox } from "antd";
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
  return (
    <table className="plan-table">
      <thead>
        <tr>
          <th>When</th>
          <th>Session</th>
          <th>Room</th>
          <th>People</th>
          <th>Stays</th>
        </tr>
      </thead>
      <tbody>
        {planned.map(({ id, words, start, room, people }) => (
          <tr key={id}>
            <td className="no-break">
              {day(start.slice(0, 10))} {start.slice(11)}
            </td>
            <td>
              <span className={`slot-cell swatch run-${shadeOf(id)}`} aria-hidden="true" /> {words}
            </td>
            <td className="no-break">{roomName(room)}</td>
            <td>{people.map(personName).join(", ")}</td>
            <td>
              <Checkbox
                aria-label={`${words} stays where it is`}
                checked={pins.some((pin) => pin.session === id)}
                onChange={({ target }) =>
                  onPins(target.checked ? [...pins, { session: id, start, room, people }] : pins.filter((pin) => pin.session !== id))
                }
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
