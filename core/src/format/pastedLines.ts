import { readAmount } from "../kit/amounts/amountRead.ts";
import type { StockUnit } from "../kit/amounts/amountWords.ts";
import { mostLines } from "../kit/amounts/limits.ts";
import { readStandIn, type StandIn } from "../kit/amounts/standIn.ts";
import { type Per, pers } from "../kit/draws/units.ts";
import { cleanTyped } from "../quantity/clean.ts";
import { parseQuantity } from "../quantity/parse.ts";
import { parseShare } from "../quantity/share.ts";

/** More of a kit is never spoilt. */
export const mostSpoilt = 0.95;

/** A material that a pasted row may name. */
export interface NamedMaterial {
  readonly id: string;
  readonly name: string;
  readonly unit: StockUnit;
}

/** A row that can be taken: amounts in the material's unit, the spoil rate as a share; null where the row says nothing. */
export interface PastedLine {
  readonly materialId: string;
  readonly amount: number;
  readonly per: Per | null;
  readonly spoilRate: number | null;
  readonly standIn: Pick<StandIn, "words" | "ratio">;
}

/** What a paste holds: rows that can be taken, and for each other one what is wrong with it, by its number from 1. */
export interface Pasted {
  readonly lines: readonly PastedLine[];
  readonly troubles: readonly { readonly row: number; readonly words: string }[];
  /** What the store room doesn't have, each once, with the unit that its amount is written in. */
  readonly unknown: readonly Pick<NamedMaterial, "name" | "unit">[];
}

const columns = ["material", "amount", "per", "spoil", "stand-in"] as const;
type Column = (typeof columns)[number];

const headings: Readonly<Record<string, Column>> = {
  material: "material",
  name: "material",
  amount: "amount",
  quantity: "amount",
  takes: "amount",
  per: "per",
  "for each": "per",
  spoil: "spoil",
  spoilt: "spoil",
  "spoil rate": "spoil",
  "stand-in": "stand-in",
  "or use": "stand-in",
};

/**
 * Reads rows pasted from a spreadsheet. A first row of headings says which column is which; without it they stand in the
 * order material, amount, for whom, spoil, stand-in. Amounts take any unit of the material's kind ("1.2 m", "600"). No more
 * than `room` lines are taken: the rows that are left over are said.
 */
export function pastedLines(rows: readonly (readonly string[])[], materials: readonly NamedMaterial[], room: number = mostLines): Pasted {
  const used = rows
    .map((cells, i) => ({ cells: cells.map((cell) => cell.trim()), row: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ""));
  const order = headingsOf(used[0]?.cells ?? []);
  const lines: PastedLine[] = [];
  const troubles: { row: number; words: string }[] = [];
  const unknown = new Map<string, Pick<NamedMaterial, "name" | "unit">>();
  for (const { cells, row } of order ? used.slice(1) : used) {
    const at = (column: Column): string => cells[(order ?? columns).indexOf(column)] ?? "";
    const read = readRow(at, materials);
    const { unknown: name } = read;
    if (name !== undefined && !unknown.has(name.toLowerCase())) unknown.set(name.toLowerCase(), { name, unit: unitOf(at("amount")) });
    if (read.line === undefined) troubles.push({ row, words: read.words });
    else if (lines.length < room) lines.push(read.line);
    else troubles.push({ row, words: `A crate holds ${mostLines} lines: this one finds no room.` });
  }
  return { lines, troubles, unknown: [...unknown.values()] };
}

/** Which column each cell heads; null when the row is no row of headings. */
function headingsOf(cells: readonly string[]): readonly (Column | null)[] | null {
  const found = cells.map((cell) => headings[cell.toLowerCase()] ?? null);
  return found.includes("material") ? found : null;
}

type RowRead =
  | { readonly line: PastedLine; readonly unknown?: never }
  | { readonly line?: never; readonly words: string; readonly unknown?: string };

function readRow(at: (column: Column) => string, materials: readonly NamedMaterial[]): RowRead {
  const name = at("material");
  const material = materials.find((m) => m.name.toLowerCase() === name.toLowerCase());
  if (name === "") return { words: "Say which material." };
  if (!material)
    return { words: `The store room has no “${name}”. Add it, or write its name as it stands there.`, unknown: name.slice(0, 80) };
  const amount = readAmount(at("amount"), material.unit);
  if (!amount.ok) return { words: amount.words };
  if (amount.amount <= 0) return { words: "The amount must be more than nothing." };
  const per = at("per")
    .toLowerCase()
    .replace(/^(per|for each) /, "");
  const unit = pers.find((u) => u === per || `${u}s` === per);
  if (per !== "" && !unit) return { words: `“${at("per")}” is not one of ${pers.join(", ")}.` };
  const spoil = at("spoil") === "" ? null : parseShare(at("spoil"), { most: mostSpoilt, bareShares: true });
  if (spoil?.ok === false) return { words: `Spoil rate: ${spoil.words}` };
  const line = {
    materialId: material.id,
    amount: amount.amount,
    per: unit ?? null,
    spoilRate: spoil?.share ?? null,
    standIn: readStandIn(at("stand-in").slice(0, 160)),
  };
  return { line };
}

/** The unit that an amount is written in; pieces where it says none. */
function unitOf(amount: string): NamedMaterial["unit"] {
  const plain = cleanTyped(amount);
  if (!/[a-z"']/.test(plain)) return "piece";
  if (parseQuantity(plain, { dimension: "length", defaultUnit: "mm" }).ok) return "mm";
  if (parseQuantity(plain, { dimension: "mass", defaultUnit: "g" }).ok) return "g";
  return readAmount(plain, "ml").ok ? "ml" : "piece";
}
