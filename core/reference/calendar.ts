import { houseClashes, type PlannedSession, usualHouse } from "../src/calendar/houseClashes.ts";
import { place } from "../src/calendar/placing/place.ts";
import { repeated } from "../src/calendar/repeats.ts";
import { type BackStep, backPlan, type ForwardInput, forwardPlan, instantOf, type WorkingDays } from "../src/index.ts";

interface BackPlanCase extends Pick<Partial<WorkingDays>, "closures"> {
  readonly session: string;
  readonly today: string;
  readonly workingDays: readonly string[];
  readonly steps: readonly BackStep[];
  readonly forward?: ForwardInput;
}

import { solve } from "./highs.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

/** A clash case's sessions and house as the core has them. */
function clashesOf({
  zone,
  sessions,
  rooms = {},
  people = {},
  shared = {},
  closures = [],
  series = [],
  runs = [],
  house = {},
  crateReady = {},
}: Input) {
  const at = (wall: string): number => instantOf(wall, zone) ?? Number.NaN;
  const planned = sessions.map(
    (s: Input): PlannedSession => ({
      id: s.id,
      start: at(s.start),
      minutes: s.minutes,
      setUpMin: s.setUp ?? 0,
      tearDownMin: s.tearDown ?? 0,
      roomId: s.room ?? null,
      people: s.people ?? [],
      cancelled: s.status === "cancelled",
      needs: s.needs ?? null,
      children: s.children ?? null,
      adults: 0,
      uses: s.uses ?? {},
      crateSlack: crateReady[s.id]?.slack ?? null,
    }),
  );
  return houseClashes(planned, {
    ...usualHouse,
    ...house,
    childrenPerAdult: house.childrenPerAdult ?? {},
    zone,
    rooms,
    shared,
    closures,
    series,
    runs,
    people: Object.fromEntries(
      Object.entries(people).map(([name, { away = [], weekMinutes = null }]: [string, Input]) => [
        name,
        { weekMinutes, away: away.map(({ from, to }: Input) => [at(from), at(to)]) },
      ]),
    ),
  });
}

const letters = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"];

/** Quantities of the calendar's file that are built. */
export const calendar: Readonly<Record<string, (input: Input) => unknown>> = {
  placing: (input: Input) => {
    const found = place({ wishes: [], ...input }, solve);
    return found.possible
      ? { possible: true, wishes: found.wishes, sumOfSlots: found.sumOfSlots }
      : { possible: false, mustGive: sorted(found.mustGive.map((set) => sorted(set))), conflicts: [sorted(found.conflict)] };
  },
  recurrence: (input: Input) => {
    const found = repeated(input);
    const iso = (at: number): string => new Date(at).toISOString().replace(".000Z", "Z");
    return found.ok ? found.occurrences.map(({ start, end, local }) => ({ start: iso(start), end: iso(end), local })) : found;
  },
  clashes: (input: Input) => sorted(clashesOf(input)),
  "back-plan": ({ session, today, workingDays, closures = [], steps, forward }: BackPlanCase) => {
    const days = { weekdays: workingDays.map((letter) => letters.indexOf(letter) + 1), closures };
    const plan = backPlan(session, today, steps, days);
    return {
      steps: Object.fromEntries(plan.steps.map(({ id, ...dates }) => [id, dates])),
      thisWeek: plan.thisWeek,
      ...(forward ? { forward: forwardPlan(forward, days) } : {}),
    };
  },
};

/** The reference's lists are in any order: by their words, as theirs are written. */
function sorted(clashes: readonly unknown[]): readonly unknown[] {
  return [...clashes].sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
}
