import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  cureWords,
  flagWords,
  goalForShare,
  learnedBand,
  measurabilityWords,
  reachOf,
  reachWords,
  reasonWords,
  timesIn100,
} from "../src/index.ts";

const anyExpected = fc.record({
  band: fc.record({ mid: fc.double({ min: 0.2, max: 20, noNaN: true }), factor: fc.double({ min: 1.05, max: 3, noNaN: true }) }),
  ratios: fc.array(fc.double({ min: 0.4, max: 2.5, noNaN: true }), { maxLength: 10 }),
  better: fc.constantFrom("more", "less"),
});
const anyGoal = fc.double({ min: 0.1, max: 40, noNaN: true });

describe("who reaches a goal", () => {
  it("is a share, never smaller for a further loop, nor for an easier goal", () => {
    fc.assert(
      fc.property(anyExpected, anyGoal, fc.nat({ max: 5 }), (expected, goal, loops) => {
        const { first, within } = reachOf(expected, goal, loops);
        expect(first >= 0 && within <= 1).toBe(true);
        // The sum over the shared part is good to five digits.
        expect(within).toBeGreaterThanOrEqual(first - 1e-5);
        expect(reachOf(expected, goal, loops + 1).within).toBeGreaterThanOrEqual(within - 1e-12);
        const easier = expected.better === "more" ? goal / 1.3 : goal * 1.3;
        expect(reachOf(expected, easier, loops).first).toBeGreaterThanOrEqual(first);
      }),
    );
  });

  it("is half of all at the middle that was learned, with no loop", () => {
    fc.assert(
      fc.property(anyExpected, (expected) => {
        const { mid } = learnedBand({ ...expected.band, low: 0, high: 0 }, expected.ratios);
        expect(reachOf(expected, mid, 0).first).toBeCloseTo(0.5, 9);
        expect(reachOf(expected, mid, 0).within).toBeCloseTo(0.5, 5);
      }),
    );
  });

  it("is the wished share at the goal that was found for it", () => {
    fc.assert(
      fc.property(anyExpected, fc.double({ min: 0.03, max: 0.97, noNaN: true }), fc.nat({ max: 4 }), (expected, share, loops) => {
        const goal = goalForShare(expected, share, loops);
        expect(goal).not.toBeNull();
        expect(reachOf(expected, goal ?? 0, loops).within).toBeCloseTo(share, 6);
      }),
    );
  });

  it("has an answer at its ends, and none where nothing is predicted", () => {
    const sure = { band: { mid: 2, factor: 1 }, ratios: [], better: "more" } as const;
    expect([reachOf(sure, 0, 2), reachOf(sure, 1.9, 0), reachOf(sure, 2.1, 3)]).toEqual([
      { first: 1, within: 1 },
      { first: 1, within: 1 },
      { first: 0, within: 0 },
    ]);
    expect(reachOf({ ...sure, band: { mid: 0, factor: 1.5 } }, 1, 1)).toEqual({ first: 0, within: 0 });
    expect(goalForShare(sure, 0.5, 1)).toBeNull();
  });

  it("is said in words that are honest at the ends", () => {
    expect(reachWords({ first: 0.34, within: 0.81 }, 2)).toBe(
      "About 34 in 100 should meet the goal with their first version, about 81 in 100 within 3.",
    );
    expect(reachWords({ first: 0.001, within: 1 }, 4)).toBe(
      "Hardly any should meet the goal with their first version, nearly all within 5.",
    );
    expect(reachWords({ first: 0.999, within: 0.999 }, 0)).toBe("Nearly all should meet the goal with their first version.");
    expect([timesIn100(0.342), timesIn100(0.9999), timesIn100(0.0001)]).toEqual(["34 times in 100", "nearly always", "hardly ever"]);
  });
});

describe("what a test can tell, in words", () => {
  const measure = { id: "time", words: "time", dimension: "time", quality: "time", better: "more", unit: "s", instruments: [] } as const;
  const found = { measure, difference: 0.3, chance: 0.9, least: 0.24, needed: 3, sigma: 0.1, cures: [] } as unknown as Parameters<
    typeof measurabilityWords
  >[0];
  const says = (patch: object, trials = 3): string =>
    measurabilityWords({ ...found, ...patch }, trials, "metric")
      .join(" ")
      .replaceAll("\u00a0", " ");

  it("answers first, then says what is needed", () => {
    expect(says({})).toBe(
      "This test can tell the two apart: 3 trials of each show a difference of 0.30 s 90 times in 100. The smallest difference that it shows four times in five is 0.24 s.",
    );
    expect(says({ chance: 0.3, needed: 12 })).toMatch(
      /^This test can hardly tell .* only 30 times in 100\..* 12 trials of each would do it\.$/,
    );
    expect(says({ chance: 0.01, needed: null, least: null })).toMatch(
      /No number of trials up to a thousand would do it: this test cannot\.$/,
    );
    expect(says({ chance: null, least: null, needed: 4 }, 1)).toBe(
      "One trial of each tells nothing: repeat it. 4 trials of each would do it.",
    );
    expect(says({ difference: 0, least: null })).toBe("The two designs are predicted to do the same: nothing to tell apart.");
  });

  it("names the smallest change that would make it fair", () => {
    const cure = { kind: "trials", what: "", words: "", field: null, to: 8, trials: 8 } as const;
    expect(cureWords(cure, 3, "metric")).toBe("Make 8 trials of each in place of 3.");
    expect(cureWords({ ...cure, kind: "instrument", words: "a light gate", trials: 2 }, 3, "metric")).toBe(
      "Measure with a light gate: then 2 trials of each will do.",
    );
    const field = { kind: "number", id: "heightM", words: "Height", dimension: "length", min: 0, max: 9, step: 0.1, start: 2 } as const;
    expect(cureWords({ ...cure, kind: "lever", words: "a drop", field, to: 3.2 }, 1, "imperial").replaceAll("\u00a0", " ")).toBe(
      "From a drop of 10.5 ft, 2 trials of each will do.",
    );
  });

  it("says why a value is odd, and what it would be otherwise", () => {
    expect(flagWords("impossible", "0.16 s")).toBe("0.16 s can't happen with these numbers.");
    expect(flagWords("rare", "9 s")).toMatch(/rare/);
    expect(flagWords("odd one out", "9 s")).toMatch(/other trials/);
    expect([reasonWords("unit cm"), reasonWords("decimal"), reasonWords("something new")]).toEqual([
      "if it was in cm",
      "if the decimal point slipped",
      "something new",
    ]);
  });
});
