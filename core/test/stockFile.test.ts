import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readStockRows, type StockRow, stockCells, stockColumns } from "../src/index.ts";

const card: StockRow & { readonly id: string } = {
  id: "card",
  name: "Thin card",
  unit: "piece",
  onHand: 40,
  packSize: 25,
  packPriceCents: 1150,
  sheetWidthM: 0.7,
  sheetHeightM: 0.5,
  allergens: [],
  smallPart: false,
  latex: false,
  perWeek: null,
};
const tape = {
  ...card,
  id: "tape",
  name: "Tape",
  unit: "mm",
  onHand: 119_500,
  packSize: 50_000,
  sheetWidthM: null,
  sheetHeightM: null,
} as const;

const anyRow: fc.Arbitrary<StockRow> = fc.record({
  name: fc.stringMatching(/^[A-Za-z=+@-][A-Za-z0-9 ,;'"-]{0,30}[a-z]$/),
  unit: fc.constantFrom("piece", "mm", "g", "ml"),
  onHand: fc.integer({ min: -500, max: 200_000 }),
  packSize: fc.integer({ min: 1, max: 60_000 }),
  packPriceCents: fc.integer({ min: 0, max: 900_000 }),
  sheetWidthM: fc.option(
    fc.integer({ min: 1, max: 3000 }).map((mm) => mm / 1000),
    { nil: null },
  ),
  sheetHeightM: fc.option(
    fc.integer({ min: 1, max: 30_000 }).map((mm) => mm / 1000),
    { nil: null },
  ),
  allergens: fc.uniqueArray(fc.constantFrom("wheat", "egg", "milk", "nuts"), { maxLength: 3 }),
  smallPart: fc.boolean(),
  latex: fc.boolean(),
  perWeek: fc.option(fc.integer({ min: 1, max: 900 }), { nil: null }),
});

const file = (...rows: readonly (readonly string[])[]) => [stockColumns, ...rows];

describe("a store room file", () => {
  it("read back unchanged changes nothing, stock below nothing included", () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyRow, { selector: (row) => row.name.trim().toLowerCase(), maxLength: 8 }), (rows) => {
        const known = rows.map((row, i) => ({ ...row, name: row.name.trim(), id: `m${i}` }));
        const { changes, wrong } = readStockRows(file(...known.map(stockCells)), known);
        expect(wrong).toEqual([]);
        expect(changes.map((change) => [change.id, change.words])).toEqual(known.map((row) => [row.id, []]));
        for (const [i, change] of changes.entries()) {
          const { id: _, ...before } = known[i] ?? { id: "" };
          expect(change.values).toEqual(before);
        }
      }),
    );
  });

  it("makes the same materials in an empty store room", () => {
    fc.assert(
      fc.property(anyRow, (row) => {
        const whole = { ...row, name: row.name.trim(), onHand: Math.abs(row.onHand) };
        const { changes, wrong } = readStockRows(file(stockCells(whole)), []);
        expect(wrong).toEqual([]);
        expect(changes[0]).toMatchObject({ id: null, row: 2, values: whole });
      }),
    );
  });

  it("takes its columns in any order, leaves what it does not name, and says what is different", () => {
    const rows = [
      ["on hand", "Name"],
      ["52", "THIN CARD"],
      ["", "tape"],
      ["  ", "  "],
    ];
    const { changes, wrong } = readStockRows(rows, [card, tape]);
    expect(wrong).toEqual([]);
    const { id: _, ...kept } = card;
    expect(changes[0]).toEqual({ row: 2, id: "card", values: { ...kept, onHand: 52 }, words: ["on hand 40 to 52"] });
    expect(changes[1]).toMatchObject({ row: 3, id: "tape", words: [] });
    expect(changes).toHaveLength(2);
  });

  it.each([
    ["unit", "barrel", /no unit of the store room/],
    ["on hand", "some", /no amount/],
    ["on hand", "-4", /below zero/],
    ["on hand", "9".repeat(400), /more than there can be/],
    ["on hand", "1e30", /no amount/],
    ["on hand", "200000000", /more than 100000000/],
    ["pack size", "4x2", /no amount/],
    ["pack size", "2000000", /more than 1000000/],
    ["pack price", "1e30", /no price/],
    ["pack price", "4x2", /no price/],
    ["pack price", "9".repeat(400), /at most 1000000/],
    ["allergens", "a;b;c;d;e;f;g;h;i", /At most 8/],
    ["allergens", "x".repeat(31), /at most 30 letters/],
    ["pack size", "0", /More than nothing/],
    ["pack price", "1,500", /Does 1,500 mean/],
    ["pack price", "dear", /no price/],
    ["sheet across", "2 kg", /length/],
    ["sheet along", "400 m", /at most 100 m/],
    ["small part", "perhaps", /yes or no/],
    ["collected a week", "0", /More than nothing/],
  ] as const)("says by its row what is wrong with %s “%s”", (column, typed, says) => {
    const rows = [
      ["name", column],
      ["Thin card", typed],
      ["Tape", ""],
    ];
    const { changes, wrong } = readStockRows(rows, [card, tape]);
    expect(wrong).toEqual([{ row: 2, column, message: expect.stringMatching(says) }]);
    expect(changes.map((change) => change.id)).toEqual(["tape"]);
  });

  it("names a column it does not know, a name that stands twice, and a row without one", () => {
    expect(
      readStockRows(
        [
          ["name", "colour"],
          ["Thin card", "red"],
        ],
        [card],
      ),
    ).toMatchObject({
      changes: [],
      wrong: [{ row: 1, column: "colour" }],
    });
    expect(readStockRows([["unit"], ["piece"]], []).wrong).toMatchObject([{ row: 1, column: "name" }]);
    const twice = readStockRows(
      [
        ["name", "on hand"],
        ["Reed", "3"],
        ["reed", "4"],
        ["", "5"],
      ],
      [],
    );
    expect(twice.wrong).toMatchObject([
      { row: 3, column: "name", message: "“reed” stands in row 2 already." },
      { row: 4, column: "name" },
    ]);
    expect(readStockRows([], [])).toMatchObject({ changes: [], wrong: [{ column: "name" }] });
  });

  it("does not change a material's unit: what is on hand is kept in it", () => {
    expect(
      readStockRows(
        [
          ["name", "unit"],
          ["Tape", "g"],
        ],
        [tape],
      ).wrong,
    ).toMatchObject([{ row: 2, column: "unit" }]);
  });

  it("never throws, whatever stands in it", () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string({ maxLength: 14 }), { maxLength: 12 }), { maxLength: 5 }), (rows) => {
        const { changes, wrong } = readStockRows([stockColumns, ...rows], [card]);
        expect(changes.every((change) => Number.isFinite(change.values.onHand))).toBe(true);
        expect(wrong.every((item) => item.message.length > 5)).toBe(true);
      }),
    );
  });

  it("refuses a row that runs on beyond the headings, as “1,5” without quotes does", () => {
    const { changes, wrong } = readStockRows(
      [
        ["name", "on hand"],
        ["Thin card", "1", "5"],
        ["Tape", "3 m", "", " "],
      ],
      [card, tape],
    );
    expect(wrong).toEqual([{ row: 2, column: "name", message: expect.stringContaining("beyond the last heading") }]);
    expect(changes).toHaveLength(1);
  });

  it("refuses a heading that stands there twice", () => {
    const { wrong } = readStockRows(
      [
        ["name", "on hand", "On Hand"],
        ["Thin card", "1", "2"],
      ],
      [card],
    );
    expect(wrong).toEqual([{ row: 1, column: "on hand", message: expect.stringContaining("twice") }]);
  });

  it("refuses a file of more materials than a store room has", () => {
    const { wrong } = readStockRows([["name"], ...Array.from({ length: 5001 }, (_, i) => [`m${i}`])], []);
    expect(wrong[0]?.message).toContain("at most 5000");
  });
});

