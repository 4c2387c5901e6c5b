import type { CalendarDoc, CalendarRun, HouseDoc } from "@lampcrate/contract";
import { addDays, adultsNeeded, type Pin, type PlaceAsked, type SlotRule, type Wanted, weekdayOf } from "@lampcrate/core";

/** Sessions of a run that are wanted, as typed. */
export interface TypedWanted {
  readonly runId: string;
  readonly count: number;
  readonly minutes: number;
  readonly people: number;
  readonly inOrder: boolean;
  readonly leastDays: number | null;
  readonly mostDays: number | null;
  readonly oneRoom: boolean;
  readonly likesRoom: string | null;
  readonly likesPerson: string | null;
}

/** What is asked, as typed. */
export interface Typed {
  readonly from: string;
  readonly to: string;
  readonly slots: readonly (SlotRule & { readonly id: string })[];
  readonly wanted: readonly TypedWanted[];
  readonly mostEach: number | null;
}

const weeksAhead = 8;

/** Where asking starts: from next Monday, on Saturdays; nothing wanted yet. */
export function startOf(today: string): Typed {
  const monday = addDays(today, 8 - weekdayOf(today));
  return {
    from: monday,
    to: addDays(monday, weeksAhead * 7 - 1),
    slots: [
      { id: "morning", weekdays: [6], start: "10:00", end: "12:00" },
      { id: "afternoon", weekdays: [6], start: "14:00", end: "16:00" },
    ],
    wanted: [],
    mostEach: null,
  };
}

/** Runs that sessions can be wanted of: those not wanted yet whose entries are still open on the first day asked for. */
export function placeable<R extends Pick<CalendarRun, "id" | "closesOn">>(
  runs: readonly R[],
  { from, wanted }: Pick<Typed, "from" | "wanted">,
): readonly R[] {
  return runs.filter(({ id, closesOn }) => (closesOn === null || closesOn >= from) && !wanted.some(({ runId }) => runId === id));
}

/** One more run's sessions: as many people as its children and rigs need, in order where it is a series. */
export function wantedOf(run: CalendarRun, house: HouseDoc): TypedWanted {
  const { asks, minutes } = run.next;
  const adults = adultsNeeded({ children: { [asks.band]: asks.children }, adults: asks.adults }, house.rules);
  const isSeries = run.kind === "series";
  return {
    runId: run.id,
    count: isSeries ? 3 : 2,
    minutes,
    people: Math.min(adults, house.people.length),
    inOrder: isSeries,
    leastDays: isSeries ? (run.series?.leastDays ?? 1) : null,
    mostDays: isSeries ? (run.series?.mostDays ?? null) : null,
    oneRoom: isSeries,
    likesRoom: null,
    likesPerson: null,
  };
}

/** What is typed, as it is placed. Runs that are gone meanwhile are left out. */
export function askedOf(
  { slots, wanted, ...typed }: Typed,
  { runs, sessions }: CalendarDoc,
  { pins, given }: { readonly pins: readonly Pin[]; readonly given: readonly string[] },
): PlaceAsked {
  return {
    ...typed,
    slots: slots.map(({ weekdays, start, end }) => ({ weekdays, start, end })),
    wanted: wanted.flatMap((one): readonly Wanted[] => {
      const run = runs.find(({ id }) => id === one.runId);
      if (!run) return [];
      const { setUpMin, tearDownMin, asks } = run.next;
      const last = sessions
        .filter(({ runId, cancelled, part }) => runId === run.id && !cancelled && part !== null)
        .sort((a, b) => (a.part ?? 0) - (b.part ?? 0))
        .at(-1);
      const after = one.inOrder && last ? { part: last.part ?? 0, endAt: last.endAt } : null;
      return [{ ...one, title: run.title, setUpMin, tearDownMin, needs: asks.room, after }];
    }),
    pins,
    given,
  };
}
