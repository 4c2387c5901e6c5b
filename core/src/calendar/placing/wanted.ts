import { bookedSpan } from "../clashes.ts";
import { bookingOf, type HeldHouse, type HeldSession } from "../plannedHouse.ts";
import { daysBetween } from "../wallClock.ts";
import { aboutPeople, aboutPin, aboutSeries, aboutSession, meeting, type ToldDemand } from "./demands.ts";
import type { Placing } from "./placing.ts";
import { type PlaceAsked, type Slot, slotsOf, type Wanted } from "./slots.ts";

/** A session that is wanted. */
export interface WantedSession {
  readonly id: string;
  readonly wanted: Wanted;
  /** From 1, within its run. */
  readonly number: number;
  readonly words: string;
}

/** A placing with its slots, its sessions, and its demands in words. */
export interface WantedPlacing {
  readonly placing: Placing;
  readonly slots: readonly Slot[];
  readonly sessions: readonly WantedSession[];
  /** Every demand, those given up as well. */
  readonly demands: readonly ToldDemand[];
}

/**
 * What is wanted as a placing. Rooms and people are taken at a slot where a session that stands would meet the longest of
 * those wanted, set-up and tear-down and all; that never gives. Everything else is a demand, with words of its own.
 */
export function wantedPlacing(asked: PlaceAsked, house: HeldHouse, standing: readonly HeldSession[]): WantedPlacing {
  const slots = slotsOf(asked, house);
  const at = { slots, house };
  const sessions = asked.wanted.flatMap((wanted) =>
    Array.from({ length: wanted.count }, (_, i): WantedSession => {
      const words = wanted.count === 1 ? wanted.title : `${wanted.title} ${i + 1} of ${wanted.count}`;
      return { id: `${wanted.runId} ${i + 1}`, wanted, number: i + 1, words };
    }),
  );
  const demands = [
    ...asked.wanted.flatMap((wanted) => [
      ...sessions.filter((one) => one.wanted === wanted).flatMap(({ id, words }) => aboutSession(id, words, wanted, at)),
      ...aboutSeries(wanted),
    ]),
    ...aboutPeople(asked, at),
    ...asked.pins.flatMap((pin) => {
      const found = sessions.find(({ id }) => id === pin.session);
      return found ? aboutPin(pin, found.words, found.wanted.title, at) : [];
    }),
  ];
  const placing: Placing = {
    slots: slots.length,
    sessions: sessions.map(({ id }) => id),
    rooms: house.rooms.map(({ id }) => id),
    people: house.people.map(({ id }) => id),
    demands: demands.map(({ demand }) => demand).filter(({ id }) => !asked.given.includes(id)),
    wishes: sessions.flatMap(({ id, wanted: { likesRoom, likesPerson } }) => [
      ...(likesRoom === null ? [] : [{ session: id, room: likesRoom, weight: 1 }]),
      ...(likesPerson === null ? [] : [{ session: id, person: likesPerson, weight: 1 }]),
    ]),
    gapAt: slots.map(({ start }) => daysBetween(asked.from, start.slice(0, 10))),
    taken: takenAt(slots, asked.wanted, standing),
  };
  return { placing, slots, sessions, demands };
}

/** Slots at which rooms and people are taken by what stands already. */
function takenAt(
  slots: readonly Slot[],
  wanted: readonly Wanted[],
  standing: readonly HeldSession[],
): Readonly<Record<string, readonly number[]>> {
  const meets = meeting(wanted);
  const taken = new Map<string, number[]>();
  for (const session of standing) {
    if (session.cancelled) continue;
    const [from, to] = bookedSpan(bookingOf(session));
    const met = slots.flatMap((slot, t) => (meets(slot, from, to) ? [t] : []));
    for (const id of [...(session.roomId === null ? [] : [session.roomId]), ...session.people])
      taken.set(id, [...(taken.get(id) ?? []), ...met]);
  }
  return Object.fromEntries(taken);
}
