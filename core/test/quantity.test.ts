import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Asked, parseQuantity, refusalWords, showQuantity, unitById, units } from "../src/index.ts";

const length: Asked = { dimension: "length", defaultUnit: "cm" };
const mass: Asked = { dimension: "mass", defaultUnit: "g", token: { names: ["washer"], massKg: 0.0036 } };
const time: Asked = { dimension: "time", defaultUnit: "s" };

const si = (text: string, asked: Asked): number | string => {
  const read = parseQuantity(text, asked);
  return read.ok ? read.si : read.reason;
};

describe("what people type", () => {
  it.each([
    ["2’ 6½”", length, 0.7747],
    ["1 yd 2 ft 3 in", length, 0.9144 + 0.6096 + 0.0762],
    ["1 m 20", length, "not a number"],
    ["1 m and 5 mm", length, 1.005],
    ["12,5", length, 0.125],
    ["1 234 567 mm", length, 1234.567],
    ["5.", length, "not a number"],
    ["1.5 ft 2 in", length, "not whole"],
    ["2 in 1 ft", length, "not a number"],
    ["1 ft 1 ft", length, "not a number"],
    ["6 3/2 in", length, "not a number"],
    ["2 fl oz", mass, "unknown word"],
    ["1 lb 15.5", mass, 0.45359237 * (1 + 15.5 / 16)],
    ["23 WASHERS", mass, 23 * 0.0036],
    ["12", mass, 0.012],
    ["1 h 30", time, 5400],
    ["1:02:03.5", time, 3723.5],
    ["61:00", time, 3660],
    ["1:2", time, "clock"],
    ["2' 5\"", time, 125],
    ["about 3", time, "not a number"],
    ["<5", time, "not a number"],
    ["3 or 4", time, "unknown word"],
    ["1e3", length, "unknown word"],
    ["- 3 cm", length, "below zero"],
    ["−0.3 m", { ...length, signed: true }, -0.3],
    ["0", length, 0],
  ] as const)("reads %j", (text, asked, expected) => {
    const got = si(text, asked);
    if (typeof expected === "number") expect(got).toBeCloseTo(expected, 12);
    else expect(got).toBe(expected);
  });

  it("reads back every number it shows, in every unit", () => {
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.integer({ min: 0, max: 99_999 }), (unit, hundredths) => {
        const value = hundredths / 100;
        const read = parseQuantity(`${value} ${unit.id}`, { dimension: unit.dimension, defaultUnit: unit.id });
        expect(read).toMatchObject({ ok: true, typed: value, unit: unit.id });
        expect(read.ok && read.si).toBeCloseTo(value * unitById(unit.id).factor, 9);
      }),
    );
  });

  it("never throws, never gives a value that is no finite number, and has words for each refusal", () => {
    const asked = fc.constantFrom<Asked>(length, mass, time, { dimension: "count", defaultUnit: null });
    fc.assert(
      fc.property(fc.oneof(fc.string({ unit: "grapheme" }), fc.stringMatching(/^[0-9 .,/½'":a-z-]{0,14}$/)), asked, (text, a) => {
        const read = parseQuantity(text, a);
        if (read.ok) expect(Number.isFinite(read.si)).toBe(true);
        else expect(refusalWords(read.reason, text, a).length).toBeGreaterThan(10);
      }),
      { numRuns: 3000 },
    );
  });

  it("shows honest precision with a unit", () => {
    expect(showQuantity(0.54, "length")).toBe("54\u00a0cm");
    expect(showQuantity(1.62, "time")).toBe("1.62\u00a0s");
    expect(showQuantity(12_345, "count")).toBe("12\u202f345");
    expect(showQuantity(0.9, "mass", "imperial")).toBe("1.98\u00a0lb");
  });
});
