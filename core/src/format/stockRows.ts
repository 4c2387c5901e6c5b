import { readAmount, readPrice } from "../kit/amounts/amountRead.ts";
import type { StockUnit } from "../kit/amounts/amountWords.ts";
import { storeLimits } from "../kit/amounts/limits.ts";
import { materialKey } from "../kit/amounts/materialName.ts";
import { parseQuantity } from "../quantity/parse.ts";
import { refusalWords } from "../quantity/reasons.ts";
import { isOddLine } from "./plainText.ts";

/** A material as a store room file tells it; amounts in its own unit, sheets in m, money in cents. */
export interface StockRow {
  readonly name: string;
  readonly unit: StockUnit;
  readonly onHand: number;
  readonly packSize: number;
  readonly packPriceCents: number;
  readonly sheetWidthM: number | null;
  readonly sheetHeightM: number | null;
  readonly allergens: readonly string[];
  readonly smallPart: boolean;
  readonly latex: boolean;
  readonly perWeek: number | null;
}

/** A row read: the material it names with the file's values over what is known, and what is different in words. */
export interface StockChange {
  readonly row: number;
  /** null: a new material. */
  readonly id: string | null;
  readonly values: StockRow;
  readonly words: readonly string[];
}

export interface StockWrong {
  readonly row: number;
  readonly column: string;
  readonly message: string;
}

/** The file's columns, in the order in which it is written. */
export const stockColumns = [
  "name",
  "unit",
  "on hand",
  "pack size",
  "pack price",
  "sheet across",
  "sheet along",
  "allergens",
  "small part",
  "latex",
  "collected a week",
] as const;
type Column = (typeof stockColumns)[number];

const plain: Omit<StockRow, "name"> = {
  unit: "piece",
  onHand: 0,
  packSize: 1,
  packPriceCents: 0,
  sheetWidthM: null,
  sheetHeightM: null,
  allergens: [],
  smallPart: false,
  latex: false,
  perWeek: null,
};

/** A material as a row of the file. */
export function stockCells(row: StockRow): readonly string[] {
  const size = (m: number | null): string => (m === null ? "" : `${Math.round(m * 1e6) / 1e3} mm`);
  return [
    row.name,
    row.unit,
    String(row.onHand),
    String(row.packSize),
    (row.packPriceCents / 100).toFixed(2),
    size(row.sheetWidthM),
    size(row.sheetHeightM),
    row.allergens.join("; "),
    row.smallPart ? "yes" : "no",
    row.latex ? "yes" : "no",
    row.perWeek === null ? "" : String(row.perWeek),
  ];
}

/**
 * Reads a store room file: a row of headings in any order, then a material a row, found by its name whatever its case.
 * A column that is missing and a cell left empty leave what is known. Everything wrong is said by row and column.
 */
