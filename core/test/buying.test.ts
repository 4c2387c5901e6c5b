import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { allotments, type BuyProblem, demandsOf, purchasePlan, rollPlan, type SheetJob, sheetPlan } from "../src/index.ts";

describe("rolls", () => {
  it("cut no piece longer than the roll, and name those that are", () => {
    expect(
      rollPlan(
        {
          rollLength: 100,
          kerf: 0,
          pieces: [
            { length: 40, count: 1 },
            { length: 101, count: 2 },
          ],
        },
        solve,
      ),
    ).toEqual({ feasible: false, tooLong: [1] });
  });

  it("hold what their patterns say, for at least the pieces asked, never below the bound", () => {
    const job = fc.record({
      rollLength: fc.integer({ min: 200, max: 1000 }),
      kerf: fc.integer({ min: 0, max: 5 }),
      pieces: fc.array(fc.record({ length: fc.integer({ min: 30, max: 200 }), count: fc.integer({ min: 1, max: 9 }) }), {
        minLength: 1,
        maxLength: 4,
      }),
    });
    fc.assert(
      fc.property(job, (of) => {
        const plan = rollPlan(of, solve);
        if (!plan.feasible) throw new Error("every piece fits");
        expect(plan.rolls).toBeGreaterThanOrEqual(plan.bound);
        for (const { counts, offcut } of plan.patterns) {
          const used = counts.reduce((sum, n, i) => sum + n * ((of.pieces[i]?.length ?? 0) + of.kerf), 0);
          expect(used + offcut).toBe(of.rollLength + of.kerf);
          expect(offcut).toBeGreaterThanOrEqual(0);
        }
        for (const [i, piece] of of.pieces.entries())
          expect(plan.patterns.reduce((sum, pattern) => sum + pattern.times * (pattern.counts[i] ?? 0), 0)).toBeGreaterThanOrEqual(
            piece.count,
          );
      }),
      { numRuns: 40 },
    );
  });
});

describe("sheets of several sizes", () => {
  const job = fc.record({
    parentW: fc.integer({ min: 300, max: 700 }),
    parentH: fc.integer({ min: 300, max: 700 }),
    rotate: fc.boolean(),
    kerf: fc.integer({ min: 0, max: 4 }),
    trimW: fc.integer({ min: 0, max: 10 }),
    trimH: fc.integer({ min: 0, max: 10 }),
    pieces: fc.array(
      fc.record({ w: fc.integer({ min: 60, max: 250 }), h: fc.integer({ min: 60, max: 250 }), count: fc.integer({ min: 1, max: 12 }) }),
      { minLength: 1, maxLength: 4 },
    ),
  });

  it("are cut without overlap, inside the sheet, for at least the pieces asked", () => {
    fc.assert(
      fc.property(job, (of: SheetJob) => {
        const plan = sheetPlan(of, solve);
        if (!plan.feasible) throw new Error("every piece fits");
        expect(plan.parents).toBeGreaterThanOrEqual(plan.areaBound);
        expect(plan.surplus.every((n) => n >= 0)).toBe(true);
        for (const { placed } of plan.patterns)
          for (const [i, a] of placed.entries()) {
            expect(a.x >= of.trimW && a.y >= of.trimH && a.x + a.w <= of.parentW && a.y + a.h <= of.parentH).toBe(true);
            expect([a.w, a.h].sort()).toEqual([of.pieces[a.of]?.w, of.pieces[a.of]?.h].sort());
            for (const b of placed.slice(i + 1))
              expect(
                a.x + a.w + of.kerf <= b.x || b.x + b.w + of.kerf <= a.x || a.y + a.h + of.kerf <= b.y || b.y + b.h + of.kerf <= a.y,
              ).toBe(true);
          }
      }),
      { numRuns: 25 },
    );
  });

  it("refuse by place what no sheet holds", () => {
    const of = {
      parentW: 100,
      parentH: 100,
      rotate: true,
      kerf: 0,
      trimW: 0,
      trimH: 0,
      pieces: [
        { w: 50, h: 50, count: 4 },
        { w: 120, h: 10, count: 1 },
      ],
    };
    expect(sheetPlan(of, solve)).toEqual({ feasible: false, tooLarge: [1] });
    expect(sheetPlan({ ...of, pieces: [{ w: 50, h: 50, count: 8 }] }, solve)).toMatchObject({ parents: 2, gapPercent: 0, surplus: [0] });
  });
});

