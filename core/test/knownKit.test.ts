import { describe, expect, it } from "vitest";
import {
  allotted,
  amountWords,
  type Booking,
  type BuyCrate,
  learnAmount,
  nextFreeStart,
  preparation,
  roomLacks,
  roomTwice,
  tasksOf,
  usualTimes,
} from "../src/index.ts";
import { unmetBy } from "../src/kit/buying/problem.ts";
import { commonRank } from "../src/kit/crate/serviceLevel.ts";
import { headsErrors } from "../src/kit/draws/heads.ts";

describe("an amount in words", () => {
  it.each([
    [1500, "mm", "metric", "1.5 m"],
    [500, "mm", "metric", "50 cm"],
    [1500, "mm", "imperial", "59.1 in"],
    [1500, "ml", "metric", "1.5 l"],
    [999, "ml", "metric", "999 ml"],
    [3.2, "piece", "metric", "4"],
    [3, "piece", "metric", "3"],
    [1500, "g", "metric", "1.5 kg"],
  ] as const)("%d of %s, %s: %s", (amount, unit, choice, words) => {
    expect(amountWords(amount, unit, choice).replace("\u00a0", " ")).toBe(words);
  });
});

describe("a room", () => {
  const hour = 3_600_000;
  const booking = (id: string, start: number, patch: Partial<Booking> = {}): Booking => ({
    id,
    words: id,
    roomId: "a",
    start: start * hour,
    minutes: 60,
    setUpMin: 0,
    tearDownMin: 0,
    cancelled: false,
    ...patch,
  });

  it("taken by several is told by the first of them, however they are listed", () => {
    const wish = booking("wish", 10, { minutes: 300 });
    const others = [
      booking("late", 13),
      booking("early", 11),
      booking("elsewhere", 10, { roomId: "b" }),
      booking("off", 10, { cancelled: true }),
    ];
    expect(roomTwice(wish, others).map((b) => b.id)).toEqual(["early", "late"]);
    expect(nextFreeStart(booking("wish", 11), others)).toBe(12 * hour);
  });

  it("lacks a level floor only on grass, a washable one anywhere but on a hard floor", () => {
    const room = { id: "a", name: "Room", lengthM: 10, widthM: 8, heightM: 3, seats: 40, water: true };
    const needs = {
      lengthM: 1,
      widthM: 1,
      heightM: 1,
      water: false,
      minutesPerTrial: 1,
      rigsPerAdult: 1,
      words: "",
      fill: [],
      seats: null,
    };
    const lacks = (floor: "hard" | "carpet" | "grass" | "other", wants: "level" | "washable" | "any"): number =>
      roomLacks({ ...room, floor }, { ...needs, floor: wants }, "metric").length;
    const floors = ["hard", "carpet", "grass", "other"] as const;
    expect(floors.map((floor) => lacks(floor, "level"))).toEqual([0, 0, 1, 0]);
    expect(floors.map((floor) => lacks(floor, "washable"))).toEqual([0, 1, 1, 1]);
    expect(floors.map((floor) => lacks(floor, "any"))).toEqual([0, 0, 0, 0]);
  });
});

describe("heads that can't be", () => {
  it.each([
    [{ model: "forecast", low: 0, likely: 5, high: 9 }, ["low"]],
    [{ model: "forecast", low: 6, likely: 5, high: 9 }, ["likely"]],
    [{ model: "learned", low: 5, likely: 8, high: 7, past: [] }, ["high"]],
    [{ model: "learned", low: 5, likely: 5, high: 5, past: [] }, []],
    [{ model: "signedUp", signedUp: 0, showRate: 1, walkIns: 0 }, []],
  ] as const)("%j is wrong at %j", (heads, fields) => {
    expect(Object.keys(headsErrors(heads))).toEqual(fields);
  });
});

