import { describe, expect, it } from "vitest";
import { atLeastPart, comparedGuess, type Dimension, families, plainer, readTrial, startValues } from "../src/index.ts";

const measureOf = (dimension: Dimension) => {
  const of = { length: families.tall, mass: families.span, time: families.descent, count: families.float } as const;
  const family = of[dimension as keyof typeof of];
  return family.measures(startValues(family.spec))[0];
};
const read = (raw: string, dimension: Dimension): number | string => {
  const found = readTrial(raw, measureOf(dimension));
  return found.ok ? found.si : found.reason;
};

describe("what people plainly mean", () => {
  it.each([
    ["about 2 m", "length", 2],
    ["~ 1,5 m", "length", 1.5],
    ["12.5cm long", "length", 0.125],
    ["1m50", "length", 1.5],
    ["0.5km", "length", 500],
    ["200 gr", "mass", 0.2],
    ["1 kilo", "mass", 1],
    ["nearly 2 kilos", "mass", 2],
    ["1200ms", "time", 1.2],
    ["1.2 sec.", "time", 1.2],
    ["1m50", "time", 110],
    ["twenty", "count", 20],
    ["twenty-five washers", "count", 25],
    ["two", "time", 2],
  ] as const)("%s of %s is read", (raw, dimension, si) => expect(read(raw, dimension)).toBeCloseTo(si, 9));

  it.each([
    ["2-3", "length", "not a number"],
    ["fell over", "mass", "not a number"],
    ["1,500 g", "mass", "ambiguous"],
    ["about 1,500 g", "mass", "not a number"],
    ["3 kg", "length", "wrong dimension"],
    ["", "length", "empty"],
    ["twenty elephants", "count", "not a number"],
  ] as const)("%s of %s is not guessed at", (raw, dimension, reason) => expect(read(raw, dimension)).toBe(reason));

  it("of more or less than the last one is a guess, but not beside a number", () => {
    expect(["more than the last one", "Longer!", "fewer", "less"].map(comparedGuess)).toEqual(["more", "more", "less", "less"]);
    expect(["more than 3", "the same", "", "moreover"].map(comparedGuess)).toEqual([null, null, null, null]);
  });

  it("of at least so much is found for the asking, and never read as just so much", () => {
    expect(["> 2kg", "400+", "at least 1.2 kg", "more than 3 washers", "≥ 5"].map(atLeastPart)).toEqual([
      "2kg",
      "400",
      "1.2 kg",
      "3 washers",
      "5",
    ]);
    expect(["2 kg", "+", "about 2", ""].map(atLeastPart)).toEqual([null, null, null, null]);
    expect(["> 2kg", "400+"].map((raw) => read(raw, "mass"))).toEqual(["not a number", "not a number"]);
    expect(plainer("2 kg", "mass")).toBeNull();
  });
});