const twoShops: BuyProblem = {
  materials: [{ id: "cups", onHand: 10 }],
  suppliers: [
    { id: "near", lead: 1, fee: 300, freeFrom: 2000, least: 0 },
    { id: "far", lead: 9, fee: 100, freeFrom: null, least: 0 },
  ],
  packs: [
    { id: "n50", material: "cups", supplier: "near", size: 50, price: 700 },
    { id: "f50", material: "cups", supplier: "far", size: 50, price: 500 },
  ],
  crates: [
    { id: "one", needBy: 3, needs: { cups: 60 } },
    { id: "two", needBy: 20, needs: { cups: 70 } },
  ],
};

describe("buying", () => {
  it("is as cheap as trying every number of packs finds", () => {
    const small = fc.record({
      prices: fc.tuple(fc.integer({ min: 100, max: 900 }), fc.integer({ min: 100, max: 900 })),
      fees: fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 0, max: 600 })),
      freeFrom: fc.option(fc.integer({ min: 500, max: 4000 }), { nil: null }),
      least: fc.integer({ min: 0, max: 2500 }),
      needs: fc.tuple(fc.integer({ min: 1, max: 160 }), fc.integer({ min: 1, max: 160 })),
    });
    fc.assert(
      fc.property(small, ({ prices, fees, freeFrom, least, needs }) => {
        const [near, far] = twoShops.suppliers;
        if (!near || !far) throw new Error("two shops");
        const problem: BuyProblem = {
          ...twoShops,
          suppliers: [
            { ...near, fee: fees[0], freeFrom },
            { ...far, fee: fees[1], least },
          ],
          packs: twoShops.packs.map((pack, i) => ({ ...pack, price: prices[i] ?? 0 })),
          crates: twoShops.crates.map((crate, i) => ({ ...crate, needs: { cups: needs[i] ?? 0 } })),
        };
        const [first = 0, all = 0] = [needs[0] - 10, needs[0] + needs[1] - 10];
        let cheapest = Number.POSITIVE_INFINITY;
        for (let n = 0; n <= 60; n += 1)
          for (let f = 0; f <= 60; f += 1) {
            const [gn, gf] = [n * prices[0], f * prices[1]];
            if (n * 50 < first || (n + f) * 50 < all || (f > 0 && gf < least)) continue;
            const cost = gn + gf + (n > 0 && (freeFrom === null || gn < freeFrom) ? fees[0] : 0) + (f > 0 ? fees[1] : 0);
            cheapest = Math.min(cheapest, cost);
          }
        const plan = purchasePlan(problem, solve);
        expect(plan.feasible && plan.best.cost).toBe(cheapest);
      }),
      { numRuns: 40 },
    );
  });

  it("names what can't arrive in time, and says that nothing else would do", () => {
    const late = { ...twoShops, packs: twoShops.packs.filter((pack) => pack.supplier === "far") };
    expect(purchasePlan(late, solve)).toMatchObject({ feasible: false, unmet: [{ material: "cups", needBy: 3, amount: 50 }] });
    const only = purchasePlan({ ...twoShops, packs: twoShops.packs.filter((pack) => pack.supplier === "near") }, solve);
    expect(only.feasible && only.next).toBeNull();
    const [near] = twoShops.suppliers;
    const tight = {
      ...twoShops,
      suppliers: [{ ...near, least: 9000 } as never],
      packs: [{ id: "n", material: "cups", supplier: "near", size: 50, price: 700, max: 3 }],
    };
    expect(purchasePlan(tight, solve)).toEqual({ feasible: false, unmet: [], leastOutOfReach: ["near"] });
  });

  it("serves the first crate first, and says what is left over", () => {
    const plan = purchasePlan(twoShops, solve);
    if (!plan.feasible) throw new Error("it is");
    const [cups] = allotments(twoShops, twoShops, plan.best);
    expect(cups?.crates.map(({ crate, bought }) => [crate, bought])).toEqual([
      ["one", 50],
      ["two", 70],
    ]);
    expect(cups?.left).toBe(plan.best.packs.reduce((sum, { count }) => sum + count * 50, 0) - 120);
  });

  it("lets what comes back serve every crate, less what was lost before", () => {
    const crates = twoShops.crates.map((crate) => ({ ...crate, losses: { cups: 2 } }));
    expect(demandsOf({ materials: [{ id: "cups", reusable: true, onHand: 10 }], crates }).map(({ amount }) => amount)).toEqual([50, 62]);
  });
});
