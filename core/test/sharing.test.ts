import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { type BuyProblem, demandsOf, promisesOf, purchasePlan, seasonUseOf, sharedByPack, sharedOut, withoutLate } from "../src/index.ts";

/** Two materials from three shops with different leads, wanted by four crates; one of them comes back. */
const anySeason = fc
  .record({
    onHand: fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 20 })),
    needs: fc.array(fc.tuple(fc.integer({ min: 0, max: 80 }), fc.integer({ min: 0, max: 30 })), { minLength: 4, maxLength: 4 }),
    sizes: fc.array(fc.integer({ min: 3, max: 40 }), { minLength: 6, maxLength: 6 }),
    prices: fc.array(fc.integer({ min: 50, max: 900 }), { minLength: 6, maxLength: 6 }),
    days: fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 4, maxLength: 4 }),
    lasts: fc.integer({ min: 1, max: 12 }),
    arrival: fc.record({ day: fc.integer({ min: 0, max: 30 }), amount: fc.integer({ min: 0, max: 90 }) }),
  })
  .map(
    ({ onHand, needs, sizes, prices, days, lasts, arrival }): BuyProblem => ({
      materials: [
        { id: "card", onHand: onHand[0], arrivals: [arrival] },
        { id: "goggles", onHand: onHand[1], reusable: true },
      ],
      suppliers: [
        { id: "corner", lead: 1, fee: 0, freeFrom: null, least: 0 },
        { id: "papers", lead: 5, fee: 400, freeFrom: 3000, least: 0 },
        { id: "far", lead: 12, fee: 200, freeFrom: null, least: 0 },
      ],
      packs: ["corner", "papers", "far"].flatMap((supplier, s) =>
        ["card", "goggles"].map((material, m) => ({
          id: `${supplier} ${material}`,
          material,
          supplier,
          size: sizes[2 * s + m] ?? 10,
          price: prices[2 * s + m] ?? 100,
        })),
      ),
      crates: [...days]
        .sort((a, b) => a - b)
        .map((needBy, c) => ({
          id: `crate-${c}`,
          needBy,
          needs: { card: needs[c]?.[0] ?? 0, goggles: needs[c]?.[1] ?? 0 },
          // Out together where one has not come back when the next goes out.
          out: { from: 10 * needBy + c, to: 10 * (needBy + lasts) },
        })),
    }),
  );

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

describe("sharing out what was bought", () => {
  it("gives every crate what it lacks and no more, and accounts for all of it", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const plan = purchasePlan(problem, solve);
        if (!plan.feasible) throw new Error("the corner shop has all of it in time");
        for (const { material: id, crates, left } of sharedOut(problem, plan.best)) {
          const bought = sum(
            plan.best.packs.map((p) => (p.id.endsWith(id) ? p.count * (problem.packs.find((k) => k.id === p.id)?.size ?? 0) : 0)),
          );
          expect(left).toBeGreaterThanOrEqual(0);
          if (id === "card") expect(sum(Object.values(crates)) + left).toBe(bought);
          else expect(Math.max(0, ...Object.values(crates)) + left).toBe(bought);
          for (const [crate, amount] of Object.entries(crates))
            expect(amount).toBeLessThanOrEqual(problem.crates.find((c) => c.id === crate)?.needs[id] ?? 0);
        }
        const card = sharedOut(problem, plan.best).find((s) => s.material === "card");
        const [material] = problem.materials;
        if (!material) throw new Error("card is wanted");
        expect(sum(Object.values(card?.crates ?? {}))).toBe(seasonUseOf(material, problem.crates).short);
      }),
      { numRuns: 60 },
    );
  });

  it("buys for a crate what it is promised short, no more: promises and plan agree to the piece", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        for (const material of problem.materials) {
          const shorts = promisesOf(material, problem.crates).map((promise) => promise.short);
          const wanted = demandsOf(problem).filter((demand) => demand.material === material.id);
          expect(shorts.every((short) => short >= 0)).toBe(true);
          expect(sum(shorts)).toBe(Math.max(0, ...wanted.map((demand) => demand.amount)));
          for (const demand of wanted) {
            const until = problem.crates.filter((crate) => crate.needBy <= demand.needBy).map((crate) => crate.id);
            const byThen = promisesOf(material, problem.crates).filter((promise) => until.includes(promise.crate));
            expect(sum(byThen.map((promise) => promise.short))).toBeGreaterThanOrEqual(demand.amount);
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it("lends what was bought to a crate that is out with another, and says for whom", () => {
    const problem: BuyProblem = {
      materials: [{ id: "scissors", onHand: 28, reusable: true }],
      suppliers: [{ id: "corner", lead: 1, fee: 0, freeFrom: null, least: 0 }],
      packs: [{ id: "ten", material: "scissors", supplier: "corner", size: 10, price: 2300 }],
      crates: [
        { id: "walk", needBy: 3, needs: { scissors: 27 }, out: { from: 30, to: 60 } },
        { id: "flinger", needBy: 3, needs: { scissors: 8 }, out: { from: 50, to: 70 } },
        { id: "later", needBy: 9, needs: { scissors: 27 }, out: { from: 90, to: 99 } },
      ],
    };
    const plan = purchasePlan(problem, solve);
    if (!plan.feasible) throw new Error("the corner shop has them");
    expect(sharedOut(problem, plan.best)).toEqual([{ material: "scissors", crates: { flinger: 7 }, left: 3 }]);
    expect(sharedByPack(problem, plan.best)).toEqual([{ pack: "ten", crates: { flinger: 7 }, left: 3 }]);
  });

  it("says the same pack by pack, none lent beyond its count", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const plan = purchasePlan(problem, solve);
        if (!plan.feasible) throw new Error("the corner shop has all of it in time");
        const whole = sharedOut(problem, plan.best);
        const byPack = sharedByPack(problem, plan.best);
        expect(byPack.map((share) => share.pack).sort()).toEqual(plan.best.packs.map((pack) => pack.id).sort());
        for (const { material, crates } of whole)
          for (const [crate, amount] of Object.entries(crates)) {
            const shares = byPack.filter((share) => share.pack.endsWith(material)).map((share) => share.crates[crate] ?? 0);
            expect(sum(shares)).toBe(amount);
          }
        for (const { pack, crates, left } of byPack) {
          const count = (plan.best.packs.find((p) => p.id === pack)?.count ?? 0) * (problem.packs.find((p) => p.id === pack)?.size ?? 0);
          expect(left).toBeGreaterThanOrEqual(0);
          for (const amount of Object.values(crates)) expect(amount).toBeLessThanOrEqual(count);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("leaves nothing late once what is late has been taken out", () => {
    fc.assert(
      fc.property(anySeason, (problem) => {
        const slow = { ...problem, packs: problem.packs.filter((pack) => pack.supplier === "far") };
        const { late, rest } = withoutLate(slow);
        const plan = purchasePlan(rest, solve);
        expect(plan.feasible).toBe(true);
        for (const item of late) {
          expect(item.amount).toBeGreaterThan(0);
          expect(item.latestOrder === null || item.latestOrder < 0).toBe(true);
          expect(item.crates.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 60 },
    );
  });
});
