import { showQuantity, type UnitChoice } from "../quantity/show.ts";

/** What a room's floor is of. */
export const floors = ["hard", "carpet", "grass", "other"] as const;

/** A room with what it has. Lengths m; null where nobody measured. */
export interface Room {
  readonly id: string;
  readonly name: string;
  readonly lengthM: number | null;
  readonly widthM: number | null;
  readonly heightM: number | null;
  readonly seats: number;
  readonly water: boolean;
  readonly floor: (typeof floors)[number];
}

/** A booking is [start − set-up, end + tear-down) in instants, half open: touching is no clash. */
export interface Booking {
  readonly id: string;
  readonly words: string;
  readonly roomId: string;
  /** ms since 1970, UTC. */
  readonly start: number;
  readonly minutes: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
  readonly cancelled?: boolean | undefined;
}

/** What a session needs of its room; null: nothing asked. */
export interface RoomNeeds {
  readonly lengthM: number | null;
  readonly widthM: number | null;
  readonly heightM: number | null;
  readonly seats: number | null;
  readonly water: boolean;
  readonly floor: "any" | "level" | "washable";
}

/** A clash in words, with what would solve it. */
export interface Clash {
  readonly kind: "room twice" | "room lacks" | "closed";
  readonly words: string;
  readonly solve: string;
  readonly with?: string | undefined;
}

/** First and last instant (exclusive) of a booking. */
export function bookedSpan(booking: Pick<Booking, "start" | "minutes" | "setUpMin" | "tearDownMin">): readonly [from: number, to: number] {
  const minute = 60_000;
  return [booking.start - booking.setUpMin * minute, booking.start + (booking.minutes + booking.tearDownMin) * minute];
}

/** Other bookings of the same room that overlap this one, earliest first. */
export function roomTwice(booking: Booking, others: readonly Booking[]): readonly Booking[] {
  const [from, to] = bookedSpan(booking);
  return others
    .filter((other) => {
      if (other.id === booking.id || other.cancelled || booking.cancelled || other.roomId !== booking.roomId) return false;
      const [otherFrom, otherTo] = bookedSpan(other);
      return from < otherTo && otherFrom < to;
    })
    .sort((a, b) => a.start - b.start);
}

/** Rooms, out of these, that are free for the booking. */
export function freeRooms(booking: Booking, rooms: readonly Room[], others: readonly Booking[]): readonly Room[] {
  return rooms.filter((room) => roomTwice({ ...booking, roomId: room.id }, others).length === 0);
}

/** First start, at or after the one wished, at which the room is free; looks through what is booked, so there always is one. */
export function nextFreeStart(booking: Booking, others: readonly Booking[]): number {
  const minute = 60_000;
  let start = booking.start;
  for (;;) {
    const [first] = roomTwice({ ...booking, start }, others);
    if (!first) return start;
    start = bookedSpan(first)[1] + booking.setUpMin * minute;
  }
}

const floorWords: Readonly<Record<Room["floor"], string>> = {
  hard: "stone or wood",
  carpet: "carpet",
  grass: "grass",
  other: "another kind",
};

/** What the room lacks of the needs, one clash a need, in the units asked. */
export function roomLacks(room: Room, needs: RoomNeeds, units: UnitChoice = "metric"): readonly Clash[] {
  const show = (metres: number): string => showQuantity(metres, "length", units);
  const clashes: Clash[] = [];
  const lacks = (words: string, solve: string): void => {
    clashes.push({ kind: "room lacks", words, solve });
  };
  for (const [key, word] of [
    ["lengthM", "long"],
    ["widthM", "wide"],
    ["heightM", "high"],
  ] as const) {
    const [need, has] = [needs[key], room[key]];
    if (need !== null && has !== null && need > has + 1e-9) {
      lacks(
        `${room.name} is ${show(has)} ${word}; this brief needs ${show(need)}.`,
        key === "heightM" ? "Take a higher room or lower the drop." : "Take a larger room or fewer rigs side by side.",
      );
    }
  }
  if (needs.seats !== null && needs.seats > room.seats)
    lacks(`${room.name} seats ${room.seats}; ${needs.seats} are likely to be there at once.`, "Take a larger room or limit the places.");
  if (needs.floor === "washable" && room.floor !== "hard")
    lacks(
      `${room.name} has a floor of ${floorWords[room.floor]}; this brief needs one that can be wiped.`,
      "Take a room with a hard floor, or lay sheets under the rigs and say so here.",
    );
  if (needs.floor === "level" && room.floor === "grass")
    lacks(`${room.name} has a floor of grass; this brief needs a level one.`, "Take a room with a hard floor, or bring boards.");
  if (needs.water && !room.water) lacks(`${room.name} has no water.`, "Take a room with water, or carry tubs and say so here.");
  return clashes;
}
