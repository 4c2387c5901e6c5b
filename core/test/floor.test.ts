import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { floor } from "../reference/floor.ts";
import { type Case, judge } from "../reference/judge.ts";
import { advise, usualPrices } from "../src/floor/advise.ts";
import { dayWords } from "../src/floor/dayWords.ts";
import type { DropIn } from "../src/floor/dropIn.ts";
import { dropInErrors } from "../src/floor/dropInErrors.ts";
import { rehearse, tallyOf } from "../src/floor/rehearse.ts";

const { cases } = JSON.parse(readFileSync(new URL("../reference/cases/floor.json", import.meta.url), "utf8")) as {
  cases: readonly (Case & { readonly replications?: number })[];
};
const takes = (meanMin: number, cv = 0.4) => ({ meanMin, cv, shape: "log-normal" as const });

const saturday: DropIn = {
  expectedParties: 30,
  weights: [1, 2, 3, 4, 4, 3, 2, 1],
  partySizeShares: [0.2, 0.4, 0.3, 0.1],
  unit: "builder",
  lastEntryMin: 120,
  closingMin: 150,
  graceMin: 15,
  seats: 20,
  kits: 50,
  hosts: 2,
  rigs: 2,
  patienceMeanMin: 10,
  welcome: takes(3),
  build: takes(18),
  trials: 2,
  trial: takes(0.8, 0.5),
  rebuildChance: 0.4,
  mostRebuilds: 2,
  rebuildFraction: 0.4,
};

describe("drop-in days from independent programs", () => {
  it.each(cases.filter(({ quantity }) => quantity === "drop-in day").map((of) => [of.id, of] as const))("%s", (_, of) => {
    const got = floor["drop-in day"](of.input, of.replications ?? 0);
    expect(judge(got, of.expected, of.tolerance).wrong).toEqual([]);
  });

  it.each(cases.filter(({ quantity }) => quantity === "advice").map((of) => [of.id, of] as const))("%s", (_, of) => {
    expect(floor.advice(of.input)).toEqual(of.expected);
  });
});

describe("a long day of one line", () => {
  const days = 40;
  const long = (patch: Partial<DropIn>): DropIn => ({
    ...saturday,
    weights: Array.from({ length: 400 }, () => 1),
    partySizeShares: [1],
    lastEntryMin: 6000,
    closingMin: 6000,
    graceMin: 0,
    seats: null,
    kits: null,
    hosts: null,
    rigs: null,
    patienceMeanMin: null,
    welcome: takes(0, 0),
    build: takes(0, 0),
    trials: 1,
    rebuildChance: 0,
    ...patch,
  });
  const lies = ({ low, high }: { readonly low: number; readonly high: number }, value: number): boolean => {
    const slack = high - low;
    return value >= low - slack && value <= high + slack;
  };

  it("waits at c rigs as Erlang's formula says (M/M/c)", () => {
    const [c, mean, perMin] = [3, 4, 0.6];
    const load = perMin * mean;
    const terms = Array.from({ length: c }, (_, k) => load ** k / factorial(k));
    const top = (load ** c / factorial(c)) * (c / (c - load));
    const wait = ((top / (terms.reduce((sum, term) => sum + term, 0) + top)) * mean) / (c - load);
    const day = long({ expectedParties: 6000 * perMin, rigs: c, trial: { meanMin: mean, cv: 1, shape: "exponential" } });
    const { spread } = rehearse(day, days, 11).waits.rig;
    expect(spread && lies(spread.mean, wait)).toBe(true);
  });

  it("waits at one rig as Pollaczek and Khinchine say (M/G/1)", () => {
    const [mean, cv, perMin] = [1.5, 0.7, 0.4];
    const wait = (perMin * mean ** 2 * (1 + cv ** 2)) / (2 * (1 - perMin * mean));
    const { spread } = rehearse(long({ expectedParties: 6000 * perMin, rigs: 1, trial: takes(mean, cv) }), days, 12).waits.rig;
    expect(spread && lies(spread.mean, wait)).toBe(true);
  });

  it("turns away as Erlang B says where nobody waits, whatever the spread", () => {
    const [seats, mean, perMin] = [8, 10, 0.7];
    const load = perMin * mean;
    const terms = Array.from({ length: seats + 1 }, (_, k) => load ** k / factorial(k));
    const blocked = (terms[seats] ?? 0) / terms.reduce((sum, term) => sum + term, 0);
    for (const cv of [0, 0.8]) {
      const day = long({ expectedParties: 6000 * perMin, seats, build: takes(mean, cv), trials: 0, patienceMeanMin: 0 });
      expect(lies(rehearse(day, days, 13).turnedAwayShare, blocked)).toBe(true);
    }
  });
});

const factorial = (n: number): number => (n <= 1 ? 1 : n * factorial(n - 1));

