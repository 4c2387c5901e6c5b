import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { phases, runSheet } from "../src/calendar/runSheet.ts";
import { runKinds } from "../src/index.ts";

const minutesOf = (kind: (typeof runKinds)[number], slot: number, sketchFirst = true) => {
  const found = runSheet(kind, slot, { sketchFirst });
  if (!found.ok) throw new Error(found.message);
  return Object.fromEntries(found.phases.map(({ phase, minutes }) => [phase, minutes]));
};

describe("a run sheet", () => {
  it("is the usual one in its own length, and keeps welcome, cautions and tidy in any other", () => {
    expect(minutesOf("workshop", 100)).toEqual({
      welcome: 5,
      cautions: 4,
      look: 6,
      sketch: 8,
      build: 30,
      test: 12,
      improve: 20,
      share: 8,
      tidy: 7,
    });
    // 84 min shared before are 42 now: all of them halved.
    expect(minutesOf("workshop", 58)).toMatchObject({ welcome: 5, tidy: 7, look: 3, build: 15, test: 6, improve: 10 });
    expect(minutesOf("workshop", 100, false)["sketch"]).toBeUndefined();
  });

  it("gives what is left over by largest remainder, the earlier first among equals", () => {
    // 43 min: halves and a 1/84 each of them more; build has the most of it.
    expect(minutesOf("workshop", 59)).toMatchObject({ look: 3, sketch: 4, build: 16, test: 6, improve: 10, share: 4 });
  });

  it("sums to the slot, no part below a minute, in order; or is refused as too short with the least that would do", () => {
    fc.assert(
      fc.property(fc.constantFrom(...runKinds), fc.integer({ min: 1, max: 400 }), fc.boolean(), (kind, slot, sketchFirst) => {
        const found = runSheet(kind, slot, { sketchFirst });
        if (!found.ok) {
          expect(slot).toBeLessThan(found.least);
          expect(runSheet(kind, found.least, { sketchFirst }).ok).toBe(true);
          return;
        }
        expect(found.phases.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(slot);
        for (const [i, { minutes, from, phase }] of found.phases.entries()) {
          expect(minutes).toBeGreaterThanOrEqual(1);
          const before = found.phases[i - 1];
          expect(from).toBe(before ? before.from + before.minutes : 0);
          if (before) expect(phases.indexOf(phase)).toBeGreaterThan(phases.indexOf(before.phase));
        }
      }),
    );
  });
});
