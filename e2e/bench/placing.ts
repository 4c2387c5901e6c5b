import { type HeldHouse, type PlaceAsked, placeSteps, seedOf, uniformAt, usualRules, wantedPlacing } from "@lampcrate/core";
import { solver } from "./solver.ts";

const seed = seedOf("placing to be timed", "1");

/** A made-up house of 6 rooms and 10 people, some away now and then; the same at every run. */
function houseOf(u: () => number, from: readonly string[]): HeldHouse {
  const rooms = [40, 32, 24, 24, 16, 12].map((seats, i) => ({
    ...{ id: `room-${i}`, name: `Room ${i + 1}`, lengthM: 6 + 2 * (i % 3), widthM: 5, heightM: 3, seats },
    ...{ water: i % 2 === 0, floor: i === 4 ? ("carpet" as const) : ("hard" as const) },
  }));
  const people = Array.from({ length: 10 }, (_, i) => ({
    id: `person-${i}`,
    name: `Person ${i + 1}`,
    weekHours: null,
    away: from.filter(() => u() < 0.25).map((day) => ({ from: `${day}T00:00`, to: `${day}T23:59`, why: "" })),
  }));
  return { zone: "Europe/Zurich", rooms, closures: [], people, rules: usualRules, rigs: [] };
}

/** 40 sessions, ten series of four, in 8 weeks of five slots. */
export function placingOf(): ReturnType<typeof wantedPlacing> {
  let drawn = 0;
  const u = (): number => {
    drawn += 1;
    return uniformAt(seed, drawn);
  };
  const days = ["2026-12-05", "2026-12-12", "2026-12-19", "2027-01-09", "2027-01-16"];
  const house = houseOf(u, days);
  const asked: PlaceAsked = {
    from: "2026-11-30",
    to: "2027-01-24",
    slots: [
      { weekdays: [3], start: "15:30", end: "17:30" },
      { weekdays: [6], start: "10:00", end: "12:00" },
      { weekdays: [6, 7], start: "14:00", end: "16:00" },
      { weekdays: [7], start: "10:30", end: "12:00" },
    ],
    wanted: Array.from({ length: 10 }, (_, i) => ({
      ...{ runId: `run-${i}`, title: `Run ${i + 1}`, count: 4, minutes: u() < 0.5 ? 90 : 120, setUpMin: 30, tearDownMin: 30 },
      needs: {
        ...{ lengthM: u() < 0.5 ? 8 : null, widthM: null, heightM: null, seats: [12, 16, 24][Math.floor(3 * u())] ?? 12 },
        ...{ water: u() < 0.3, floor: "any" as const },
      },
      ...{ people: 2, after: null, inOrder: true, leastDays: 5, mostDays: 15, oneRoom: false },
      ...{ likesRoom: `room-${Math.floor(6 * u())}`, likesPerson: `person-${Math.floor(10 * u())}` },
    })),
    ...{ mostEach: 12, pins: [], given: [] },
  };
  return wantedPlacing(asked, house, []);
}

/** How long a plan of 40 sessions in 6 rooms with 10 people over 8 weeks takes to be proven, median of three; s. */
export async function benchPlacing(): Promise<{ readonly provenS: number; readonly proven: boolean; readonly wishes: number }> {
  const solve = await solver();
  const { placing } = placingOf();
  const runs = Array.from({ length: 3 }, () => {
    const from = performance.now();
    const search = placeSteps(placing, solve);
    let step = search.next();
    while (!step.done) step = search.next();
    return { s: (performance.now() - from) / 1000, got: step.value };
  }).sort((a, b) => a.s - b.s);
  const got = runs[1]?.got;
  return { provenS: runs[1]?.s ?? 0, proven: got?.possible === true && got.proven, wishes: got?.possible ? got.wishes : 0 };
}
