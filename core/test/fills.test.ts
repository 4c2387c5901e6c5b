import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { Filler, type SheetPiece } from "../src/kit/cutting/filler.ts";
import { rollPlan } from "../src/kit/cutting/rolls.ts";

/** The most a rectangle is worth by trying every cut at every whole place. */
function bruteFill(pieces: readonly SheetPiece[], worth: readonly number[], width: number, height: number, rotate: boolean): number {
  const known = new Map<number, number>();
  const best = (w: number, h: number): number => {
    const key = w * 1000 + h;
    const before = known.get(key);
    if (before !== undefined) return before;
    let most = 0;
    for (const [i, piece] of pieces.entries())
      if ((piece.w <= w && piece.h <= h) || (rotate && piece.h <= w && piece.w <= h)) most = Math.max(most, worth[i] ?? 0);
    for (let at = 1; at <= w / 2; at += 1) most = Math.max(most, best(at, h) + best(w - at, h));
    for (let at = 1; at <= h / 2; at += 1) most = Math.max(most, best(w, at) + best(w, h - at));
    known.set(key, most);
    return most;
  };
  return best(width, height);
}

interface Lying {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** True when straight cuts from edge to edge take the pieces apart, one after the other. */
function comesApart(pieces: readonly Lying[]): boolean {
  if (pieces.length <= 1) return true;
  for (const [from, size] of [
    ["x", "w"],
    ["y", "h"],
  ] as const)
    for (const { [from]: start, [size]: length } of pieces) {
      const at = start + length;
      const before = pieces.filter((p) => p[from] + p[size] <= at);
      const after = pieces.filter((p) => p[from] >= at);
      if (before.length > 0 && after.length > 0 && before.length + after.length === pieces.length)
        return comesApart(before) && comesApart(after);
    }
  return false;
}

const anySheet = fc.record({
  width: fc.integer({ min: 8, max: 26 }),
  height: fc.integer({ min: 8, max: 26 }),
  rotate: fc.boolean(),
  kinds: fc.array(
    fc.record({
      piece: fc.record({ w: fc.integer({ min: 2, max: 12 }), h: fc.integer({ min: 2, max: 12 }) }),
      worth: fc.integer({ min: 0, max: 40 }),
    }),
    { minLength: 1, maxLength: 4 },
  ),
});

describe("filling one sheet", () => {
  it("is worth what trying every cut finds, and what its pieces are worth together", () => {
    fc.assert(
      fc.property(anySheet, ({ width, height, rotate, kinds }) => {
        const pieces = kinds.map((kind) => kind.piece);
        const worth = kinds.map((kind) => kind.worth);
        const { counts, placed, worth: got } = new Filler(pieces, width, height, rotate).fill(worth);
        expect(got).toBe(bruteFill(pieces, worth, width, height, rotate));
        expect(counts.reduce((sum, n, i) => sum + n * (worth[i] ?? 0), 0)).toBe(got);
        expect(placed).toHaveLength(counts.reduce((sum, n) => sum + n, 0));
      }),
      { numRuns: 150 },
    );
  });

  it("comes apart by cuts from edge to edge, inside the sheet, turned only where that is allowed", () => {
    fc.assert(
      fc.property(anySheet, ({ width, height, rotate, kinds }) => {
        const pieces = kinds.map((kind) => kind.piece);
        const { placed } = new Filler(pieces, width, height, rotate).fill(kinds.map((kind) => kind.worth));
        expect(comesApart(placed)).toBe(true);
        for (const { of, x, y, w, h } of placed) {
          expect(x >= 0 && y >= 0 && x + w <= width && y + h <= height).toBe(true);
          const piece = pieces[of];
          expect(rotate && w !== piece?.w ? [h, w] : [w, h]).toEqual([piece?.w, piece?.h]);
        }
      }),
      { numRuns: 150 },
    );
  });

  it("stays sound where the sides are measured more coarsely to be done in time", () => {
    const pieces = [
      { w: 1231, h: 877 },
      { w: 1013, h: 1409 },
      { w: 691, h: 1733 },
      { w: 1327, h: 583 },
      { w: 947, h: 1129 },
    ];
    const filled = new Filler(pieces, 30_011, 20_011, true).fill(pieces.map(({ w, h }) => w * h));
    expect(comesApart(filled.placed)).toBe(true);
    expect(filled.placed.every((p) => p.x + p.w <= 30_011 && p.y + p.h <= 20_011)).toBe(true);
    expect(filled.worth).toBeGreaterThan(0.9 * 30_011 * 20_011);
    expect(filled.worth).toBeLessThanOrEqual(30_011 * 20_011);
  });

  it("knows the most of one piece alone", () => {
    const filler = new Filler([{ w: 50, h: 70 }], 210, 297, true);
    // Three rows of three lying and two of four standing: 3 · 50 + 2 · 70 = 290 of 297.
    expect(filler.ofOne({ w: 70, h: 50 }).counts).toEqual([17]);
    expect(filler.ofOne({ w: 300, h: 300 }).counts).toEqual([0]);
  });
});

/** The fewest rolls by putting piece after piece into every roll that holds it. */
function bruteRolls(lengths: readonly number[], usable: number): number {
  const order = [...lengths].sort((a, b) => b - a);
  let fewest = order.length;
  const put = (at: number, left: readonly number[]): void => {
    if (left.length >= fewest) return;
    const size = order[at];
    if (size === undefined) {
      fewest = left.length;
      return;
    }
    for (const [i, room] of left.entries())
      if (room >= size && left.indexOf(room) === i)
        put(
          at + 1,
          left.map((r, k) => (k === i ? r - size : r)),
        );
    put(at + 1, [...left, usable - size]);
  };
  put(0, []);
  return fewest;
}

describe("fewest rolls", () => {
  it("are as few as trying every way finds", () => {
    const job = fc.record({
      rollLength: fc.integer({ min: 60, max: 120 }),
      kerf: fc.integer({ min: 0, max: 3 }),
      pieces: fc.array(fc.record({ length: fc.integer({ min: 15, max: 60 }), count: fc.integer({ min: 1, max: 4 }) }), {
        minLength: 1,
        maxLength: 3,
      }),
    });
    fc.assert(
      fc.property(job, (of) => {
        const plan = rollPlan(of, solve);
        const lengths = of.pieces.flatMap(({ length, count }) => Array.from({ length: count }, () => length + of.kerf));
        expect(plan.feasible && [plan.exact, plan.rolls]).toEqual([true, bruteRolls(lengths, of.rollLength + of.kerf)]);
      }),
      { numRuns: 60 },
    );
  });

  it("give a plan with its distance where the ways to fill a roll are too many to list", () => {
    const pieces = Array.from({ length: 12 }, (_, i) => ({ length: 31 + 7 * i, count: 5 }));
    const plan = rollPlan({ rollLength: 2000, kerf: 0, pieces }, solve);
    if (!plan.feasible) throw new Error("every piece fits");
    expect(plan.exact).toBe(false);
    expect(plan.rolls).toBeGreaterThanOrEqual(plan.bound);
    expect(plan.rolls).toBeLessThanOrEqual(plan.bound + 1);
    for (const [i, piece] of pieces.entries())
      expect(plan.patterns.reduce((sum, p) => sum + p.times * (p.counts[i] ?? 0), 0)).toBeGreaterThanOrEqual(piece.count);
  });
});