export function readStockRows(
  rows: readonly (readonly string[])[],
  known: readonly (StockRow & { readonly id: string })[],
): { readonly changes: readonly StockChange[]; readonly wrong: readonly StockWrong[] } {
  const wrong: StockWrong[] = [];
  const heads = (rows[0] ?? []).map((cell) => cell.trim().toLowerCase());
  for (const head of heads.filter((h) => h !== "" && !stockColumns.some((c) => c === h)))
    wrong.push({ row: 1, column: head, message: `There is no column “${head}”. The columns are ${stockColumns.join(", ")}.` });
  for (const head of new Set(heads.filter((h, i) => h !== "" && heads.indexOf(h) !== i)))
    wrong.push({ row: 1, column: head, message: `The heading “${head}” stands there twice. Keep the column that counts.` });
  if (rows.length - 1 > storeLimits.rows)
    wrong.push({ row: storeLimits.rows + 2, column: "name", message: `A file has at most ${storeLimits.rows} materials. Split it.` });
  if (!heads.includes("name")) wrong.push({ row: 1, column: "name", message: "The first row must name its columns, “name” among them." });
  if (wrong.length > 0) return { changes: [], wrong };
  const changes: StockChange[] = [];
  const seen = new Map<string, number>();
  const refusePoint = pointRefusal(rows, heads);
  const byName = new Map(known.map((material) => [materialKey(material.name), material]));
  for (const [i, cells] of rows.entries()) {
    if (i === 0 || cells.every((cell) => cell.trim() === "")) continue;
    const row = i + 1;
    const cell = (column: Column): string => (cells[heads.indexOf(column)] ?? "").trim();
    const name = cell("name");
    const key = materialKey(name);
    const twice = seen.get(key);
    seen.set(key, row);
    const beyond = cells.slice(heads.length).find((text) => text.trim() !== "");
    if (isOddLine(name))
      wrong.push({
        row,
        column: "name",
        message: "This name has a line break, or characters that can't be read. Type it again on one line.",
      });
    else if (name === "" || name.length > storeLimits.nameLetters)
      wrong.push({ row, column: "name", message: `Give the material a name of at most ${storeLimits.nameLetters} letters.` });
    else if (beyond !== undefined)
      wrong.push({
        row,
        column: "name",
        message: `“${beyond.trim()}” stands beyond the last heading. Put a cell with a comma in quotes: "1,5".`,
      });
    else if (twice !== undefined) wrong.push({ row, column: "name", message: `“${name}” stands in row ${twice} already.` });
    else {
      const before = byName.get(key);
      const unclear = numberColumns.flatMap((column) => refusePoint(column, cell(column)));
      if (unclear.length > 0) {
        for (const trouble of unclear) wrong.push({ row, ...trouble });
        continue;
      }
      const read = readRow(cell, before ?? { name, ...plain }, before !== undefined);
      for (const { column, message } of read.wrong) wrong.push({ row, column, message });
      if (read.wrong.length === 0) changes.push({ row, id: before?.id ?? null, values: read.values, words: read.words });
    }
  }
  return { changes, wrong };
}

type Trouble = Omit<StockWrong, "row">;

const numberColumns = ["on hand", "pack size", "pack price", "sheet across", "sheet along", "collected a week"] as const;

/** A number with a decimal comma, such as "5,25" or "1.200,50". */
const withComma = /^(\d+|\d{1,3}(\.\d{3})+|\d*),(\d{1,2}|\d{4,})(?!\d)/;
/** A number that is another one where a point groups thousands: "1.200". */
const withPoint = /^([1-9]\d{0,2})\.(\d{3})(?![\d.,])/;

/** Says of a cell that its point may group thousands, where the file has decimal commas elsewhere. */
function pointRefusal(
  rows: readonly (readonly string[])[],
  heads: readonly string[],
): (column: Column, typed: string) => readonly Trouble[] {
  const numbers = rows.slice(1).flatMap((cells) => numberColumns.map((column) => (cells[heads.indexOf(column)] ?? "").trim()));
  const comma = numbers.find((typed) => withComma.test(typed));
  return (column, typed) => {
    const [, whole = "", after = ""] = withPoint.exec(typed) ?? [];
    if (comma === undefined || whole === "") return [];
    const message = `“${typed}” can be read in two ways, as “${comma}” in this file has a decimal comma. Write ${whole}${after} or ${whole},${after.replace(/0+$/, "") || "0"}.`;
    return [{ column, message }];
  };
}