describe("preparing", () => {
  const task = { task: "count" as const, setup: 0, batch: 1, each: 3600, units: 5 };
  it("begins on no day on which nobody works, and on none when there is nothing to do but the last", () => {
    const days = [
      { day: 1, people: 2, hours: 3 },
      { day: 2, people: 0, hours: 3 },
      { day: 3, people: 1, hours: 0 },
    ];
    expect(preparation([task], days)).toMatchObject({ personHours: 5, latestStart: 1, shortHours: 0 });
    expect(preparation([], days)).toMatchObject({ latestStart: 3, shortHours: 0 });
    expect(preparation([{ ...task, units: 8 }], days)).toMatchObject({ latestStart: null, shortHours: 2 });
  });

  it("counts and bags what is packed, not what comes from the house", () => {
    const line = (id: string, per: "builder" | "table") =>
      ({ id, per, kind: "counted", amount: 1, perRebuild: 0, spoilRate: 0, price: 0, onHand: 0 }) as const;
    const crate = {
      rebuilding: { buildBy: "builder", rate: 0, loops: 0 },
      lines: [line("card", "builder"), line("map", "table")],
    } as never;
    const manifest = { bags: 7, lines: ["card", "map"].map((id) => ({ id, quantity: 20, parents: null })) } as never;
    const tasks = (unpacked: readonly string[]) =>
      tasksOf({ crate, unpacked }, manifest, usualTimes).map((t) => [t.task, t.lineId, "units" in t ? t.units : null]);
    expect(tasks([])).toEqual([
      ["count", "card", 20],
      ["count", "map", 20],
      ["bag", null, 7],
    ]);
    // Nothing of a builder's own is left to bag.
    expect(tasks(["card"])).toEqual([["count", "map", 20]]);
  });
});

describe("crates one after the other", () => {
  const goggles = { id: "goggles", onHand: 10, reusable: true };
  const crate = (id: string, needBy: number, patch: Partial<BuyCrate> = {}): BuyCrate => ({
    id,
    needBy,
    needs: { goggles: 8 },
    losses: { goggles: 3 },
    ...patch,
  });

  it("share what comes back when one ends as the other begins, less what was lost; on the same day they do not", () => {
    const touching = [crate("one", 1, { out: { from: 0, to: 100 } }), crate("two", 1, { out: { from: 100, to: 200 } })];
    expect(allotted(goggles, touching).crates.map((p) => p.bought)).toEqual([0, 1]);
    const sameDay = [crate("one", 1), crate("two", 1)];
    // The first is served from what is there; the other finds two left.
    expect(allotted(goggles, sameDay).crates.map((p) => p.bought)).toEqual([0, 6]);
    const daysApart = [crate("one", 1), crate("two", 2)];
    expect(allotted(goggles, daysApart).crates.map((p) => p.bought)).toEqual([0, 1]);
  });

  it("are met when the packs that come in time are just enough", () => {
    const problem = {
      materials: [{ id: "card", onHand: 0 }],
      suppliers: [{ id: "s", lead: 2, fee: 0, freeFrom: null, least: 0 }],
      packs: [{ id: "p", material: "card", supplier: "s", size: 10, price: 1, max: 3 }],
      crates: [],
    };
    const unmet = (amount: number, needBy: number): number => unmetBy(problem, [{ material: "card", needBy, amount }]).length;
    expect([unmet(30, 2), unmet(31, 2), unmet(1, 1)]).toEqual([0, 1, 1]);
  });
});

describe("one point surer", () => {
  it("is a point up to 99 %, and half of what is left beyond", () => {
    const draws = Float64Array.from({ length: 1000 }, (_, i) => i + 1);
    const cost = (target: number): number => commonRank([{ id: "a", draws, step: 1, price: 1 }], target).costOfOnePointMore;
    expect([cost(0.9), cost(0.98), cost(0.99), cost(0.995)].map(Math.round)).toEqual([10, 10, 5, 3]);
  });
});

describe("what is learned of an amount", () => {
  it("stays what was planned while nothing was counted, and is never below nothing", () => {
    const { value, interval } = learnAmount({ amount: 4, perRebuild: 0, kind: "counted" } as never, []);
    expect(value).toBeCloseTo(4, 9);
    expect(interval[0]).toBeGreaterThanOrEqual(0);
    expect(interval[0] + interval[1]).toBeCloseTo(8, 9);
  });
});
