import { describe, expect, it } from "vitest";
import { dayAsCounted, patienceFrom } from "../src/floor/live/patience.ts";
import { type DropIn, type FloorDay, rehearse, usualDay } from "../src/index.ts";

const seed = 7;
const day: DropIn = {
  ...usualDay({
    minutes: 180,
    builders: 90,
    unit: "builder",
    seats: 20,
    kits: null,
    rigs: 4,
    buildMinutes: 20,
    trials: 1,
    minutesPerTrial: 1,
    rebuildChance: 0,
    mostRebuilds: 0,
  }),
  patienceMeanMin: 12,
};

/** A floor day with so many builders come in and so many gone again. */
const counted = (heads: number, turnedAway: number): FloorDay => ({
  parties: Math.round(heads / 2.5),
  heads,
  turnedAway,
  kitsUsed: heads,
  rebuilds: [],
  arrivals: [],
  sizes: [],
  builds: [],
  waits: [],
  tests: { count: 0, minutes: 0 },
});

describe("patience learned from who left", () => {
  it("is found again: days in which as many leave as a patience of 4 min would have it say about 4 min", () => {
    const truth = rehearse({ ...day, patienceMeanMin: 4 }, 2000, seed + 1).turnedAwayShare.value;
    expect(truth).toBeGreaterThan(0.03);
    const heads = 4000;
    const found = patienceFrom([counted(heads, Math.round((truth * heads) / (1 - truth)))], day, seed);
    // Four hundred days leave a share uncertain by about a hundredth, and that is two minutes here.
    expect(found).toBeGreaterThan(1.5);
    expect(found).toBeLessThan(7);
  });

  it("is the longer the fewer left, within two hours; few counted days move it little", () => {
    const many = (away: number): number => patienceFrom([counted(4000, away)], day, seed) ?? Number.NaN;
    expect(many(3000)).toBe(0);
    expect(many(250)).toBeGreaterThan(many(400));
    expect(many(400)).toBeGreaterThan(many(700));
    expect(many(0)).toBe(120);
    const few = patienceFrom([counted(6, 0)], day, seed) ?? Number.NaN;
    expect(Math.abs(few - 12)).toBeLessThan(Math.abs(many(0) - 12));
  });

  it("stays as it was where nobody waits for a seat, and without a counted day", () => {
    const away = [counted(100, 40)];
    expect(patienceFrom(away, { ...day, seats: null }, seed)).toBe(12);
    expect(patienceFrom(away, { ...day, patienceMeanMin: null }, seed)).toBeNull();
    expect(patienceFrom([], day, seed)).toBe(12);
  });

  it("comes after what else was counted; builders who left came as well", () => {
    const learned = dayAsCounted([counted(100, 25)], day, seed);
    expect(learned.expectedParties).toBe(50);
    expect(learned.patienceMeanMin).not.toBe(12);
    expect(learned.build).toEqual(day.build);
  });
});
