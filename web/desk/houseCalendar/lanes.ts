import type { CalendarSession, HouseDoc } from "@lampcrate/contract";
import { minutesOfDay } from "@lampcrate/core";

/** What a day's lanes are by. */
export const bys = ["room", "person"] as const;
export type By = (typeof bys)[number];

/** A room, or a person; `none`: sessions without. */
export interface Row {
  readonly id: string;
  readonly name: string;
}

export const none = "none";

/** The lanes of every day: rooms or people of the house, and what has none. */
export function rowsOf(by: By, house: Pick<HouseDoc, "rooms" | "people">): readonly Row[] {
  const all = by === "room" ? house.rooms : house.people;
  return [...all.map(({ id, name }) => ({ id, name })), { id: none, name: by === "room" ? "No room" : "Nobody yet" }];
}

/** Rows that a session stands in. */
export function rowsIn(by: By, session: Pick<CalendarSession, "roomId" | "people">): readonly string[] {
  if (by === "room") return [session.roomId ?? none];
  return session.people.length === 0 ? [none] : session.people;
}

/** A session in a lane: minutes from midnight, of the booking and of the session; how many others it lies above. */
export interface LaneBar {
  readonly session: CalendarSession;
  readonly from: number;
  readonly start: number;
  readonly end: number;
  readonly to: number;
  readonly level: number;
}

/** The bars of a lane, each on the first level where nothing is in its way. */
export function barsOf(sessions: readonly CalendarSession[]): readonly LaneBar[] {
  const ends: number[] = [];
  return [...sessions]
    .sort((a, b) => a.startAt - b.startAt)
    .map((session) => {
      const start = minutesOfDay(session.start);
      const [from, end] = [start - session.setUpMin, start + session.minutes];
      const to = end + session.tearDownMin;
      const free = ends.findIndex((until) => until <= from);
      const level = free === -1 ? ends.length : free;
      ends[level] = to;
      return { session, from, start, end, to, level };
    });
}

/** First and last hour of the rulers: those of an ordinary day, or more where sessions need it. */
export function hoursOf(
  sessions: readonly Pick<CalendarSession, "start" | "setUpMin" | "minutes" | "tearDownMin">[],
): readonly [number, number] {
  const [first, last] = [8, 20];
  const from = sessions.map(({ start, setUpMin }) => Math.floor((minutesOfDay(start) - setUpMin) / 60));
  const to = sessions.map(({ start, minutes, tearDownMin }) => Math.ceil((minutesOfDay(start) + minutes + tearDownMin) / 60));
  return [Math.max(0, Math.min(first, ...from)), Math.min(24, Math.max(last, ...to))];
}