describe("a file with decimal commas", () => {
  const read = (...cells: readonly (readonly string[])[]) => readStockRows([["name", "unit", "on hand", "pack price"], ...cells], []);

  it("has a point before three digits asked for, anywhere in it, never taken for a decimal", () => {
    const { changes, wrong } = read(["Bin bags", "piece", "1.200", "5,25"], ["Twine", "mm", "3.500", ""]);
    expect(changes).toEqual([]);
    expect(wrong).toEqual([
      {
        row: 2,
        column: "on hand",
        message: "“1.200” can be read in two ways, as “5,25” in this file has a decimal comma. Write 1200 or 1,2.",
      },
      {
        row: 3,
        column: "on hand",
        message: "“3.500” can be read in two ways, as “5,25” in this file has a decimal comma. Write 3500 or 3,5.",
      },
    ]);
  });

  it("is read where nothing can be mistaken", () => {
    const { changes, wrong } = read(["Bin bags", "piece", "1200", "5,25"], ["Twine", "mm", "0.25", "1.250,50"]);
    expect(wrong).toEqual([]);
    expect(changes.map(({ values }) => [values.onHand, values.packPriceCents])).toEqual([
      [1200, 525],
      [0.25, 125_050],
    ]);
  });

  it("has nothing to ask where its decimals are points", () => {
    expect(read(["Twine", "mm", "1.250", "5.25"]).changes[0]?.values).toMatchObject({ onHand: 1.25, packPriceCents: 525 });
  });
});
