import type { HouseDoc } from "@lampcrate/contract";
import { dayAndMonth, mondayOf, shortDate } from "@lampcrate/core";
import { Tooltip } from "antd";
import type { Answer } from "./usePlacing.ts";

interface SlotMapProps {
  readonly answer: Answer;
  /** Which shade a session has. */
  readonly shadeOf: (id: string) => number;
  readonly house: HouseDoc;
}

/** Rooms against slots: what is taken, and where the plan lies; a new week begins at a wider gap. */
export function SlotMap({ answer: { of, placement }, shadeOf, house }: SlotMapProps) {
  if (!placement.possible) return null;
  const { slots, placing, sessions } = of;
  const at = (slot: number, room: string) => {
    const found = placement.plan.find((one) => one.slot === slot && one.room === room);
    return found ? sessions.find(({ id }) => id === found.session) : undefined;
  };
  const mondayAt = (t: number): string => mondayOf(slots[t]?.start.slice(0, 10) ?? "");
  const isMonday = (t: number): boolean => t > 0 && mondayAt(t) !== mondayAt(t - 1);
  return (
    <div className="slot-map-box">
      <div
        className="slot-map"
        role="img"
        aria-label={`${placement.plan.length} sessions in ${slots.length} slots and ${house.rooms.length} rooms`}
      >
        {house.rooms.map(({ id, name }) => (
          <div key={id} className="slot-lane">
            <span className="slot-room small">{name}</span>
            {slots.map(({ start }, t) => {
              const session = at(t, id);
              const taken = placing.taken?.[id]?.includes(t) ?? false;
              const date = start.slice(0, 10);
              const when = `${shortDate(date, date)} ${start.slice(11)}`;
              return (
                <Tooltip key={start} title={`${when}: ${session?.words ?? (taken ? "taken" : "free")}`}>
                  <span
                    className={`slot-cell ${taken ? "taken" : ""} ${session ? `run-${shadeOf(session.id)}` : ""} ${isMonday(t) ? "week" : ""}`}
                  >
                    {session ? session.number : ""}
                  </span>
                </Tooltip>
              );
            })}
          </div>
        ))}
        <div className="slot-lane slot-days">
          <span className="slot-room" />
          {slots.map(({ start }, t) => (
            <span key={start} className={`slot-day small ${isMonday(t) ? "week" : ""}`}>
              {t === 0 || isMonday(t) ? dayAndMonth(start.slice(0, 10)) : ""}
            </span>
          ))}
        </div>
      </div>
    </div>
  );
}
