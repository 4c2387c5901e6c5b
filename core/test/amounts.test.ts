import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountWords, parsePlain, readAmount, readPrice, standInFor } from "../src/index.ts";

describe("amounts of a material", () => {
  it.each([
    ["12", "piece", 12],
    ["12 pieces", "piece", 12],
    ["1,200", "piece", 1200],
    ["1 200", "piece", 1200],
    ["1\u202f200", "piece", 1200],
    ["4.01", "piece", 4.01],
    ["250", "ml", 250],
    ["25 cl", "ml", 250],
    ["1.5 l", "ml", 1500],
    ["1,5 L", "ml", 1500],
    ["2.4 m", "mm", 2400],
    ["60", "mm", 60],
    ["0.75 kg", "g", 750],
    ["¼ kg", "g", 250],
  ] as const)("“%s” of a %s is %d", (typed, unit, amount) => {
    expect(readAmount(typed, unit)).toEqual({ ok: true, amount });
  });

  it("are in inches and ounces where a run counts so, unless they say otherwise", () => {
    expect(readAmount("12", "mm", "imperial")).toEqual({ ok: true, amount: 304.8 });
    expect(readAmount("1 lb 2 oz", "g", "imperial")).toMatchObject({ ok: true, amount: expect.closeTo(510.291, 3) });
    expect(readAmount("30 mm", "mm", "imperial")).toEqual({ ok: true, amount: 30 });
  });

  it.each([
    ["", "piece"],
    ["a few", "piece"],
    ["3 m", "piece"],
    ["-2", "piece"],
    ["3 kg", "ml"],
    ["1,500", "mm"],
    ["2 ft 14 in", "mm"],
    ["3 ft 20 cm", "mm"],
    ["1/0 kg", "g"],
  ] as const)("“%s” of a %s is refused in words", (typed, unit) => {
    const read = readAmount(typed, unit);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.words).toMatch(/^\S.*[.?]$/);
  });

  it("read back what is shown, to what is shown", () => {
    fc.assert(
      fc.property(fc.constantFrom("piece", "mm", "g", "ml"), fc.integer({ min: 1, max: 9_999_999 }), (unit, amount) => {
        const read = readAmount(amountWords(amount, unit, "metric"), unit);
        expect(read.ok && Math.abs(read.amount - amount) <= Math.max(0.5, amount * 0.05)).toBe(true);
      }),
    );
  });
});

describe("stand-ins", () => {
  it("are told with as much as it takes: whole pieces, rounded up, or the material's own unit", () => {
    const bowls = { words: "paper bowls", ratio: 2, unit: "piece" } as const;
    expect([standInFor(6, bowls, "metric"), standInFor(25, { ...bowls, ratio: 0.5 }, "metric")]).toEqual([
      "12\u00a0×\u00a0paper bowls",
      "13\u00a0×\u00a0paper bowls",
    ]);
    expect(standInFor(38, { words: "a foil ball", ratio: 1, unit: "piece" }, "metric")).toBe("38\u00a0×\u00a0foil ball");
    expect(standInFor(600, { words: "yarn", ratio: 1.5, unit: "mm" }, "metric")).toBe("90\u00a0cm of yarn");
    expect(standInFor(609.6, { words: "yarn", ratio: 1, unit: "mm" }, "imperial")).toBe("24\u00a0in of yarn");
  });
});

describe("prices", () => {
  it.each([
    ["4.20", 420],
    ["4,2", 420],
    ["€ 4.20", 420],
    ["EUR 12", 1200],
    ["1,500.00", 150_000],
    ["1.500,00 €", 150_000],
    ["0", 0],
    ["0.015", 2],
  ])("“%s” is %d cents", (typed, cents) => {
    expect(readPrice(typed)).toEqual({ ok: true, cents });
  });

  it("are never guessed at: a comma before three digits may mean either", () => {
    expect(readPrice("1,500")).toEqual({ ok: false, words: "Does 1,500 mean 1.500 or 1500? Please type it one of these ways." });
    for (const typed of ["", "free", "-3", "€", "4.2.1", "1/0", "1e30", "4x2", "12 abc", "€ 4 EUR", "30k", "9".repeat(400)])
      expect(readPrice(typed).ok).toBe(false);
  });
});

describe("a plain number", () => {
  it("groups by comma, point-and-comma or space, and keeps its parts", () => {
    const value = (text: string): number | string => {
      const read = parsePlain(text);
      return read.ok ? read.value : read.reason;
    };
    expect(["1,000", "1.5", "1,5", "10 000", "½", "1 1/2"].map(value)).toEqual([1000, 1.5, 1.5, 10_000, 0.5, 1.5]);
    expect(["", "-1", "1/0", "four", "1,00,0"].map(value)).toEqual([
      "empty",
      "below zero",
      "fraction over zero",
      "not a number",
      "not a number",
    ]);
  });
});
