import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { type SheetJob, type SheetPlan, seedOf, sheetPlan, wholeBelow } from "../src/index.ts";

/** Mixed pieces of a sheet 700 by 500, few of each. */
const mixed: fc.Arbitrary<SheetJob> = fc
  .record({
    rotate: fc.boolean(),
    kerf: fc.constantFrom(0, 3),
    pieces: fc.array(
      fc.record({ w: fc.integer({ min: 60, max: 420 }), h: fc.integer({ min: 60, max: 330 }), count: fc.integer({ min: 1, max: 7 }) }),
      {
        minLength: 2,
        maxLength: 5,
      },
    ),
  })
  .map((job) => ({ parentW: 700, parentH: 500, trimW: 0, trimH: 0, ...job }));

interface Rest {
  readonly x: number;
  readonly w: number;
  readonly h: number;
}

/** Simple first fit by shelves, highest first, nothing turned: what anybody would do with a ruler. */
function byShelves({ parentW, parentH, kerf, pieces }: SheetJob): number {
  const list = pieces
    .flatMap(({ w, h, count }) => Array.from({ length: count }, () => ({ w: w + kerf, h: h + kerf })))
    .sort((a, b) => b.h - a.h);
  const sheets: { used: number; shelves: Rest[] }[] = [];
  for (const { w, h } of list) {
    const shelf = sheets.flatMap((sheet) => sheet.shelves).find((one) => one.h >= h && one.w >= w);
    if (shelf) {
      for (const sheet of sheets) sheet.shelves = sheet.shelves.map((one) => (one === shelf ? { ...one, w: one.w - w } : one));
      continue;
    }
    const sheet = sheets.find(({ used }) => used + h <= parentH + kerf);
    const opened = { x: 0, w: parentW + kerf - w, h };
    if (sheet) {
      sheet.used += h;
      sheet.shelves = [...sheet.shelves, opened];
    } else sheets.push({ used: h, shelves: [opened] });
  }
  return sheets.length;
}

/** Every piece is there, inside its sheet, and none lies on another. */
function cutAsSaid(job: SheetJob, plan: SheetPlan & { readonly feasible: true }): void {
  const got = job.pieces.map((_, i) =>
    plan.patterns.reduce((sum, { times, placed }) => sum + times * placed.filter(({ of }) => of === i).length, 0),
  );
  for (const [i, { count }] of job.pieces.entries()) expect(got[i]).toBeGreaterThanOrEqual(count);
  for (const { placed } of plan.patterns)
    for (const [i, a] of placed.entries()) {
      expect(a.x >= 0 && a.y >= 0 && a.x + a.w <= job.parentW && a.y + a.h <= job.parentH).toBe(true);
      for (const b of placed.slice(i + 1))
        expect(
          a.x + a.w + job.kerf <= b.x || b.x + b.w + job.kerf <= a.x || a.y + a.h + job.kerf <= b.y || b.y + b.h + job.kerf <= a.y,
        ).toBe(true);
    }
}

describe("several sizes from one sheet", () => {
  it("never take a sheet more than simple first fit, nor less than the bound; every piece is there and none lies on another", () => {
    fc.assert(
      fc.property(mixed, (job) => {
        const plan = sheetPlan(job, solve);
        if (!plan.feasible) throw new Error("a piece is too large");
        expect(plan.parents).toBeLessThanOrEqual(byShelves(job));
        expect(plan.bound).toBeGreaterThanOrEqual(plan.areaBound);
        expect(plan.parents).toBeGreaterThanOrEqual(plan.bound);
        expect(plan.gapPercent).toBeCloseTo((100 * (plan.parents - plan.bound)) / plan.bound, 9);
        cutAsSaid(job, plan);
      }),
      { numRuns: 300, seed: 41 },
    );
  }, 120_000);

  it.each([
    ["bench cut", 4],
    ["a1", 3],
    ["a7", 4],
    ["a8", 4],
  ])("of sixty pieces, ten of each (%s), come from %i sheets: as few as there can be", (name, parents) => {
    const pieces = Array.from({ length: 6 }, (_, i) => ({
      w: 60 + wholeBelow(180, seedOf(name), i, 0),
      h: 50 + wholeBelow(140, seedOf(name), i, 1),
      count: 10,
    }));
    const job = { parentW: 700, parentH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0, pieces };
    const plan = sheetPlan(job, solve);
    if (!plan.feasible) throw new Error("a piece is too large");
    expect([plan.parents, plan.bound]).toEqual([parents, parents]);
    cutAsSaid(job, plan);
  });

  it("fills the last sheet with what is still wanted: one sheet where patterns that repeat would take two", () => {
    const pieces = [
      { w: 400, h: 300, count: 1 },
      { w: 290, h: 240, count: 2 },
      { w: 180, h: 190, count: 2 },
    ];
    const plan = sheetPlan({ parentW: 700, parentH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0, pieces }, solve);
    expect(plan.feasible && [plan.parents, plan.surplus]).toEqual([1, [0, 0, 0]]);
  });
});
