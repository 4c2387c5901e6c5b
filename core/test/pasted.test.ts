import { describe, expect, it } from "vitest";
import { type NamedMaterial, pastedLines } from "../src/index.ts";

const materials: readonly NamedMaterial[] = [
  { id: "cup", name: "Paper cup", unit: "piece" },
  { id: "string", name: "Cotton string", unit: "mm" },
  { id: "sand", name: "Play sand", unit: "g" },
  { id: "paint", name: "Paint", unit: "ml" },
];
const rows = (text: string): string[][] => text.split("\n").map((line) => line.split("|"));

describe("lines pasted from a spreadsheet", () => {
  it("stand in their usual order without headings, in any unit of the material's kind", () => {
    const { lines, troubles } = pastedLines(
      rows("paper CUP|2|per builder|4 %|yoghurt pot\nCotton string|1.2 m|team\nPlay sand|1/2 lb|rigs\nPaint|30 ml||0,1"),
      materials,
    );
    expect(troubles).toEqual([]);
    expect(lines).toMatchObject([
      { materialId: "cup", amount: 2, per: "builder", spoilRate: 0.04, standIn: { words: "yoghurt pot", ratio: 1 } },
      { materialId: "string", amount: 1200, per: "team", spoilRate: null },
      { materialId: "sand", per: "rig" },
      { materialId: "paint", amount: 30, per: null, spoilRate: 0.1 },
    ]);
    expect(lines[2]?.amount).toBeCloseTo(226.796185, 9);
  });

  it("say how many stand in for one by “2 × …”, and never take a length for that", () => {
    const standInOf = (text: string) => pastedLines(rows(`Paper cup|2|builder||${text}`), materials).lines[0]?.standIn;
    expect(standInOf("2 × paper bowls")).toEqual({ words: "paper bowls", ratio: 2 });
    expect(standInOf("0,5 x cereal boxes")).toEqual({ words: "cereal boxes", ratio: 0.5 });
    expect(standInOf("10 m of yarn")).toEqual({ words: "10 m of yarn", ratio: 1 });
    expect(standInOf("0 × nothing")).toEqual({ words: "0 × nothing", ratio: 1 });
    expect(standInOf("")).toEqual({ words: "", ratio: 1 });
  });

  it("follow headings in whatever order, and leave empty rows and other columns alone", () => {
    const { lines, troubles } = pastedLines(
      rows("Supplier|Takes|Name|Spoil rate\nthe mill|3|Paper cup|5\n|||\nthe mill|2|Paper cup|"),
      materials,
    );
    expect(troubles).toEqual([]);
    expect(lines.map(({ amount, spoilRate }) => [amount, spoilRate])).toEqual([
      [3, 0.05],
      [2, null],
    ]);
  });

  it("are refused row by row, in words that say how to mend them", () => {
    const { lines, troubles } = pastedLines(
      rows("Paper cop|2\nPaper cup|about 2\nPaper cup|0\nPaper cup|2|each\nPaper cup|2|team|99 %\n|4\nPaper cup|5"),
      materials,
    );
    expect(lines).toHaveLength(1);
    expect(troubles.map(({ row }) => row)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(troubles[0]?.words).toContain("The store room has no “Paper cop”");
    expect(troubles[3]?.words).toContain("builder, team, table, rig, session, series");
    expect(pastedLines([], materials)).toEqual({ lines: [], troubles: [], unknown: [] });
  });

  it("beyond what a crate holds are said, row by row, and none is left out in silence", () => {
    const many = rows("material|amount\nPaper cup|1\nPaper cop|1\nPaper cup|2\nPaper cup|3");
    const { lines, troubles } = pastedLines(many, materials, 2);
    expect(lines.map(({ amount }) => amount)).toEqual([1, 2]);
    expect(troubles).toEqual([
      { row: 3, words: expect.stringContaining("no “Paper cop”") },
      { row: 5, words: "A crate holds 40 lines: this one finds no room." },
    ]);
    expect(pastedLines(many, materials, 0).lines).toEqual([]);
  });

  it("name what the store room lacks, each once, in the unit that it is written in", () => {
    const { unknown } = pastedLines(
      rows("Wax paper|2\nwax PAPER|3\nWire|1.2 m\nClay|250 g\nGlue|20 ml\nPaper cup|x\nMoss|some"),
      materials,
    );
    expect(unknown).toEqual([
      { name: "Wax paper", unit: "piece" },
      { name: "Wire", unit: "mm" },
      { name: "Clay", unit: "g" },
      { name: "Glue", unit: "ml" },
      { name: "Moss", unit: "piece" },
    ]);
  });
});