function readRow(
  cell: (column: Column) => string,
  before: StockRow,
  isKnown: boolean,
): { readonly values: StockRow; readonly words: readonly string[]; readonly wrong: readonly Trouble[] } {
  const wrong: Trouble[] = [];
  const words: string[] = [];
  const read = <T>(column: Column, now: T, parse: (typed: string) => T | { readonly message: string }, show: (value: T) => string): T => {
    const typed = cell(column);
    // What the file says unchanged stays, even where it could not be typed anew: stock below nothing.
    if (typed === "" || typed === show(now)) return now;
    const found = parse(typed);
    if (typeof found === "object" && found !== null && "message" in found) {
      wrong.push({ column, message: found.message });
      return now;
    }
    if (isKnown && show(found) !== show(now)) words.push(`${column} ${show(now) || "none"} to ${show(found) || "none"}`);
    return found;
  };
  const unit = read("unit", before.unit, unitOf, String);
  if (isKnown && unit !== before.unit)
    wrong.push({ column: "unit", message: `It is kept in ${before.unit}; a unit can't be changed by a file.` });
  const upTo = (most: number) => (typed: string) => amountOf(typed, unit, most);
  const values: StockRow = {
    name: isKnown ? before.name : cell("name"),
    unit,
    onHand: read("on hand", before.onHand, upTo(storeLimits.onHand), String),
    packSize: read("pack size", before.packSize, (typed) => moreThanNothing(upTo(storeLimits.packSize)(typed)), String),
    packPriceCents: read("pack price", before.packPriceCents, moneyOf, (cents) => (cents / 100).toFixed(2)),
    sheetWidthM: read("sheet across", before.sheetWidthM, lengthOf, sizeWords),
    sheetHeightM: read("sheet along", before.sheetHeightM, lengthOf, sizeWords),
    allergens: read("allergens", before.allergens, listOf, (list) => list.join("; ")),
    smallPart: read("small part", before.smallPart, yesOrNo, yesWords),
    latex: read("latex", before.latex, yesOrNo, yesWords),
    perWeek: read<number | null>(
      "collected a week",
      before.perWeek,
      (typed) => moreThanNothing(upTo(storeLimits.perWeek)(typed)),
      (n) => (n === null ? "" : String(n)),
    ),
  };
  return { values, words, wrong };
}

const unitOf = (typed: string): StockRow["unit"] | { readonly message: string } => {
  const found = (["piece", "mm", "g", "ml"] as const).find((unit) => unit === typed.toLowerCase() || `${unit}s` === typed.toLowerCase());
  return found ?? { message: `“${typed}” is no unit of the store room: piece, mm, g or ml.` };
};

function amountOf(typed: string, unit: StockRow["unit"], most: number): number | { readonly message: string } {
  const read = readAmount(typed, unit);
  if (!read.ok) return { message: read.words };
  if (read.amount > 0 && read.amount < storeLimits.least)
    return { message: `That is less than ${storeLimits.least} ${unit}. Look at its digits again.` };
  return read.amount <= most ? read.amount : { message: `That is more than ${most}. Look at its digits again.` };
}

const moreThanNothing = (read: number | { readonly message: string }): number | { readonly message: string } =>
  typeof read === "number" && read <= 0 ? { message: "More than nothing, please." } : read;

function moneyOf(typed: string): number | { readonly message: string } {
  const read = readPrice(typed);
  return read.ok ? read.cents : { message: read.words };
}

function lengthOf(typed: string): number | { readonly message: string } {
  const asked = { dimension: "length", defaultUnit: "mm" } as const;
  const read = parseQuantity(typed, asked);
  if (!read.ok) return { message: refusalWords(read.reason, typed, asked) };
  return read.si > 0 && read.si <= storeLimits.sheetM
    ? Math.round(read.si * 1e9) / 1e9
    : { message: `A sheet's side is more than nothing and at most ${storeLimits.sheetM} m.` };
}

const sizeWords = (m: number | null): string => (m === null ? "" : `${Math.round(m * 1e6) / 1e3} mm`);

function listOf(typed: string): readonly string[] | { readonly message: string } {
  if (/^(none|no|-)$/i.test(typed)) return [];
  const list = typed
    .split(/[;,]/)
    .map((word) => word.trim())
    .filter(Boolean);
  const { allergens, allergenLetters } = storeLimits;
  if (list.length <= allergens && list.every((word) => word.length <= allergenLetters)) return list;
  return { message: `At most ${allergens} allergens of at most ${allergenLetters} letters each.` };
}

function yesOrNo(typed: string): boolean | { readonly message: string } {
  if (/^(yes|y|true|1)$/i.test(typed)) return true;
  if (/^(no|n|false|0)$/i.test(typed)) return false;
  return { message: `“${typed}” should be yes or no.` };
}

const yesWords = (yes: boolean): string => (yes ? "yes" : "no");
