import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  checkResult,
  type DropIn,
  dayFromPast,
  dropInErrors,
  type FloorForecast,
  families,
  floorDayOf,
  floorNow,
  kitsAhead,
  lineWaits,
  startValues,
  type Tap,
  type TapBody,
  type TestRoom,
  testMinutes,
  usualDay,
} from "../src/index.ts";

const minute = 60_000;
let count = 0;
const nextId = () => {
  count += 1;
  return `tap-${String(count).padStart(4, "0")}`;
};
const tap = (min: number, body: TapBody, by = "A", id = nextId()): Tap => ({
  id,
  at: min * minute,
  by,
  body,
});
const result = (unit: string, value: number): TapBody => ({ kind: "result", unit, raw: `${value}`, value, outcome: "number" });

describe("a result of the floor", () => {
  const family = families.descent;
  const brief = { spec: startValues(family.spec), design: startValues(family.design) };

  it("is asked about as an entry's is from home, with the slip that may have been made", () => {
    expect(checkResult(family, brief, { raw: "1.4 s", outcome: "number" }, null)).toEqual({ flag: null, offers: [] });
    const slip = checkResult(family, brief, { raw: "14 s", outcome: "number" }, null);
    expect(slip.flag).toBe("impossible");
    expect(slip.offers.map(({ value }) => value.toFixed(6))).toContain("1.400000");
  });

  it("can't be beyond the longest line of its room, nor above its ceiling; where a size isn't known nothing is said of it", () => {
    const flagOf = (id: "tall" | "launch-band", raw: string, room: TestRoom | null) => {
      const one = families[id];
      return checkResult(one, { spec: startValues(one.spec), design: startValues(one.design) }, { raw, outcome: "number" }, room).flag;
    };
    const small = { roomLengthM: 3, ceilingM: 0.5 };
    expect([flagOf("tall", "0.8 m", small), flagOf("tall", "0.8 m", { roomLengthM: 3 }), flagOf("tall", "0.8 m", null)]).toEqual([
      "impossible",
      null,
      null,
    ]);
    expect([
      flagOf("launch-band", "4 m", small),
      flagOf("launch-band", "4 m", { ceilingM: 0.5 }),
      flagOf("launch-band", "2.5 m", small),
    ]).toEqual(["impossible", null, null]);
  });

  it("without a number, or that can't be read, is never flagged", () => {
    for (const [raw, outcome] of [
      ["14 s", "failed"],
      ["14 s", "rung"],
      ["", "passed"],
      ["far", "number"],
    ] as const)
      expect(checkResult(family, brief, { raw, outcome }, null)).toEqual({ flag: null, offers: [] });
  });
});

