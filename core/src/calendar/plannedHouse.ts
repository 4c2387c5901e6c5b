import type { FamilyId } from "../family/familyIds.ts";
import type { Booking, Room } from "./clashes.ts";
import type { HousePlan, PlannedSession } from "./houseClashes.ts";
import type { HouseRules } from "./houseRules.ts";
import type { RunKind, SessionKind } from "./runKinds.ts";
import type { SessionAsks } from "./sessionAsks.ts";
import { instantOf } from "./wallClock.ts";

/** A session as a house's calendar holds it. Instants in ms since 1970, UTC. */
export interface HeldSession {
  readonly id: string;
  readonly runId: string;
  readonly title: string;
  readonly startAt: number;
  readonly minutes: number;
  readonly setUpMin: number;
  readonly tearDownMin: number;
  readonly roomId: string | null;
  readonly people: readonly string[];
  readonly part: number | null;
  readonly cancelled: boolean;
  readonly kind: SessionKind;
  readonly asks: SessionAsks;
}

/** Sessions never change in place: each is made a booking once, however many are held against it. */
const bookings = new WeakMap<HeldSession, Booking>();

/** A session as a booking; one that takes no room has "" for its. */
export function bookingOf(session: HeldSession): Booking {
  const known = bookings.get(session);
  if (known) return known;
  const { id, title: words, startAt: start, minutes, setUpMin, tearDownMin, roomId, cancelled } = session;
  const booking = { id, words, start, minutes, setUpMin, tearDownMin, roomId: roomId ?? "", cancelled };
  bookings.set(session, booking);
  return booking;
}

export interface HeldRun {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly family: FamilyId;
  readonly closesOn: string | null;
  readonly series: { readonly leastDays: number | null; readonly mostDays: number | null } | null;
}

/** A house, as far as its calendar goes. */
export interface HeldHouse {
  readonly zone: string;
  readonly rooms: readonly Room[];
  readonly closures: readonly { readonly from: string; readonly to: string; readonly why: string }[];
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly weekHours: number | null;
    readonly away: readonly { readonly from: string; readonly to: string; readonly why: string }[];
  }[];
  readonly rules: HouseRules;
  readonly rigs: readonly { readonly family: FamilyId; readonly owned: number }[];
}

/**
 * A house's sessions as they are held against one another. What a room lacks is told apart (`roomLacks`). Adults are
 * counted once the house has people; at home nobody is counted, for families have their own.
 * @param slackOf Slack of the most pressing step of a session's crate that isn't done, working days; null: none waits.
 */
export function plannedHouse(
  sessions: readonly HeldSession[],
  runs: readonly HeldRun[],
  house: HeldHouse,
  slackOf: (session: string) => number | null = () => null,
): { readonly sessions: readonly PlannedSession[]; readonly plan: HousePlan } {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const planned = sessions.map((session): PlannedSession => {
    const run = runOf.get(session.runId);
    const isBuiltHere = session.kind === "as the run" && run?.kind !== "at-home";
    const isCounted = house.people.length > 0 && (isBuiltHere || session.kind !== "as the run");
    const { id, asks, startAt, minutes, setUpMin, tearDownMin, roomId, people, cancelled } = session;
    return {
      id,
      start: startAt,
      minutes,
      setUpMin,
      tearDownMin,
      roomId,
      people,
      cancelled,
      needs: null,
      children: isCounted && isBuiltHere ? { [asks.band]: asks.children } : null,
      adults: isCounted ? asks.adults : 0,
      uses: run && asks.rigs > 0 ? { [run.family]: asks.rigs } : {},
      crateSlack: slackOf(session.id),
    };
  });
  const partsOf = (run: string): readonly string[] =>
    sessions
      .filter((session) => session.runId === run && session.part !== null && !session.cancelled)
      .sort((a, b) => (a.part ?? 0) - (b.part ?? 0))
      .map(({ id }) => id);
  const plan: HousePlan = {
    zone: house.zone,
    rooms: {},
    people: Object.fromEntries(
      house.people.map(({ id, weekHours, away }) => [
        id,
        {
          weekMinutes: weekHours === null ? null : weekHours * 60,
          away: away.map(({ from, to }) => [instantOf(from, house.zone) ?? 0, instantOf(to, house.zone) ?? 0] as const),
        },
      ]),
    ),
    shared: Object.fromEntries(house.rigs.map(({ family, owned }) => [family, owned])),
    closures: house.closures,
    leastAdults: house.rules.leastAdults,
    childrenPerAdult: house.rules.childrenPerAdult,
    breakMinutes: house.rules.breakMinutes,
    breakAfterMinutes: house.rules.breakAfterMinutes,
    series: runs.map(({ id, series }) => ({
      order: partsOf(id),
      leastDays: series?.leastDays ?? null,
      mostDays: series?.mostDays ?? null,
    })),
    runs: runs.map(({ id, closesOn }) => ({
      closes: closesOn,
      sessions: sessions.filter(({ runId }) => runId === id).map((session) => session.id),
    })),
  };
  return { sessions: planned, plan };
}
