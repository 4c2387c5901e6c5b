import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { exp, log, logFactorial } from "../src/numeric/elementary.ts";
import { BinomialDraws, NegativeBinomialDraws, PoissonDraws } from "../src/random/discrete.ts";
import { gammaAt } from "../src/random/gamma.ts";
import { normalQuantile } from "../src/random/normal.ts";
import { seedOf, uniformAt } from "../src/random/stream.ts";

const n = 20_000;
const draw = (at: (u: number, i: number) => number, seed = seedOf("test")): number[] =>
  Array.from({ length: n }, (_, i) => at(uniformAt(seed, i), i));
const moments = (values: readonly number[]): { mean: number; variance: number } => {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return { mean, variance: values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length };
};

describe("our own exp and log", () => {
  it("agree with the engine's to the last few digits", () => {
    fc.assert(fc.property(fc.double({ min: -700, max: 700, noNaN: true }), (x) => Math.abs(exp(x) / Math.exp(x) - 1) < 4e-16));
    fc.assert(
      fc.property(
        fc.double({ min: 1e-300, max: 1e300, noNaN: true }),
        (x) => Math.abs(log(x) - Math.log(x)) <= 4e-16 * Math.max(1, Math.abs(Math.log(x))),
      ),
    );
  });

  it("keep their ends", () => {
    expect([exp(-800), exp(0), exp(800), log(0), log(-1), log(1)]).toEqual([
      0,
      1,
      Number.POSITIVE_INFINITY,
      Number.NEGATIVE_INFINITY,
      Number.NaN,
      0,
    ]);
  });

  it("joins the factorial's sum and series", () => {
    expect(logFactorial(20)).toBeCloseTo(Math.log(2432902008176640000), 12);
    expect(logFactorial(256) - logFactorial(255)).toBeCloseTo(Math.log(256), 11);
  });
});

describe("streams", () => {
  it("are even: a chi-square over 64 cells stays inside its 0.1 % ends", () => {
    const cells = new Array<number>(64).fill(0);
    for (let i = 0; i < 64_000; i += 1) {
      const cell = Math.floor(uniformAt(seedOf("even"), i) * 64);
      cells[cell] = (cells[cell] ?? 0) + 1;
    }
    const chi = cells.reduce((sum, c) => sum + (c - 1000) ** 2 / 1000, 0);
    expect(chi).toBeGreaterThan(33);
    expect(chi).toBeLessThan(103);
  });

  it("tell words apart by where they end", () => {
    expect(seedOf("ab", "c")).not.toBe(seedOf("a", "bc"));
  });

  it("are not alike between purposes", () => {
    const pairs = Array.from(
      { length: n },
      (_, i) => (uniformAt(seedOf("a", "heads"), i) - 0.5) * (uniformAt(seedOf("a", "spoil"), i) - 0.5) * 12,
    );
    expect(Math.abs(moments(pairs).mean)).toBeLessThan(4 / Math.sqrt(n));
  });
});

describe("distributions by their moments", () => {
  it.each([
    ["binomial", (u: number) => new BinomialDraws(0.3).at(40, u), 12, 8.4],
    [
      "negative binomial",
      (u: number, i: number) => new NegativeBinomialDraws(0.1).at(200, u, uniformAt(seedOf("rest"), i)),
      200 / 9,
      200 / 8.1,
    ],
    ["Poisson", (u: number) => new PoissonDraws(6.5).at(u), 6.5, 6.5],
    ["normal", (u: number) => 3 + 2 * normalQuantile(u), 3, 4],
    ["Gamma", (_: number, i: number) => gammaAt(4.2, seedOf("gamma"), i), 4.2, 4.2],
    ["Gamma below one", (_: number, i: number) => gammaAt(0.6, seedOf("gamma"), i), 0.6, 0.6],
  ] as const)("%s", (_, at, mean, variance) => {
    const got = moments(draw(at));
    expect(Math.abs(got.mean - mean)).toBeLessThan(4.5 * Math.sqrt(variance / n));
    expect(got.variance / variance).toBeGreaterThan(0.9);
    expect(got.variance / variance).toBeLessThan(1.1);
  });

  it("binomial draws go up with their uniform, and stay between 0 and n", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 300 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: 0.001, max: 0.998, noNaN: true }),
        (size, p, u) => {
          const draws = new BinomialDraws(p);
          const [low, high] = [draws.at(size, u), draws.at(size, u + 0.001)];
          expect(low).toBeGreaterThanOrEqual(0);
          expect(high).toBeLessThanOrEqual(size);
          expect(low).toBeLessThanOrEqual(high);
        },
      ),
    );
  });

  it("knows the normal's quantiles", () => {
    expect(normalQuantile(0.975)).toBeCloseTo(1.959963984540054, 13);
    expect(normalQuantile(1e-12)).toBeCloseTo(-7.034483825301131, 10);
  });
});
