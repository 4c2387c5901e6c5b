import type { ClosureDoc, RoomDoc } from "@lampcrate/contract";
import { addDays, type Booking, bookedSpan, dateOf, mondayOf } from "@lampcrate/core";
import { useState } from "react";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { clockOf } from "./clockOf.ts";
import "./weekBoard.css";
import { Button } from "../pieces/Button.tsx";
import { Open } from "../pieces/Lock.tsx";

interface WeekBoardProps {
  readonly rooms: readonly RoomDoc[];
  readonly bookings: readonly Booking[];
  readonly closures: readonly ClosureDoc[];
  readonly zone: string;
  /** Sessions of the run at hand. */
  readonly ours: readonly string[];
  /** The day whose week is shown first; today's when null. */
  readonly nearest: string | null;
}

/** Which room is taken when, one week at a time, set-up and tear-down included. */
export function WeekBoard({ rooms, bookings, closures, zone, ours, nearest }: WeekBoardProps) {
  const { today, day: said } = useHouseDay();
  const [shift, setShift] = useState(0);
  const day = nearest ?? today;
  const monday = addDays(mondayOf(day), 7 * shift);
  const week = Array.from({ length: 7 }, (_, i) => addDays(monday, i));
  if (rooms.length === 0) return null;
  return (
    <section className="sheet pad stack" aria-label="Rooms this week">
      <div className="row spread">
        <h2>Rooms, week of {said(monday)}</h2>
        <Open>
          <div className="row">
            <Button onClick={() => setShift(shift - 1)}>week before</Button>
            <Button onClick={() => setShift(shift + 1)}>week after</Button>
          </div>
        </Open>
      </div>
      <table className="board">
        <thead>
          <tr>
            <th scope="col">Room</th>
            {week.map((date) => (
              <th key={date} scope="col">
                {said(date)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rooms.map((room) => (
            <tr key={room.id}>
              <th scope="row">{room.name}</th>
              {week.map((date) => {
                const shut = closures.find((c) => c.from <= date && date <= c.to);
                return (
                  <td key={date} className={shut ? "shut" : ""}>
                    {shut ? <span className="soft">closed</span> : null}
                    {bookings
                      .filter((b) => b.roomId === room.id && dateOf(b.start, zone) === date)
                      .map((booking) => {
                        const [from, to] = bookedSpan(booking);
                        return (
                          <span key={booking.id} className={ours.includes(booking.id) ? "booked ours" : "booked"}>
                            {clockOf(from, zone)}–{clockOf(to, zone)} {booking.words}
                          </span>
                        );
                      })}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
