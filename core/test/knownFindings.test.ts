import { describe, expect, it } from "vitest";
import {
  type FindingEntry,
  families,
  findingsWords,
  learnedBand,
  permutationTest,
  rankingCertainty,
  reachOf,
  runFindings,
  startValues,
} from "../src/index.ts";

const band = families["launch-band"];
const target = { ...startValues(band.spec), aim: "target", withinM: 0.2 };
const version = (
  number: number,
  values: readonly number[],
  variables: Record<string, number> = {},
  role: "build" | "control" = "build",
) => ({
  number,
  role,
  variables,
  place: "indoors",
  instrument: "tape",
  trials: values.map((value) => ({ kind: "number", value }) as const),
});
const exactly = (value: number) => ({ low: expect.closeTo(value, 9), high: expect.closeTo(value, 9), open: false });
const entry = (alias: string, versions: FindingEntry["versions"]): FindingEntry => ({ id: alias, alias, versions });
const one = (versions: FindingEntry["versions"]) => runFindings(band, target, [entry("Misty Heron", versions)]).builders[0];

describe("where less is better", () => {
  it("the best is the least, the goal is met at the goal itself, and improving is getting smaller", () => {
    expect(one([version(1, [0.9, 0.7]), version(2, [0.5, 0.3]), version(3, [0.6])])).toMatchObject({
      best: exactly(0.3),
      first: exactly(0.8),
      last: exactly(0.6),
      metGoal: false,
      improved: expect.closeTo(2, 9),
    });
    expect([one([version(1, [0.2])])?.metGoal, one([version(1, [0.2001])])?.metGoal]).toEqual([true, false]);
  });

  it("the bare test is nobody's version, and a version without a number is passed over", () => {
    expect(one([version(1, [0.01], {}, "control"), version(2, [0.9]), version(3, [])])).toMatchObject({
      best: exactly(0.9),
      first: exactly(0.9),
      last: exactly(0.9),
      improved: null,
      metGoal: false,
    });
    expect(one([version(1, [])])).toMatchObject({ best: null, first: null, last: null, improved: null, metGoal: false });
    expect(one([version(1, [0]), version(2, [0.1])])?.improved).toBeNull();
  });
});

describe("findings in words", () => {
  const better = entry("Misty Heron", [version(1, [0.9, 0.91, 0.9], { stretchM: 0.1 }), version(2, [0.3, 0.31, 0.3], { stretchM: 0.2 })]);
  const worse = entry("Calm Otter", [version(1, [0.5, 0.7], { stretchM: 0.1 }), version(2, [0.6, 0.8], { stretchM: 0.2 })]);
  const words = (entries: readonly FindingEntry[]) => findingsWords(runFindings(band, target, entries), "metric").slice(0, 3);

  it("count who did better among those who built twice, and fair tests that could tell, one or more", () => {
    expect(words([better, worse, entry("Damp Newt", [version(1, [0.4])])])).toEqual([
      "0 of 3 met the goal.",
      "1 of 2 who built again did better than with their first version.",
      "2 fair tests: 1 could tell a difference.",
    ]);
    expect(words([better])[2]).toBe("1 fair test: 1 could tell a difference.");
    expect(words([entry("Damp Newt", [version(1, [0.4])])])).toEqual(["0 of 1 met the goal."]);
  });
});

describe("a permutation test", () => {
  it("can be no surer than its splits allow: two of them at equal sizes, one else", () => {
    expect(permutationTest([3, 4], [1, 2])).toMatchObject({ hits: 2, splits: 6, leastP: 2 / 6 });
    expect(permutationTest([3, 9], [1, 2, 0])).toMatchObject({ hits: 1, splits: 10, leastP: 1 / 10 });
  });

  it("by shuffles finds what is alike alike, and what is far apart at its least", () => {
    const a = Array.from({ length: 12 }, (_, i) => 1 + 0.01 * ((i * 7) % 12));
    const near = permutationTest(
      a,
      a.map((x) => x + 0.0005),
    );
    const far = permutationTest(
      a,
      a.map((x) => x + 5),
    );
    expect([near.exact, near.p > 0.8, far.p === far.leastP]).toEqual([false, true, true]);
  });
});

describe("ranking", () => {
  it("by the middle of nine trials is surer than by one of them", () => {
    const certainty = (trials: number): number =>
      rankingCertainty({ entrants: 6, trials, between: 1, within: 1, scoredBy: "median" }, "seed");
    expect(certainty(9)).toBeGreaterThan(certainty(1) + 0.1);
    expect(rankingCertainty({ entrants: 1, trials: 3, between: 1, within: 1, scoredBy: "mean" }, "seed")).toBe(1);
    expect(rankingCertainty({ entrants: 4, trials: 3, between: 0, within: 1, scoredBy: "mean" }, "seed")).toBe(0.25);
  });
});

describe("a band that results have taught", () => {
  const guess = { mid: 2, low: 1.25, high: 3.2, factor: 1.6 };
  it("lies round its middle, narrower the more they are, and moves toward them", () => {
    const taught = learnedBand(guess, [1.4, 1.5, 1.4, 1.6]);
    expect(taught.low).toBeLessThan(taught.mid);
    expect(taught.low * taught.high).toBeCloseTo(taught.mid ** 2, 9);
    expect(taught.high / taught.low).toBeLessThan(guess.high / guess.low);
    expect(taught.mid).toBeGreaterThan(guess.mid);
  });

  it("reaches its own middle half of the time, and trying again helps", () => {
    const at = (goal: number, better: "more" | "less", loops = 0) => reachOf({ band: guess, ratios: [], better }, goal, loops);
    expect(at(2, "more").first).toBeCloseTo(0.5, 9);
    expect(at(2, "more", 2).within).toBeGreaterThan(0.6);
    expect(at(3, "more").first).toBeCloseTo(at(4 / 3, "less").first, 9);
    expect(at(3, "more").first).toBeLessThan(0.5);
    expect(at(0, "less")).toEqual({ first: 1, within: 1 });
  });
});
