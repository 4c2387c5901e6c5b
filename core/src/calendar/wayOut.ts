import { type Booking, bookedSpan, freeRooms, nextFreeStart } from "./clashes.ts";
import type { HeldHouse, HeldRun, HeldSession } from "./plannedHouse.ts";
import { instantOf } from "./wallClock.ts";

interface Held {
  readonly sessions: readonly HeldSession[];
  readonly runs: readonly HeldRun[];
  readonly house: HeldHouse;
}

const bookingOf = ({ startAt, roomId, ...rest }: HeldSession): Booking => ({
  ...rest,
  words: rest.title,
  start: startAt,
  roomId: roomId ?? "",
});

/** Rooms that are free for a session at its time, its own left out, such as "Loft and Library are"; "" where none is. */
export function freeRoomWords(id: string, { sessions, house }: Held): string {
  const session = sessions.find((one) => one.id === id);
  if (!session) return "";
  const others = sessions.filter((one) => one.id !== id).map(bookingOf);
  const names = freeRooms(bookingOf(session), house.rooms, others)
    .filter((room) => room.id !== session.roomId)
    .map(({ name }) => name);
  if (names.length === 0) return "";
  return names.length === 1 ? `${names[0]} is` : `${names.slice(0, -1).join(", ")} and ${names.at(-1)} are`;
}

/** The first start, at or after its own, at which a session's room is free; ms since 1970. */
export function nextRoomStart(id: string, { sessions }: Held): number {
  const session = sessions.find((one) => one.id === id);
  if (!session) return 0;
  return nextFreeStart(bookingOf(session), sessions.filter((one) => one.id !== id).map(bookingOf));
}

/** People of the house who are neither on a session, nor on another at that time, nor away. */
export function freePeople(id: string, { sessions, house }: Held): readonly string[] {
  const session = sessions.find((one) => one.id === id);
  if (!session) return [];
  const [from, to] = bookedSpan(bookingOf(session));
  const meets = (a: number, b: number): boolean => from < b && a < to;
  const busy = new Set(
    sessions
      .filter((one) => one.id !== id && !one.cancelled)
      .filter((one) => meets(...bookedSpan(bookingOf(one))))
      .flatMap(({ people }) => people),
  );
  return house.people
    .filter((person) => !session.people.includes(person.id) && !busy.has(person.id))
    .filter(({ away }) => !away.some((time) => meets(instantOf(time.from, house.zone) ?? 0, instantOf(time.to, house.zone) ?? 0)))
    .map((person) => person.id);
}
