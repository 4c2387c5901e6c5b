import { describe, expect, it } from "vitest";
import { judge } from "../reference/judge.ts";

describe("judging a reference case", () => {
  it("takes either tolerance, and names the part that is out", () => {
    expect(judge(1.004, 1, { rel: 0.005 }).ok).toBe(true);
    expect(judge(1.006, 1, { rel: 0.005 }).ok).toBe(false);
    expect(judge({ a: 1, b: 3 }, { a: 1, b: 2 }, { abs: 0.5 }).wrong).toEqual([".b"]);
  });

  it("lets low and high decide where they stand, part by part", () => {
    const tolerance = { quantiles: { whenExact: 0, low: [19, 27], high: [20, 29] } };
    expect(judge({ quantiles: [20, 28] }, { quantiles: [20, 28] }, tolerance).ok).toBe(true);
    expect(judge({ quantiles: [21, 28] }, { quantiles: [20, 28] }, tolerance).wrong).toEqual([".quantiles[0]"]);
  });

  it("asks for equality where a part is exact, and for the right length", () => {
    expect(judge({ hits: 2, p: 0.1000000001 }, { hits: 2, p: 0.1 }, { exact: ["hits"], abs: 1e-6 }).ok).toBe(true);
    expect(judge({ hits: 3, p: 0.1 }, { hits: 2, p: 0.1 }, { exact: ["hits"], abs: 5 }).ok).toBe(false);
    expect(judge([1], [1, 2], { abs: 1 }).ok).toBe(false);
  });
});