describe("a floor from its taps", () => {
  it("a team takes a kit a party, builders one each; labels name tablet, party and place", () => {
    const taps = [tap(0, { kind: "in", heads: 3, number: 1 }), tap(1, { kind: "in", heads: 1, number: 1 }, "B")];
    const [teams, builders] = [floorNow(taps, "team"), floorNow(taps, "builder")];
    expect([teams.parties, teams.heads, teams.kitsUsed, builders.kitsUsed]).toEqual([2, 4, 2, 4]);
    expect(teams.units.map(({ label, heads }) => `${label} ${heads}`)).toEqual(["A1 3", "B1 1"]);
    expect(builders.units.map(({ label }) => label)).toEqual(["A1.1", "A1.2", "A1.3", "B1"]);
  });

  it("goes from building by the line and a rig to a result, and builds again without another kit", () => {
    const [first, second] = [tap(0, { kind: "in", heads: 2, number: 1 }), tap(1, { kind: "in", heads: 2, number: 2 })];
    const taps = [
      first,
      second,
      tap(10, { kind: "line", unit: second.id }),
      tap(11, { kind: "line", unit: first.id }),
      tap(14, { kind: "rig", unit: second.id, rig: 0 }),
      tap(17, result(second.id, 0.4)),
      tap(18, { kind: "again", unit: second.id }),
      tap(19, { kind: "photo", unit: second.id, yes: true }),
    ];
    const floor = floorNow(taps, "team");
    expect(floor.line.map(({ label }) => label)).toEqual(["A1"]);
    expect(floor.units[1]).toMatchObject({ stage: "builds", rebuilds: 1, waits: [4], results: [{ value: 0.4 }], photo: true, rig: null });
    expect([floor.kitsUsed, floor.tests]).toEqual([2, { count: 1, minutes: 3 }]);
  });

  it("two tablets send a unit to the line, and to a rig: it keeps its first place and its first wait", () => {
    const party = tap(0, { kind: "in", heads: 1, number: 1 });
    const taps = [
      party,
      tap(5, { kind: "line", unit: party.id }),
      tap(7, { kind: "line", unit: party.id }, "B"),
      tap(9, { kind: "rig", unit: party.id, rig: 1 }, "B"),
      tap(9.5, { kind: "rig", unit: party.id, rig: 1 }),
    ];
    expect(floorNow(taps, "team").units[0]).toMatchObject({ waits: [4], stage: "tests" });
  });

  it("what is taken back counts no more, and a taking back may be taken back; a tap on what was taken back is of no account", () => {
    const party = tap(0, { kind: "in", heads: 4, number: 1 });
    const back = tap(1, { kind: "undo", tap: party.id });
    const again = tap(2, { kind: "undo", tap: back.id });
    expect(floorNow([party, back, tap(1.5, { kind: "line", unit: party.id })], "team")).toMatchObject({ parties: 0, line: [] });
    expect(floorNow([party, back, again], "team").parties).toBe(1);
    expect(floorNow([party], "team").lastBy["A"]).toEqual(party);
  });

  it("is the same in whatever order its taps come, and however often", () => {
    const bodies = fc.oneof(
      fc.record({ kind: fc.constant("in" as const), heads: fc.integer({ min: 1, max: 6 }), number: fc.integer({ min: 1, max: 9 }) }),
      fc.record({ kind: fc.constantFrom("line" as const, "again" as const, "home" as const), unit: fc.constantFrom("t0", "t1", "t2") }),
      fc.record({ kind: fc.constant("rig" as const), unit: fc.constantFrom("t0", "t1", "t2"), rig: fc.integer({ min: 0, max: 1 }) }),
      fc.record({ kind: fc.constant("undo" as const), tap: fc.constantFrom("t0", "t1", "t2", "t3") }),
      fc.record({ kind: fc.constant("note" as const), words: fc.string() }),
    );
    const days = fc.array(fc.record({ at: fc.integer({ min: 0, max: 5 }), body: bodies }), { maxLength: 14 });
    fc.assert(
      fc.property(days, fc.func(fc.integer()), (drawn, shuffle) => {
        const taps = drawn.map(({ at, body }, i): Tap => ({ id: `t${i}`, at: at * minute, by: "A", body }));
        const mixed = [...taps, ...taps.slice(0, 3)].sort((a, b) => shuffle(a.id) - shuffle(b.id));
        expect(floorNow(mixed, "team")).toEqual(floorNow(taps, "team"));
      }),
    );
  });
});

