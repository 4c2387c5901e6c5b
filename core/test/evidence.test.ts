import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  band,
  countedOutcomes,
  exactNumbers,
  families,
  outcomeOf,
  outcomeWords,
  spreadOf,
  startValues,
  type TrialKind,
  versionPrediction,
} from "../src/index.ts";

describe("values that count", () => {
  it("are those that were read and are possible, failures among them", () => {
    const of = (
      value: number | null,
      flag: "impossible" | "rare" | null = null,
      outcome: TrialKind = "number",
      broke: number | null = null,
    ) => ({
      value,
      broke,
      flag,
      outcome,
    });
    const counted = countedOutcomes([
      of(1),
      of(null),
      of(2, "impossible"),
      of(3, "rare"),
      of(4, null, "atLeast"),
      of(5, "impossible", "atLeast"),
      of(null, null, "failed"),
      of(6, null, "between", 7),
      of(6, null, "between"),
      of(null, null, "below", 8),
    ]);
    expect(counted).toEqual([
      { kind: "number", value: 1 },
      { kind: "number", value: 3 },
      { kind: "atLeast", value: 4 },
      { kind: "failed" },
      { kind: "between", held: 6, failed: 7 },
      { kind: "below", value: 8 },
    ]);
    expect(exactNumbers(counted)).toEqual([1, 3]);
  });
});

describe("many values in short", () => {
  it("are all of them, ascending, while they are few; else the least, the greatest and even ranks between", () => {
    expect(spreadOf([3, 1, 2])).toEqual({ count: 3, values: [1, 2, 3] });
    const many = Array.from({ length: 1001 }, (_, i) => (i * 37) % 1001);
    expect(spreadOf(many, 5)).toEqual({ count: 1001, values: [0, 250, 500, 750, 1000] });
  });

  it("never say more than was given, and keep both ends", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 400 }),
        fc.integer({ min: 2, max: 40 }),
        (values, most) => {
          const { count, values: shown } = spreadOf(values, most);
          expect([count, shown.length <= Math.max(most, 0), shown[0], shown.at(-1)]).toEqual([
            values.length,
            true,
            expect.closeTo(Math.min(...values), 9),
            expect.closeTo(Math.max(...values), 9),
          ]);
          for (const value of shown) expect(values).toContain(value);
        },
      ),
    );
  });
});

describe("prediction against outcome", () => {
  const show = (si: number): string => `${si} s`;
  const words = (predicted: ReturnType<typeof band> | null, values: readonly number[]): string =>
    outcomeWords(outcomeOf(predicted, values), show);

  it("counts what fell into the band, its ends too, and says the middle", () => {
    expect(outcomeOf(band(2, 2), [0.9, 1, 4, 4.1, 3])).toMatchObject({ inside: 3, middle: 3, first: { count: 5 } });
    expect(words(band(2, 2), [0.9, 1, 4, 4.1, 3])).toBe(
      "The middle of 5 first tries is 3 s, 1.5 times the prediction; 3 of 5 fell where 8 of 10 were meant to.",
    );
    expect(words(band(2, 2), [1])).toContain("is 1 s, 2.0 times less than the prediction; 1 of 1");
    expect(words(band(2, 2), [2.05])).toContain("as predicted");
  });

  it("says what it can without a prediction, or without a value", () => {
    expect(words(null, [2])).toBe("The middle of 1 first tries is 2 s; nothing was predicted.");
    expect(words(band(2, 2), [])).toBe("No first build came to an exact number.");
  });
});

describe("what a version was predicted to give", () => {
  const family = families.descent;
  const [spec, design] = [startValues(family.spec), startValues(family.design)];

  it("is reckoned for what it declares, over the plain build; a bare test has none", () => {
    const of = (variables: Record<string, number>) => versionPrediction(family, spec, design, { role: "build", variables, place: null });
    expect(of({})).toEqual(family.predict(spec, design)[0]?.band);
    expect(of({ sizeM: 0.8 })).toEqual(family.predict(spec, { ...design, sizeM: 0.8 })[0]?.band);
    expect(versionPrediction(family, spec, design, { role: "control", variables: {}, place: null })).toBeNull();
  });
});