describe("a drop-in day", () => {
  const anyDay = fc.record({
    expectedParties: fc.integer({ min: 0, max: 60 }),
    seats: fc.option(fc.integer({ min: 0, max: 40 }), { nil: null }),
    kits: fc.integer({ min: 0, max: 60 }),
    hosts: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null }),
    rigs: fc.option(fc.integer({ min: 0, max: 4 }), { nil: null }),
    unit: fc.constantFrom("builder" as const, "team" as const),
    patienceMeanMin: fc.constantFrom(null, 0, 8),
    trials: fc.integer({ min: 0, max: 3 }),
  });

  it("sends no more away for kits where there are more, loses nobody, and keeps within what there is", () => {
    fc.assert(
      fc.property(anyDay, fc.nat(1000), (patch, seed) => {
        const day = { ...saturday, ...patch };
        const [few, more] = [day, { ...day, kits: day.kits + 7 }].map((one) => tallyOf(one, 12, seed).counts);
        if (!few || !more) throw new Error("both were simulated");
        const sum = (all: readonly number[]): number => all.reduce((so, n) => so + n, 0);
        expect(sum(more.turnedAwayKits)).toBeLessThanOrEqual(sum(few.turnedAwayKits));
        expect(more.buildersArrived).toEqual(few.buildersArrived);
        for (const [i, builders] of few.buildersArrived.entries()) {
          const away = (few.turnedAwaySeats[i] ?? 0) + (few.turnedAwayKits[i] ?? 0);
          if (day.unit === "builder") expect((few.kitsUsed[i] ?? 0) + away).toBe(builders);
          expect(few.kitsUsed[i]).toBeLessThanOrEqual(day.kits);
          expect(few.unfinished[i]).toBeLessThanOrEqual(few.kitsUsed[i] ?? 0);
          expect(few.peakSeats[i]).toBeLessThanOrEqual(day.seats ?? Number.POSITIVE_INFINITY);
          expect(few.overrunMin[i]).toBeLessThanOrEqual(day.graceMin);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("meets the same arrivals and builds whatever the rigs: with endless seats nobody's kit depends on them", () => {
    const endless = { ...saturday, seats: null, kits: null };
    const [one, many] = [1, 5].map((rigs) => tallyOf({ ...endless, rigs }, 30, 5));
    expect(one?.counts.kitsUsed).toEqual(many?.counts.kitsUsed);
    expect([...(one?.seatWait.of(3) ?? [])]).toEqual([...(many?.seatWait.of(3) ?? [])]);
    expect([...(one?.hostWait.of(3) ?? [])]).toEqual([...(many?.hostWait.of(3) ?? [])]);
    const waits = (tally: typeof one): number => tally?.rigWait.of(3).reduce((sum, wait) => sum + wait, 0) ?? 0;
    expect(waits(one)).toBeGreaterThan(waits(many));
  });

  it("is the same for the same seed, and another for another", () => {
    expect(rehearse(saturday, 20, 3)).toEqual(rehearse(saturday, 20, 3));
    expect(rehearse(saturday, 20, 4)).not.toEqual(rehearse(saturday, 20, 3));
  });
});

describe("what a day comes to, in words", () => {
  const said = (patch: Partial<DropIn>): readonly string[] => {
    const day = { ...saturday, ...patch };
    return dayWords(day, rehearse(day, 100, 1)).map((words) => words.replace(/[\u202f\u00a0]/g, " "));
  };

  it("says first who comes and who is turned away, and for want of what", () => {
    expect(said({ expectedParties: 0 })).toEqual(["Nobody is expected: raise the parties, or the profile."]);
    expect(said({ seats: null, kits: null })[0]).toMatch(/^About \d+ builders come, and nobody is turned away\.$/);
    expect(said({ seats: 8, kits: null })[0]).toMatch(/\d+ in 100 are turned away, mostly for want of seats, or of patience\.$/);
    expect(said({ seats: null, kits: 20 })[0]).toMatch(/are turned away, mostly for want of kits\.$/);
    expect(said({ unit: "team" })[1]).toMatch(/^\d+ kits, one a team, are used, 9 days in 10 no more than \d+\.$/);
    expect(said({ seats: null, kits: null, patienceMeanMin: null })).toContain("Nobody waits for a seat.");
  });
});

describe("the adviser", () => {
  const targets = [{ what: "turnedAway", atMost: 0.05 } as const];
  const bounds = { seats: { from: 8, to: 40, step: 4 }, rigs: { from: 1, to: 3 }, hosts: { from: 1, to: 2 } };

  it("names what would help most where no room within the bounds will do", () => {
    const day = { ...saturday, kits: null, expectedParties: 60 };
    const small = { ...bounds, seats: { from: 8, to: 16, step: 4 } };
    const advice = advise({ day, bounds: small, prices: usualPrices, targets }, 1);
    expect(advice.room).toBeNull();
    expect(advice.nearest?.room.seats).toBe(16);
    expect(["more seats", "a tenth fewer parties"]).toContain(advice.helps?.change);
    expect(advice.helps?.missedBy).toBeLessThan(advice.nearest?.missedBy ?? 0);
  });

  it("meets a target about nothing", () => {
    const advice = advise({ day: { ...saturday, expectedParties: 0 }, bounds, prices: usualPrices, targets }, 1);
    expect(advice.room).toEqual({ seats: 8, rigs: 1, hosts: 1 });
  });
});

describe("a day that can't be", () => {
  const wrong = (patch: Partial<DropIn>): string[] => dropInErrors({ ...saturday, ...patch }).map(({ field }) => field);

  it("is told by its field", () => {
    expect(wrong({})).toEqual([]);
    expect(wrong({ weights: [0, 0, 0] })).toEqual(["weights"]);
    expect(wrong({ weights: [0], expectedParties: 0 })).toEqual([]);
    expect(wrong({ weights: [] })).toEqual(["weights"]);
    expect(wrong({ lastEntryMin: 200 })).toEqual(["lastEntryMin"]);
    expect(wrong({ seats: -1, rigs: 1.5, hosts: 0, kits: null })).toEqual(["seats", "rigs"]);
    expect(wrong({ partySizeShares: [0, 0] })).toEqual(["partySizeShares"]);
    expect(wrong({ build: takes(-1), welcome: takes(2, 9) })).toEqual(["welcome.cv", "build.meanMin"]);
    expect(wrong({ rebuildChance: 2, mostRebuilds: -1, trials: 99 })).toEqual(["trials", "rebuildChance", "mostRebuilds"]);
  });
});
