import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { targetFromCosts } from "../src/index.ts";
import { commonRank, costsAt, type RankedLine } from "../src/kit/crate/serviceLevel.ts";
import { rankedDraws } from "../src/kit/draws/rankedDraws.ts";

const anyLines = fc
  .record({
    n: fc.integer({ min: 1, max: 40 }),
    lines: fc.array(
      fc.record({
        whole: fc.boolean(),
        step: fc.constantFrom(1, 10),
        price: fc.integer({ min: 0, max: 400 }),
        seeds: fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 40, maxLength: 40 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ n, lines }): readonly RankedLine[] =>
    lines.map(({ whole, step, price, seeds }, l) => ({
      id: `line-${l}`,
      draws: seeds.slice(0, n).map((seed) => (whole ? Math.round(seed) : seed)),
      step: whole ? 1 : step,
      price,
    })),
  );
const anyTarget = fc.double({ min: 0.5, max: 0.999, noNaN: true });

const drawOf = (line: RankedLine, d: number): number => line.draws[d] ?? 0;
const countOf = (lines: readonly RankedLine[]): number => lines[0]?.draws.length ?? 0;

describe("ranks of draws", () => {
  it("are one more than the draws that are strictly smaller, whole or not, near or far apart", () => {
    const values = fc.oneof(
      fc.array(fc.integer({ min: -20, max: 20 }), { maxLength: 60 }),
      fc.array(fc.integer({ min: 0, max: 5_000_000 }), { maxLength: 60 }),
      // No draw is a zero below zero: adding nothing makes it a plain one.
      fc.array(
        fc.double({ min: -5, max: 5, noNaN: true }).map((draw) => draw + 0),
        { maxLength: 60 },
      ),
    );
    fc.assert(
      fc.property(values, (draws) => {
        const { sorted, ranks } = rankedDraws(draws);
        expect([...sorted]).toEqual([...draws].map((v) => v + 0).sort((a, b) => a - b));
        expect([...ranks]).toEqual(draws.map((value) => 1 + draws.filter((other) => other < value).length));
      }),
    );
  });
});

describe("the whole crate's certainty", () => {
  it("covers at least the share of draws it was asked for, and no smaller common rank would", () => {
    fc.assert(
      fc.property(anyLines, anyTarget, (lines, target) => {
        const found = commonRank(lines, target);
        const n = countOf(lines);
        const ranks = lines.map((line) => rankedDraws(line.draws).ranks);
        const greatest = Array.from({ length: n }, (_, d) => Math.max(...ranks.map((rank) => rank[d] ?? 0)));
        const within = (rank: number): number => greatest.filter((g) => g <= rank).length / n;
        expect(within(found.rank)).toBeGreaterThanOrEqual(target - 1e-9);
        expect(found.covered).toBeCloseTo(within(found.rank), 12);
        if (found.rank > 1) expect(within(found.rank - 1)).toBeLessThan(target);
        for (let d = 0; d < n; d += 1)
          if ((greatest[d] ?? 0) <= found.rank)
            for (const line of lines) expect(drawOf(line, d)).toBeLessThanOrEqual((found.quantities[line.id] ?? 0) + 1e-7);
      }),
    );
  });

  it("never asks for less of anything, nor costs less, when it must be surer", () => {
    fc.assert(
      fc.property(anyLines, anyTarget, anyTarget, (lines, a, b) => {
        const [less, more] = [commonRank(lines, Math.min(a, b)), commonRank(lines, Math.max(a, b))];
        for (const line of lines) expect(more.quantities[line.id]).toBeGreaterThanOrEqual(less.quantities[line.id] ?? 0);
        expect(more.cost).toBeGreaterThanOrEqual(less.cost - 1e-9);
        expect(less.costOfOnePointMore).toBeGreaterThanOrEqual(-1e-9);
        const [costLess, costMore] = costsAt(lines, [Math.min(a, b), Math.max(a, b)]);
        expect([costLess, costMore]).toEqual([expect.closeTo(less.cost, 6), expect.closeTo(more.cost, 6)]);
      }),
    );
  });

  it("asks for no less than a line alone would, and for exactly that where there is one line", () => {
    fc.assert(
      fc.property(anyLines, anyTarget, (lines, target) => {
        const { quantities, alone } = commonRank(lines, target);
        for (const line of lines) expect(quantities[line.id]).toBeGreaterThanOrEqual(alone[line.id] ?? 0);
        const [first] = lines;
        if (!first) return;
        const single = commonRank([first], target);
        expect(single.quantities).toEqual(single.alone);
      }),
    );
  });

  it("names as driving the line whose endless supply would cover most of the draws that run out", () => {
    fc.assert(
      fc.property(anyLines, anyTarget, (lines, target) => {
        const { rank, drives, onlyShort } = commonRank(lines, target);
        const ranks = lines.map((line) => rankedDraws(line.draws).ranks);
        const shortOf = (d: number): readonly number[] => lines.flatMap((_, l) => ((ranks[l]?.[d] ?? 0) > rank ? [l] : []));
        const runsOut = Array.from({ length: countOf(lines) }, (_, d) => shortOf(d)).filter((short) => short.length > 0);
        const cured = lines.map((_, l) => runsOut.filter((short) => short.length === 1 && short[0] === l).length);
        const most = Math.max(0, ...cured);
        if (most === 0) expect(drives).toBeNull();
        else expect(cured[lines.findIndex((line) => line.id === drives)]).toBe(most);
        for (const [l, line] of lines.entries())
          expect(onlyShort[line.id]).toBeCloseTo(runsOut.length === 0 ? 0 : (cured[l] ?? 0) / runsOut.length, 12);
      }),
    );
  });

  it("rounds up to what can be put out: whole pieces, ten millimetres", () => {
    const tape: RankedLine = { id: "tape", draws: [101, 250.5, 399], step: 10, price: 1 };
    expect(commonRank([tape], 0.6).quantities).toEqual({ tape: 260 });
    expect(commonRank([tape], 0.99).quantities).toEqual({ tape: 400 });
    expect(commonRank([], 0.95)).toMatchObject({ rank: 0, level: 1, covered: 1, drives: null, cost: 0, costOfOnePointMore: 0 });
  });
});

describe("certainty left to costs", () => {
  it("is the cost of turning one away against that of a kit left over, at most 999 in 1000", () => {
    expect(targetFromCosts(900, 100)).toBeCloseTo(0.9, 12);
    expect(targetFromCosts(1_000_000, 1)).toBe(0.999);
    expect(targetFromCosts(500, -20)).toBe(0.999);
  });

  it("is surer the dearer it is to turn one away, and less sure the dearer the kit", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 0, max: 500 }),
        (away, kit, more) => {
          expect(targetFromCosts(away + more, kit)).toBeGreaterThanOrEqual(targetFromCosts(away, kit));
          expect(targetFromCosts(away, kit + more)).toBeLessThanOrEqual(targetFromCosts(away, kit));
        },
      ),
    );
  });
});
