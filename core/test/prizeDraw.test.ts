import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { prizeDraw } from "../src/index.ts";

const ids = fc.uniqueArray(fc.string({ minLength: 1, maxLength: 8 }), { maxLength: 40 });

describe("a draw among qualifiers", () => {
  it("has each of them once, and is the same however they were listed", () => {
    fc.assert(
      fc.property(ids, fc.integer({ min: 0, max: 2 ** 32 - 1 }), (list, seed) => {
        const drawn = prizeDraw(list, seed);
        expect([...drawn].sort()).toEqual([...list].sort());
        expect(prizeDraw([...list].reverse(), seed)).toEqual(drawn);
      }),
    );
  });

  it("gives everybody each place about as often", () => {
    const list = ["a", "b", "c", "d", "e"];
    const draws = 20_000;
    const counts = new Map<string, number>();
    for (let seed = 0; seed < draws; seed += 1)
      for (const [place, id] of prizeDraw(list, seed * 7919).entries()) counts.set(`${id}${place}`, (counts.get(`${id}${place}`) ?? 0) + 1);
    // Chi-square of 25 cells with 16 degrees of freedom: more than 39.3 one time in a thousand.
    const expected = draws / list.length;
    const square = [...counts.values()].reduce((sum, n) => sum + (n - expected) ** 2 / expected, 0);
    expect(counts.size).toBe(25);
    expect(square).toBeLessThan(39.3);
  });

  it("gives another order for another seed", () => {
    const list = Array.from({ length: 12 }, (_, i) => `entry-${i}`);
    expect(new Set([1, 2, 3, 4].map((seed) => prizeDraw(list, seed).join())).size).toBe(4);
  });
});
