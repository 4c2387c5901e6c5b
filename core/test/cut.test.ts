import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type CutPlan, rectangleCount } from "../src/index.ts";

const plan = (parentW: number, parentH: number, pieceW: number, pieceH: number, rest: Partial<CutPlan> = {}): CutPlan => ({
  parentW,
  parentH,
  pieceW,
  pieceH,
  rotate: true,
  kerf: 0,
  trimW: 0,
  trimH: 0,
  ...rest,
});

/** Every guillotine cut at every whole place, by memory: the truth for small sheets. */
function byTrying(w: number, h: number, a: number, b: number, rotate: boolean, memory = new Map<string, number>()): number {
  const key = `${w},${h}`;
  const known = memory.get(key);
  if (known !== undefined) return known;
  let best = (w >= a && h >= b) || (rotate && w >= b && h >= a) ? 1 : 0;
  for (let x = 1; x <= w / 2; x += 1)
    best = Math.max(best, byTrying(x, h, a, b, rotate, memory) + byTrying(w - x, h, a, b, rotate, memory));
  for (let y = 1; y <= h / 2; y += 1)
    best = Math.max(best, byTrying(w, y, a, b, rotate, memory) + byTrying(w, h - y, a, b, rotate, memory));
  memory.set(key, best);
  return best;
}

describe("the best count of one size", () => {
  it("is what trying every cut gives", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 26 }),
        fc.integer({ min: 4, max: 26 }),
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 2, max: 9 }),
        fc.boolean(),
        (w, h, a, b, rotate) => {
          expect(rectangleCount(plan(w, h, a, b, { rotate })).count).toBe(byTrying(w, h, a, b, rotate));
        },
      ),
      { numRuns: 120 },
    );
  });

  it("never beats the area, and does not change when everything is twice as large", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 400 }),
        fc.integer({ min: 50, max: 400 }),
        fc.integer({ min: 15, max: 90 }),
        fc.integer({ min: 15, max: 90 }),
        (w, h, a, b) => {
          const { count } = rectangleCount(plan(w, h, a, b));
          expect(count * a * b).toBeLessThanOrEqual(w * h);
          expect(rectangleCount(plan(2 * w, 2 * h, 2 * a, 2 * b)).count).toBe(count);
        },
      ),
    );
  });

  it("loses a kerf between pieces, not at the edge", () => {
    expect(rectangleCount(plan(100, 10, 33, 10, { kerf: 0 })).count).toBe(3);
    expect(rectangleCount(plan(101, 10, 33, 10, { kerf: 1 })).count).toBe(3);
    expect(rectangleCount(plan(100, 10, 33, 10, { kerf: 1 })).count).toBe(2);
  });

  it("gives none of a piece that does not fit, and keeps the grain when asked", () => {
    expect(rectangleCount(plan(100, 50, 60, 60)).count).toBe(0);
    expect(rectangleCount(plan(100, 50, 50, 100, { rotate: false })).count).toBe(0);
    expect(rectangleCount(plan(100, 50, 50, 100)).count).toBe(1);
  });

  it("says so when a long roll of tiny pieces is cut into lengths first", () => {
    const tiny = rectangleCount(plan(24_000, 8_000_000, 1_517, 1_847));
    expect(tiny.exact).toBe(false);
    expect(tiny.count).toBeGreaterThan((0.93 * 24_000 * 8_000_000) / 1_517 / 1_847);
  });
});
