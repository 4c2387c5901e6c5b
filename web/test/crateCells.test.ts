import type { MaterialDoc } from "@lampcrate/contract";
import type { KitLine } from "@lampcrate/core";
import { amountWords, type ManifestLine } from "@lampcrate/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountShown, takeAmount } from "../desk/crate/lines/lineCells.ts";
import { newLine } from "../desk/crate/lines/newLine.ts";
import { lineSays, money } from "../desk/pieces/show.ts";

const amountOf = (typed: string, unit: MaterialDoc["unit"], units: "metric" | "imperial" = "metric"): number | string => {
  const read = takeAmount(typed, unit, units);
  return "trouble" in read ? read.trouble : (read.patch.amount ?? Number.NaN);
};

describe("an amount typed over in the grid", () => {
  it.each([
    ["4", "piece", 4],
    ["4,5", "piece", 4.5],
    ["1,500", "piece", 1500],
    ["1 500 pieces", "piece", 1500],
    ["20 ml", "ml", 20],
    ["1.2 m", "mm", 1200],
    ["600", "mm", 600],
    ["15 cm", "mm", 150],
    ["½ kg", "g", 500],
    ["40", "g", 40],
  ] as const)("reads %s of a %s", (typed, unit, amount) => {
    expect(amountOf(typed, unit)).toBeCloseTo(amount, 9);
  });

  it("takes a bare number in the run's own unit, and any unit of its kind", () => {
    expect(amountOf("2", "mm", "imperial")).toBeCloseTo(50.8, 9);
    expect(amountOf("2 ft 6 in", "mm", "imperial")).toBeCloseTo(762, 9);
    expect(amountOf("30 cm", "mm", "imperial")).toBeCloseTo(300, 9);
    expect(amountOf("8", "g", "imperial")).toBeCloseTo(226.796185, 6);
  });

  it.each([
    ["", "piece"],
    ["some", "piece"],
    ["-3", "piece"],
    ["0", "piece"],
    ["2000001", "piece"],
    ["3 kg", "mm"],
    ["1,500", "mm"],
    ["NaN", "ml"],
    ["Infinity", "g"],
  ] as const)("says how to mend “%s” of a %s", (typed, unit) => {
    const said = amountOf(typed, unit);
    expect(typeof said).toBe("string");
    expect(String(said)).toMatch(/[.?]$/);
  });

  it("reads back what it shows", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("piece", "mm", "g", "ml"),
        fc.constantFrom("metric", "imperial"),
        fc.integer({ min: 200, max: 40_000 }),
        (unit, units, amount) => {
          const back = amountOf(amountShown(amount, unit, units), unit, units);
          expect(Math.abs(Number(back) - amount) / amount).toBeLessThan(0.05);
        },
      ),
    );
  });

  it("never throws, and gives an amount or a reason, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), fc.constantFrom("piece", "mm", "g", "ml"), (typed, unit) => {
        const read = takeAmount(typed, unit, "metric");
        if ("trouble" in read) expect(read.trouble.length).toBeGreaterThan(5);
        else expect(Number.isFinite(read.patch.amount) && (read.patch.amount ?? 0) > 0).toBe(true);
      }),
    );
  });
});

const card: MaterialDoc = {
  id: "card",
  name: "Thin card",
  unit: "piece",
  packSize: 25,
  packPriceCents: 1090,
  onHand: 10,
  sheetWidthM: 0.5,
  sheetHeightM: 0.7,
  allergens: [],
  smallPart: false,
  latex: false,
  hazards: [],
  perWeek: null,
  archived: false,
  revision: 1,
};

const line: KitLine = newLine("one", card, { buildBy: "team", shareAtOnce: 0.4 });

const sized = {
  id: "one",
  quantity: 40,
  base: 30,
  rebuild: 5,
  spoilt: 2,
  certainty: 3,
  leftOver: 6,
  short: 0,
  parents: null,
  piecesPerParent: null,
  cutExact: true,
} as unknown as ManifestLine;

describe("what is said under a line of the crate", () => {
  const says = (patch: Partial<ManifestLine>, of: Partial<KitLine> = {}, material: Partial<MaterialDoc> = {}) =>
    lineSays({ ...sized, ...patch }, { ...line, ...of }, { ...card, ...material }, "metric");

  it("is what will be left over when there is enough", () => {
    expect(says({})).toEqual({ words: "on hand; about 6 left over", short: false });
    expect(says({}, { kind: "reusable" })).toEqual({ words: "on hand; comes back afterwards", short: false });
  });

  it("is how many packs to get when there is too little", () => {
    expect(says({ short: 30 })).toEqual({ words: "30 short, 2 packs of 25", short: true });
    expect(says({ short: 25 }).words).toBe("25 short, 1 pack of 25");
    expect(says({ short: 3 }, {}, { packSize: 1 }).words).toBe("3 short");
    expect(says({ short: 30 }, {}, { perWeek: 12 }).words).toBe("30 short, about 12 are brought in a week");
  });

  it("names what would stand in, and how much of it for what is short", () => {
    const bowl = { standIn: "paper bowls", standInRatio: 2 };
    expect(says({ short: 3 }, bowl, { packSize: 1 }).words).toBe("3 short; or 6\u00a0×\u00a0paper bowls");
    expect(says({}, bowl).words).toBe("on hand; about 6 left over");
    const cut = { shape: "rectangle" } as unknown as KitLine["cut"];
    const boxes = { cut, standIn: "cereal boxes", standInRatio: 0.5 };
    expect(says({ parents: 8, piecesPerParent: 5, short: 3 }, boxes).words).toMatch(
      /3 sheets short, 1 pack of 25; or 8\u00a0×\u00a0cereal boxes$/,
    );
  });

  it("counts sheets and rolls where pieces are cut from them", () => {
    const cut = {
      shape: "rectangle",
      widthM: 0.1,
      heightM: 0.2,
      kerfM: 0,
      trimM: 0,
      rotate: true,
      missRate: 0,
    } as unknown as KitLine["cut"];
    expect(says({ parents: 8, piecesPerParent: 5, short: 3 }, { cut }).words).toBe("8 sheets, 5 on each; 3 sheets short, 1 pack of 25");
    expect(says({ parents: 1, piecesPerParent: 5 }, { cut }).words).toMatch(/^1 sheet, 5 on each; on hand/);
    expect(says({ parents: 1, piecesPerParent: 60 }, { cut }, { sheetHeightM: 10 }).words).toMatch(/^1 roll, 60 on each/);
    expect(says({ parents: 8, piecesPerParent: 0, short: 8 }, { cut })).toEqual({
      words: "a piece this size does not fit on Thin card",
      short: true,
    });
    expect(says({}, { cut }, { sheetWidthM: null }).words).toMatch(/give the sheet a size/);
  });

  it("shows money with cents while they matter", () => {
    expect([money(0, "EUR"), money(325, "EUR"), money(9_999, "EUR"), money(16_240, "EUR")]).toEqual(["€0.00", "€3.25", "€99.99", "€162"]);
    expect(money(1_500, "JPY")).toMatch(/^¥15/);
  });

  it("starts a line with what is usual for its unit", () => {
    expect(line).toMatchObject({ per: "team", kind: "counted", amount: 1, share: 0.4, source: "packed" });
    expect(newLine("tape", { ...card, unit: "mm" }, { buildBy: "builder", shareAtOnce: 1 })).toMatchObject({
      kind: "measured",
      amount: 600,
    });
    expect(amountWords(600, "mm", "metric")).toMatch(/^60\u00a0cm|^0\.6\u00a0m/);
  });
});