describe("what is ahead on a floor", () => {
  const forecast: FloorForecast = {
    opensAt: 0,
    closesAt: 240 * minute,
    kits: 64,
    weights: Array.from({ length: 16 }, () => 1),
    testMin: 4,
  };
  const at = (used: number, min: number, start: number | null = null) =>
    kitsAhead({ kitsUsed: used, kitsAtStart: start }, forecast, min * minute);

  it("on a day as expected kits last to the very end", () => {
    expect(at(32, 120)).toMatchObject({ left: 32, expected: 32, wanted: 32, outAt: null });
  });

  it("twice as many by the second hour are out after so many more minutes as the pace says", () => {
    const { left, wanted, outAt } = at(56, 120);
    // Pace (8 + 56) ÷ (8 + 32) = 1.6; 64 ÷ 240 a minute, so 8 kits go in 8 ÷ (1.6 × 64 ÷ 240) = 18.75 min.
    expect([left, wanted]).toEqual([8, 51.2]);
    expect((outAt ?? 0) / minute).toBeCloseTo(138.75, 4);
  });

  it("follows the profile: what is expected late is wanted late", () => {
    const late = { ...forecast, weights: [0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1] };
    expect(kitsAhead({ kitsUsed: 0, kitsAtStart: null }, late, 120 * minute)).toMatchObject({ expected: 0, wanted: 64, outAt: null });
    expect(kitsAhead({ kitsUsed: 60, kitsAtStart: 60 }, late, 130 * minute).outAt).toBe(130 * minute);
  });

  it("before opening, after closing and with a profile of zeros it says nothing odd", () => {
    expect(at(0, -30)).toMatchObject({ expected: 0, wanted: 64, outAt: null });
    expect(at(64, 300, 70)).toMatchObject({ left: 6, wanted: 0, outAt: null });
    const zeros = kitsAhead({ kitsUsed: 3, kitsAtStart: null }, { ...forecast, weights: [0, 0] }, 30 * minute);
    expect(zeros.outAt).toBeNull();
  });

  it("a test is as long as the day has shown, the forecast counting for four; the line's waits follow from the rigs", () => {
    expect(testMinutes({ tests: { count: 0, minutes: 0 } }, 4)).toBe(4);
    expect(testMinutes({ tests: { count: 4, minutes: 32 } }, 4)).toBe(6);
    const parties = [1, 2, 3, 4].map((number) => tap(0, { kind: "in", heads: 1, number }));
    const taps = [
      ...parties,
      ...parties.map(({ id }, i) => tap(1 + i, { kind: "line", unit: id })),
      tap(10, { kind: "rig", unit: parties[0]?.id ?? "", rig: 0 }),
    ];
    const floor = floorNow(taps, "team");
    expect(lineWaits(floor, 2, 4, 11 * minute)).toEqual([0, 3, 4]);
    expect(lineWaits(floor, 1, 4, 30 * minute)).toEqual([0, 4, 8]);
    expect(lineWaits(floor, 0, 4, 11 * minute)).toEqual([Infinity, Infinity, Infinity]);
  });
});

describe("what a floor day teaches", () => {
  const before: DropIn = usualDay({
    minutes: 240,
    builders: 60,
    unit: "team",
    seats: 40,
    kits: null,
    rigs: 2,
    buildMinutes: 20,
    trials: 3,
    minutesPerTrial: 2,
    rebuildChance: 0.4,
    mostRebuilds: 2,
  });
  const party = (min: number, heads: number, number: number) => tap(min, { kind: "in", heads, number });

  it("arrivals by quarter hour, sizes, builds, waits and rebuilds are as they were tapped", () => {
    const [first, second, third] = [party(-5, 2, 1), party(14, 2, 2), party(500, 3, 3)];
    const steps = [
      tap(24, { kind: "line", unit: second.id }),
      tap(27, { kind: "rig", unit: second.id, rig: 0 }),
      tap(33, result(second.id, 1)),
      tap(34, { kind: "again", unit: second.id }),
    ];
    const day = floorDayOf(floorNow([first, second, third, ...steps], "team"), 0, 60);
    expect(day).toMatchObject({
      parties: 3,
      heads: 7,
      kitsUsed: 3,
      arrivals: [2, 0, 0, 1],
      builds: [10],
      waits: [3],
      rebuilds: [1],
      tests: { count: 1, minutes: 6 },
    });
    expect(day.sizes.slice(0, 3)).toEqual([0, 2, 1]);
  });

  it("many counted days are followed, none leaves the day as it was, and what comes out is a day that can be", () => {
    expect(dayFromPast([], before)).toEqual({});
    const late = {
      parties: 40,
      heads: 120,
      turnedAway: 0,
      kitsUsed: 40,
      rebuilds: [],
      arrivals: Array.from({ length: 16 }, (_, i) => (i < 8 ? 0 : 5)),
      sizes: [0, 0, 40],
      builds: Array.from({ length: 40 }, () => 34),
      waits: [],
      tests: { count: 40, minutes: 40 * 9 },
    };
    const learned = dayFromPast(
      Array.from({ length: 30 }, () => late),
      before,
    );
    expect(learned.expectedParties).toBe(40);
    expect(learned.weights?.slice(0, 7).every((weight) => weight < 0.3)).toBe(true);
    expect(learned.weights?.slice(9, 13).every((weight) => weight > 9.5)).toBe(true);
    expect(learned.partySizeShares?.[2]).toBeGreaterThan(0.95);
    expect(learned.build?.meanMin).toBeCloseTo(30, 0);
    expect(learned.trial?.meanMin).toBeCloseTo(3, 1);
    expect(dropInErrors({ ...before, ...learned })).toEqual([]);
  });
});
