import fc from "fast-check";
import type { BuyProblem } from "../src/index.ts";

/** Random seasons of things that come back and things that don't, with crates out together, caps and late days. */
export const anySeason: fc.Arbitrary<BuyProblem> = fc
  .record({
    crates: fc.array(
      fc.record({
        needBy: fc.integer({ min: 0, max: 12 }),
        from: fc.integer({ min: 0, max: 14 }),
        long: fc.integer({ min: 1, max: 4 }),
        needs: fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 })),
        lost: fc.integer({ min: 0, max: 3 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    onHand: fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 12 })),
    arrives: fc.integer({ min: 0, max: 14 }),
    packs: fc.array(
      fc.record({
        of: fc.constantFrom("back", "gone"),
        size: fc.integer({ min: 1, max: 5 }),
        max: fc.option(fc.integer({ min: 0, max: 3 }), { nil: undefined }),
        lead: fc.integer({ min: 0, max: 13 }),
      }),
      { maxLength: 4 },
    ),
  })
  .map(({ crates, onHand, arrives, packs }) => ({
    materials: [
      { id: "back", onHand: onHand[0], reusable: true },
      { id: "gone", onHand: onHand[1], arrivals: [{ day: arrives, amount: 3 }] },
    ],
    suppliers: packs.map(({ lead }, i) => ({ id: `s${i}`, lead, fee: 500, freeFrom: null, least: 0 })),
    packs: packs.map(({ of, size, max }, i) => ({
      id: `p${i}`,
      material: of,
      supplier: `s${i}`,
      size,
      price: 100,
      ...(max === undefined ? {} : { max }),
    })),
    crates: crates
      .map(({ needBy, from, long, needs, lost }, i) => ({
        id: `c${i}`,
        needBy,
        needs: { back: needs[0], gone: needs[1] },
        losses: { back: Math.min(lost, needs[0]) },
        out: { from, to: from + long },
      }))
      .sort((a, b) => a.out.from - b.out.from),
  }));
