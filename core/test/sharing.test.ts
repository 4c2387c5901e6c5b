import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import {
  type Allotment,
  allotments,
  allotted,
  type BuyCrate,
  type BuyMaterial,
  type BuyProblem,
  demandsOf,
  type Purchase,
  purchasePlan,
  seasonUseOf,
  withoutLate,
} from "../src/index.ts";
import { anySeason } from "./anySeason.ts";

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const near = 1e-6;
const rounded = (amount: number): number => Math.round(amount / near) * near;

/** What can be bought of a season in time, with its plan; each with a least order now and then. */
function planned(problem: BuyProblem): { readonly rest: BuyProblem; readonly best: Purchase; readonly given: readonly Allotment[] } {
  const { rest } = withoutLate(problem);
  const plan = purchasePlan(rest, solve);
  if (!plan.feasible) throw new Error("what can't come was let go");
  return { rest, best: plan.best, given: allotments(problem, rest, plan.best) };
}

/** Pieces of a material that a purchase brings by a day. */
const brought = ({ packs, suppliers }: BuyProblem, { packs: counts }: Purchase, id: string, day: number): number =>
  sum(
    counts.map(({ id: packId, count }) => {
      const pack = packs.find((p) => p.id === packId);
      const lead = suppliers.find((s) => s.id === pack?.supplier)?.lead ?? Number.POSITIVE_INFINITY;
      return pack?.material === id && lead <= day ? count * pack.size : 0;
    }),
  );

/** Checks by walking through the season that nobody is given what is not in the house; knows nothing of stock, bought and lent. */
function walkThrough(rest: BuyProblem, best: Purchase, material: BuyMaterial, { crates: given }: Allotment): void {
  const gets = (crate: BuyCrate): number => {
    const one = given.find((g) => g.crate === crate.id);
    return one ? one.stock + one.bought + one.lent : 0;
  };
  for (const crate of rest.crates) {
    const there =
      (material.onHand ?? 0) +
      sum((material.arrivals ?? []).map(({ day, amount }) => (day <= crate.needBy ? amount : 0))) +
      brought(rest, best, material.id, crate.needBy);
    const gone = rest.crates.map((other) => {
      if (!material.reusable) return other.needBy <= crate.needBy ? gets(other) : 0;
      const [from, to, now] = [other.out?.from ?? 0, other.out?.to ?? 0, crate.out?.from ?? 0];
      if (from <= now && now < to) return gets(other);
      return to <= now ? Math.min(gets(other), other.losses?.[material.id] ?? 0) : 0;
    });
    if (gets(crate) > 0) expect(sum(gone)).toBeLessThanOrEqual(there + near);
  }
}

describe("who gets what, what can't come and what is bought", () => {
  it("agree to the piece in any season, with things out together, caps and late crates", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const { rest, best, given } = planned(problem);
        for (const material of problem.materials) {
          const of = given.find((one) => one.material === material.id);
          if (!of) throw new Error("every material is told of");
          for (const { crate: id, need, stock, bought, lent, lacks } of of.crates) {
            const [whole, wanted] = [problem, rest].map(({ crates }) => crates.find((c) => c.id === id)?.needs[material.id] ?? 0);
            expect(need).toBe(whole);
            expect(Math.min(stock, bought, lent)).toBeGreaterThanOrEqual(0);
            expect(stock + bought + lent + lacks).toBeCloseTo(need, 6);
            // Exactly what was let go is lacking.
            expect(lacks).toBeCloseTo((whole ?? 0) - (wanted ?? 0), 6);
          }
          const all = brought(problem, best, material.id, Number.POSITIVE_INFINITY);
          expect(of.bought).toBeCloseTo(sum(of.crates.map(({ bought }) => bought)), 6);
          expect(of.bought + of.left).toBeCloseTo(all, 6);
          expect(of.left).toBeGreaterThanOrEqual(-near);
          walkThrough(rest, best, material, of);
        }
      }),
      { numRuns: 500 },
    );
  });

  it("say what must be bought before a plan is known as they do after", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const { rest, given } = planned(problem);
        const before = allotments(problem, rest, null);
        for (const [i, one] of given.entries()) {
          const told = (of: Allotment | undefined): readonly number[] =>
            of ? [of.bought, of.lacks, ...of.crates.flatMap((c) => [c.stock, c.bought, c.lent, c.lacks])].map(rounded) : [];
          expect(told(before[i])).toEqual(told(one));
        }
      }),
      { numRuns: 200 },
    );
  });

  it("buy no more than the greatest of the season's demands, where nobody's day comes before another's that goes out first", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const inOrder = { ...problem, crates: problem.crates.map((crate) => ({ ...crate, needBy: crate.out?.from ?? 0 })) };
        for (const material of inOrder.materials) {
          const wanted = demandsOf(inOrder).filter((demand) => demand.material === material.id);
          const { bought } = allotted(material, inOrder.crates);
          expect(bought).toBeCloseTo(Math.max(0, ...wanted.map(({ amount }) => amount)), 6);
          expect(seasonUseOf(material, inOrder.crates).short).toBe(bought);
        }
      }),
      { numRuns: 300 },
    );
  });

  it("count packs once, however often they are lent on, and none beyond its count", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const { best, given } = planned(problem);
        const packs = given.flatMap((one) => one.packs);
        expect(packs.map(({ pack }) => pack).sort()).toEqual(best.packs.map(({ id }) => id).sort());
        for (const { pack, crates, left } of packs) {
          const of = problem.packs.find((p) => p.id === pack);
          const amount = (best.packs.find((p) => p.id === pack)?.count ?? 0) * (of?.size ?? 0);
          expect(left).toBeGreaterThanOrEqual(-near);
          for (const gets of Object.values(crates)) expect(gets).toBeLessThanOrEqual(amount + near);
          if (of?.material === "gone") expect(sum(Object.values(crates)) + left).toBeCloseTo(amount, 6);
        }
        for (const { crates, packs: of } of given)
          for (const { crate, bought, lent } of crates) expect(sum(of.map((p) => p.crates[crate] ?? 0))).toBeCloseTo(bought + lent, 6);
      }),
      { numRuns: 200 },
    );
  });
});

