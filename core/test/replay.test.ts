import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { typicalDay } from "../src/floor/replay/typical.ts";
import { countsAt, type DropIn, rehearse, replayDay, replayTypical, stepAt } from "../src/index.ts";

const takes = (meanMin: number, cv: number) => ({ meanMin, cv, shape: "log-normal" as const });
const saturday: DropIn = {
  expectedParties: 30,
  weights: [1, 3, 4, 2],
  partySizeShares: [0.3, 0.4, 0.3],
  unit: "builder",
  lastEntryMin: 60,
  closingMin: 90,
  graceMin: 10,
  seats: 24,
  kits: 50,
  hosts: 2,
  rigs: 2,
  patienceMeanMin: 8,
  welcome: takes(3, 0.4),
  build: takes(15, 0.4),
  trials: 2,
  trial: takes(0.7, 0.5),
  rebuildChance: 0.5,
  mostRebuilds: 2,
  rebuildFraction: 0.4,
};
const anyDay = fc
  .record({
    unit: fc.constantFrom("builder" as const, "team" as const),
    seats: fc.constantFrom(4, 10, 24, null),
    kits: fc.constantFrom(5, 40, null),
    rigs: fc.constantFrom(1, 2, null),
    hosts: fc.constantFrom(1, 2, null),
    trials: fc.constantFrom(0, 2),
    welcome: fc.constantFrom(takes(0, 0), takes(3, 0.4)),
  })
  .map((patch): DropIn => ({ ...saturday, ...patch }));

describe("a day played again", () => {
  it("is the day that was simulated: as many come, are turned away, build, build again and don't finish", () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1, max: 1e6 }), (day, seed) => {
        const { counts } = rehearse(day, 1, seed);
        const { dots, stopMin } = replayDay(day, seed, 0);
        const heads = (of: readonly { readonly seats: number }[]): number => of.reduce((sum, { seats }) => sum + seats, 0);
        const ended = (place: string) => dots.filter(({ steps }) => steps.at(-1)?.place === place);
        expect(heads(dots)).toBe(counts.buildersArrived.mean.value);
        expect(heads(ended("turned away"))).toBe(counts.turnedAwaySeats.mean.value + counts.turnedAwayKits.mean.value);
        expect(ended("unfinished").length).toBe(counts.unfinished.mean.value);
        const built = dots.filter(({ steps }) => steps.some(({ place }) => place === "welcome"));
        expect(built.length).toBe(counts.kitsUsed.mean.value);
        const builds = dots.reduce((sum, { steps }) => sum + Math.max(0, steps.filter(({ place }) => place === "building").length - 1), 0);
        expect(builds).toBe(counts.rebuilds.mean.value);
        for (const { steps } of dots) {
          const times = steps.map(({ at }) => at);
          expect(times).toEqual([...times].sort((a, b) => a - b));
          expect(times.at(-1)).toBeLessThanOrEqual(stopMin);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("never has two at one rig or seat, nor more of either than there are", () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1, max: 1e6 }), fc.double({ min: 0, max: 99, noNaN: true }), (day, seed, minute) => {
        const { dots } = replayDay(day, seed, 3);
        const now = dots.flatMap((dot) => {
          const step = stepAt(dot, minute);
          return step ? [{ ...step, seats: dot.seats }] : [];
        });
        const rigs = now.filter(({ place }) => place === "rig").map(({ spot }) => spot);
        expect(new Set(rigs).size).toBe(rigs.length);
        expect(Math.max(-1, ...rigs)).toBeLessThan(day.rigs ?? Number.POSITIVE_INFINITY);
        const inside = now.filter(({ place }) => ["welcome", "building", "rig line", "rig"].includes(place));
        const seated = inside.filter(({ place }) => place !== "rig").map(({ spot }) => spot);
        expect(new Set(seated).size).toBe(seated.length);
        expect(inside.reduce((sum, { seats }) => sum + seats, 0)).toBeLessThanOrEqual(day.seats ?? Number.POSITIVE_INFINITY);
      }),
      { numRuns: 60 },
    );
  });

  it("counts who is where", () => {
    const replay = replayTypical(saturday, 100, 5);
    const all = (minute: number) => Object.values(countsAt(replay, minute)).reduce((sum, n) => sum + n, 0);
    expect(all(0)).toBe(0);
    expect(all(replay.stopMin)).toBe(replay.dots.length);
    const end = countsAt(replay, replay.stopMin);
    expect(end.home + end["turned away"] + end.unfinished).toBe(replay.dots.length);
  });

  it("is an ordinary one: its heads lie near the middle of all days", () => {
    for (const seed of [1, 2, 3]) {
      const number = typicalDay(saturday, 200, seed);
      const { counts } = rehearse(saturday, 200, seed);
      const { dots } = replayDay(saturday, seed, number);
      expect(Math.abs(dots.length - counts.buildersArrived.p50.value)).toBeLessThan(0.15 * counts.buildersArrived.p50.value);
      expect(replayTypical(saturday, 200, seed).number).toBe(number);
    }
  });
});
