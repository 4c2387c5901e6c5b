import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { type BuyProblem, demandsOf, purchasePlan, unmetBy, withoutLate } from "../src/index.ts";
import { anySeason } from "./anySeason.ts";

describe("what can't be brought in time", () => {
  it("is let go until the rest can be bought, whatever is out together", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const { rest } = withoutLate(problem);
        expect(unmetBy(rest, demandsOf(rest))).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });

  it("is let go to the piece: with one more of it asked for, something would be missing again", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const { late, rest } = withoutLate(problem);
        const item = late.at(-1);
        fc.pre(item !== undefined);
        const more = (id: string): BuyProblem => ({
          ...rest,
          crates: rest.crates.map((crate) =>
            crate.id === id ? { ...crate, needs: { ...crate.needs, [item.material]: (crate.needs[item.material] ?? 0) + 1 } } : crate,
          ),
        });
        // The last of them gave what it had, or what was missing: one of the two has it at its limit.
        const crates = item.crates.filter((id) => unmetBy(more(id), demandsOf(more(id))).length > 0);
        expect(crates.length).toBeGreaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  it("says how much comes and how much is missing of what two crates of one day need at once", () => {
    const crate = (id: string, needBy: number, from: number, need: number) => ({
      id,
      needBy,
      needs: { rig: need, card: 5 },
      out: { from, to: from + 2 },
    });
    const problem: BuyProblem = {
      materials: [{ id: "rig", onHand: 10, reusable: true }, { id: "card" }],
      suppliers: [{ id: "quay", lead: 1, fee: 0, freeFrom: null, least: 0 }],
      packs: [{ id: "card", material: "card", supplier: "quay", size: 10, price: 100 }],
      // The later of the two takes longer to prepare: it is needed sooner.
      crates: [crate("a", 4, 10, 6), crate("b", 3, 11, 5)],
    };
    const { late, rest } = withoutLate(problem);
    expect(late).toEqual([{ material: "rig", needBy: 3, amount: 1, crates: ["b"], latestOrder: null, leastOf: null }]);
    expect(rest.crates.map(({ needs }) => needs["rig"])).toEqual([6, 4]);
    const plan = purchasePlan(rest, solve);
    expect(plan.feasible && plan.best.packs).toEqual([{ id: "card", count: 1 }]);
  });

  it("blames a least order that can't be reached for what only that supplier has, and plans the rest", () => {
    const problem: BuyProblem = {
      materials: [{ id: "felt" }, { id: "card" }],
      suppliers: [
        { id: "mill", lead: 2, fee: 0, freeFrom: null, least: 50_000 },
        { id: "quay", lead: 1, fee: 0, freeFrom: null, least: 0 },
      ],
      packs: [
        { id: "felt", material: "felt", supplier: "mill", size: 1, price: 300, max: 8 },
        { id: "card-mill", material: "card", supplier: "mill", size: 10, price: 10, max: 5 },
        { id: "card", material: "card", supplier: "quay", size: 10, price: 100 },
      ],
      crates: [{ id: "a", needBy: 5, needs: { felt: 3, card: 12 } }],
    };
    const { late, rest } = withoutLate(problem);
    expect(late).toEqual([{ material: "felt", needBy: 5, amount: 3, crates: ["a"], latestOrder: null, leastOf: "mill" }]);
    const plan = purchasePlan(rest, solve);
    expect(plan.feasible && [plan.best.cost, plan.best.packs]).toEqual([200, [{ id: "card", count: 2 }]]);
  });
});