const out = (id: string, needBy: number, needs: number, from: number, to: number): BuyCrate => ({
  id,
  needBy,
  needs: { scissors: needs },
  out: { from, to },
});

describe("what comes back", () => {
  const scissors = { id: "scissors", onHand: 28, reusable: true };
  const ten: readonly BuyProblem["packs"][number][] = [{ id: "ten", material: "scissors", supplier: "corner", size: 10, price: 2300 }];
  const corner = { id: "corner", lead: 1, fee: 0, freeFrom: null, least: 0 };

  it("is bought for the crate that is out with another, and lent on to a later one", () => {
    const problem: BuyProblem = {
      materials: [scissors],
      suppliers: [corner],
      packs: ten,
      crates: [out("walk", 3, 27, 30, 60), out("flinger", 3, 8, 50, 70), out("later", 9, 30, 90, 99)],
    };
    const { given } = planned(problem);
    expect(given).toEqual([
      {
        material: "scissors",
        crates: [
          { crate: "walk", need: 27, stock: 27, bought: 0, lent: 0, lacks: 0, taken: 0 },
          { crate: "flinger", need: 8, stock: 1, bought: 7, lent: 0, lacks: 0, taken: 27 },
          { crate: "later", need: 30, stock: 28, bought: 0, lent: 2, lacks: 0, taken: 0 },
        ],
        packs: [{ pack: "ten", crates: { flinger: 7, later: 2 }, left: 3 }],
        bought: 7,
        left: 3,
        lacks: 0,
      },
    ]);
  });

  it("that two crates lack together is bought for both: nothing of it is left over", () => {
    const problem: BuyProblem = {
      materials: [{ ...scissors, onHand: 0 }],
      suppliers: [corner],
      packs: ten,
      crates: [out("walk", 3, 3, 30, 60), out("flinger", 3, 7, 50, 70)],
    };
    const [of] = planned(problem).given;
    expect([of?.bought, of?.left, of?.packs]).toEqual([10, 0, [{ pack: "ten", crates: { walk: 3, flinger: 7 }, left: 0 }]]);
  });

  it("and that nobody brings is missing once, in however many sessions it would be used", () => {
    const problem: BuyProblem = {
      materials: [scissors],
      suppliers: [],
      packs: [],
      crates: [out("one", 3, 29, 30, 60), out("two", 9, 29, 90, 99), out("three", 12, 30, 120, 130)],
    };
    const [of] = planned(problem).given;
    expect(of?.crates.map(({ stock, lacks }) => [stock, lacks])).toEqual([
      [28, 1],
      [28, 1],
      [28, 2],
    ]);
    expect(of?.lacks).toBe(2);
  });
});
