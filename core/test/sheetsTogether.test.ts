import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { type CutPlan, jointJob, rectangleCount, type SheetJob, type SheetPlan, sheetPlan } from "../src/index.ts";
import { openedTogether } from "../src/kit/season/sheetsTogether.ts";

const sheet = { parentW: 700, parentH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0 };
const size = (pieceW: number, pieceH: number, patch: Partial<CutPlan> = {}): CutPlan => ({ ...sheet, pieceW, pieceH, ...patch });
const cut = (job: SheetJob): SheetPlan => sheetPlan(job, solve);

describe("sizes cut from one sheet for a whole season", () => {
  it("open the sheet that gives most of what is wanted by then, and keep what else is cut from it", () => {
    const placed = (...of: readonly number[]) => of.map((one) => ({ of: one, x: 0, y: 0, w: 1, h: 1 }));
    const plan = (): SheetPlan => ({
      feasible: true,
      parents: 3,
      areaBound: 3,
      bound: 3,
      gapPercent: 0,
      surplus: [],
      patterns: [
        { times: 2, placed: placed(0, 1, 1) },
        { times: 1, placed: placed(0, 0, 0) },
      ],
    });
    const wanted = (first: readonly number[], second: readonly number[]) => [
      { plan: size(100, 100), by: first },
      { plan: size(100, 100), by: second },
    ];
    expect(openedTogether(wanted([1, 3, 5], [0, 2, 4]), plan)).toEqual([1, 2, 3]);
    expect(openedTogether(wanted([0, 0, 5], [2, 2, 4]), plan)).toEqual([1, 1, 3]);
  });

  it("take no more sheets than each size by itself, and by each crate no fewer than all that is wanted by then fills", () => {
    const anySize = fc.tuple(fc.integer({ min: 60, max: 400 }), fc.integer({ min: 60, max: 400 }));
    const anyNeeds = fc.array(fc.nat({ max: 9 }), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(fc.array(fc.tuple(anySize, anyNeeds), { minLength: 2, maxLength: 3 }), (sizes) => {
        const demands = sizes.map(([[w, h], needs]) => ({
          plan: size(w, h),
          by: needs.map((_, k) => needs.slice(0, k + 1).reduce((sum, n) => sum + n, 0)),
        }));
        const opened = openedTogether(demands, cut);
        const wanted = demands.filter(({ by }) => (by.at(-1) ?? 0) > 0);
        if (wanted.length < 2) {
          expect(opened).toBeNull();
          return;
        }
        const apart = wanted.reduce((sum, { plan, by }) => sum + Math.ceil((by.at(-1) ?? 0) / rectangleCount(plan).count), 0);
        expect(opened?.at(-1)).toBeLessThanOrEqual(apart);
        for (const [k, sheets] of (opened ?? []).entries()) {
          const area = demands.reduce((sum, { plan, by }) => sum + plan.pieceW * plan.pieceH * (by[k] ?? 0), 0);
          expect(sheets).toBeGreaterThanOrEqual(Math.ceil(area / (700 * 500)));
          expect(sheets).toBeGreaterThanOrEqual(opened?.[k - 1] ?? 0);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("cut triangles two to a rectangle, with the widest kerf and trim of any, turned only where all may be", () => {
    const job = jointJob([
      { plan: size(100, 200, { kerf: 3, perRectangle: 2 }), pieces: 5 },
      { plan: size(50, 60, { trimH: 7, rotate: false }), pieces: 4 },
    ]);
    expect(job).toEqual({
      parentW: 700,
      parentH: 500,
      rotate: false,
      kerf: 3,
      trimW: 0,
      trimH: 7,
      pieces: [
        { w: 100, h: 200, count: 3 },
        { w: 50, h: 60, count: 4 },
      ],
    });
    expect(
      jointJob([
        { plan: size(100, 200), pieces: 5 },
        { plan: size(50, 60, { parentW: 600 }), pieces: 4 },
      ]),
    ).toBeNull();
    expect(openedTogether([{ plan: size(100, 100), by: [4] }], cut)).toBeNull();
  });
});
