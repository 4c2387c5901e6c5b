import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { quantityScale, shareScale, ticksOf, tickWords } from "../shared/pieces/scale.ts";
import { keyedTo } from "../shared/pieces/steps.ts";

describe("a ruler's scale", () => {
  it("reads back what it shows, in metric and imperial houses", () => {
    const lengths = [
      quantityScale("length", "metric", "mm", 0.5),
      quantityScale("length", "metric", undefined, 2),
      quantityScale("length", "imperial", "mm", 0.5),
      quantityScale("mass", "imperial", "kg", 0.9),
    ];
    fc.assert(
      fc.property(fc.constantFrom(...lengths), fc.double({ min: 0.3, max: 3, noNaN: true }), (scale, value) => {
        const read = scale.read(scale.show(value));
        if (!read.ok) throw new Error(read.words);
        expect(Math.abs(read.value / value - 1)).toBeLessThan(0.02);
      }),
    );
  });

  it.each([
    ["metric", "540 mm", 0.54],
    ["metric", "1 ft 9 in", 0.5334],
    ["imperial", "21", 0.5334],
  ] as const)("takes any unit, and the shown one bare: %s %s", (choice, text, si) => {
    const read = quantityScale("length", choice, "mm", 0.5).read(text);
    expect(read.ok && read.value).toBeCloseTo(si, 9);
  });

  it("leaves out the numbers that its last one with the unit would touch", () => {
    const words = (min: number, max: number) =>
      tickWords(min, max, quantityScale("length", "metric", "mm", 0.5), (value) => (value - min) / (max - min)).map((tick) => tick.words);
    expect(words(0.1, 1.2)).toEqual(["200", "400", "600", "800", "1200 mm"]);
    expect(words(0, 0.5)).toEqual(["0", "100", "200", "300", "500 mm"]);
  });

  it("shows whole seconds whole, and others to the hundredth", () => {
    const seconds = quantityScale("time", "metric", undefined, 10);
    expect([seconds.show(15), seconds.show(1.5)]).toEqual(["15\u00a0s", "1.50\u00a0s"]);
  });

  it("reads shares as per cent, and says so when it can't", () => {
    expect(shareScale.read("40 %")).toEqual({ ok: true, value: 0.4 });
    expect(shareScale.read("12,5")).toEqual({ ok: true, value: 0.125 });
    expect(shareScale.read("half")).toMatchObject({ ok: false });
    expect([shareScale.show(0.4), shareScale.show(0.955), shareScale.show(0.999)]).toEqual(["40 %", "95.5 %", "99.9 %"]);
  });

  it("puts ticks at round numbers of the shown unit, inside the ruler", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0.01, max: 500, noNaN: true }),
        fc.constantFrom(1, 0.001, 0.0254, 0.01),
        (min, span, factor) => {
          const ticks = ticksOf(min, min + span, factor);
          expect(ticks.length).toBeGreaterThan(1);
          expect(ticks.length).toBeLessThan(14);
          for (const tick of ticks) {
            expect(tick).toBeGreaterThanOrEqual(min - 1e-6 * span);
            expect(tick).toBeLessThanOrEqual(min + span * (1 + 1e-6));
          }
        },
      ),
    );
  });
});

describe("a mark's steps", () => {
  it("never leave the range, whatever digits its ends have", () => {
    const rad = Math.PI / 180;
    for (const key of ["End", "PageUp"]) expect(keyedTo(key, 79.9 * rad, { min: -30 * rad, max: 80 * rad, step: rad })).toBe(80 * rad);
    expect(keyedTo("Home", 0, { min: -30 * rad, max: 80 * rad, step: rad })).toBe(-30 * rad);
  });
});
