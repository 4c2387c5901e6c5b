import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { phases, runSheet, type SheetPart, scaledSheet, usualParts } from "../src/calendar/runSheet.ts";
import { runKinds } from "../src/index.ts";

const order: readonly string[] = phases;

const minutesOf = (kind: (typeof runKinds)[number], slot: number, sketchFirst = true) => {
  const found = runSheet(kind, slot, { sketchFirst });
  if (!found.ok) throw new Error(found.message);
  return Object.fromEntries(found.parts.map(({ id, minutes }) => [id, minutes]));
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
        expect(found.parts.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(slot);
        for (const [i, { minutes, from, id }] of found.parts.entries()) {
          expect(minutes).toBeGreaterThanOrEqual(1);
          const before = found.parts[i - 1];
          expect(from).toBe(before ? before.from + before.minutes : 0);
          if (before) expect(order.indexOf(id)).toBeGreaterThan(order.indexOf(before.id));
        }
      }),
    );
  });

  it("has parts of its own where kits are picked up and on line, whatever the run's are", () => {
    const own = [{ id: "fold", words: "Fold", minutes: 10, keeps: false, say: "" }];
    const ids = (held: "pick-up" | "on line", slot: number) => {
      const found = runSheet("workshop", slot, { sketchFirst: true, own, held });
      return found.ok ? found.parts.map(({ id, minutes }) => `${id} ${minutes}`) : found.message;
    };
    expect(ids("pick-up", 120)).toEqual(["set-out 10", "hand-out 100", "tidy 10"]);
    expect(ids("on line", 50)).toEqual(["welcome 5", "cautions 3", "look 7", "build 25", "share 10"]);
    expect(ids("pick-up", 20)).toBe("20 min is too short: 21 min at least, a minute for each part.");
  });

  it("is a run's own parts where it has some, those that keep their minutes by its own word", () => {
    const part = (id: string, minutes: number, keeps = false): SheetPart => ({ id, words: id, minutes, keeps, say: "" });
    const own = [part("song", 3, true), part("fold", 20), part("race", 10)];
    const found = runSheet("workshop", 63, { sketchFirst: true, own });
    expect(found.ok && found.parts.map(({ id, from, minutes }) => [id, from, minutes])).toEqual([
      ["song", 0, 3],
      ["fold", 3, 40],
      ["race", 43, 20],
    ]);
    expect(scaledSheet(own, 4)).toMatchObject({ ok: false, least: 5 });
    const kept = own.map((one) => ({ ...one, keeps: true }));
    expect(scaledSheet(kept, 33)).toMatchObject({ ok: true });
    expect(scaledSheet(kept, 40)).toMatchObject({
      ok: false,
      message: "All parts keep their minutes and take 33 of 40: let one of them share what is left.",
    });
    expect(usualParts("drop-in", { sketchFirst: true }).map(({ id }) => id)).not.toContain("sketch");
  });
});
