import { bookedSpan, freeRooms, nextFreeStart, type Room, roomLacks } from "./clashes.ts";
import type { HouseClash } from "./houseClashes.ts";
import { bookingOf, type HeldHouse, type HeldRun, type HeldSession } from "./plannedHouse.ts";
import { instantOf, wallOf } from "./wallClock.ts";

interface Held {
  readonly sessions: readonly HeldSession[];
  readonly runs: readonly HeldRun[];
  readonly house: HeldHouse;
}

/** A change to a session that would solve a clash. */
export type WayOut = { readonly session: string; readonly words: string } & (
  | { readonly roomId: string }
  | { readonly start: string }
  | { readonly person: string; readonly instead: string | null }
);

/** Rooms that are free for a session at its time, but its own. */
function otherRooms(id: string, { sessions, house }: Held): readonly Room[] {
  const session = sessions.find((one) => one.id === id);
  if (!session) return [];
  const others = sessions.filter((one) => one.id !== id).map(bookingOf);
  return freeRooms(bookingOf(session), house.rooms, others).filter((room) => room.id !== session.roomId);
}

/** Free rooms in words, such as "Loft and Library are"; "" where there is none. */
export function freeRoomWords(id: string, held: Held): string {
  const names = otherRooms(id, held).map(({ name }) => name);
  if (names.length === 0) return "";
  return names.length === 1 ? `${names[0]} is` : `${names.slice(0, -1).join(", ")} and ${names.at(-1)} are`;
}

const mostWays = 3;

/** Free rooms that lack nothing of what a session asks. */
export function roomsThatFit(id: string, held: Held): readonly WayOut[] {
  const asks = held.sessions.find((one) => one.id === id)?.asks.room;
  return otherRooms(id, held)
    .filter((room) => asks && roomLacks(room, asks).length === 0)
    .slice(0, mostWays)
    .map((room) => ({ session: id, words: `Take ${room.name}`, roomId: room.id }));
}

/** What would solve a clash at one press. */
export function waysOut(clash: HouseClash, held: Held & { readonly only?: readonly string[] | undefined }): readonly WayOut[] {
  const last = clash.sessions.at(-1) ?? "";
  const id = held.only?.find((one) => clash.sessions.includes(one)) ?? last;
  const name = (person: string): string => held.house.people.find((one) => one.id === person)?.name ?? "";
  switch (clash.kind) {
    case "room twice": {
      const start = wallOf(nextRoomStart(id, held), held.house.zone);
      return [...roomsThatFit(id, held), { session: id, words: `Start at ${start.slice(11)}`, start }];
    }
    case "adults too few":
      return freePeople(id, held)
        .slice(0, mostWays)
        .map((person) => ({ session: id, words: `Put ${name(person)} on it`, person, instead: null }));
    case "person twice":
    case "person away":
    case "over hours":
      return freePeople(id, held)
        .slice(0, mostWays)
        .map((person) => ({ session: id, words: `${name(person)} instead`, person, instead: clash.person }));
    default:
      return [];
  }
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
