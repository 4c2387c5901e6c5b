import type { CsvPreview } from "@lampcrate/contract";
import { readStockRows, stockCells, stockColumns } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import Papa from "papaparse";
import type { Store } from "../../db/open.ts";
import { material } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";
import { insertMaterial, materialList } from "./materials.ts";
import { bookMove } from "./stock.ts";

/** The store room as CSV, to be counted on, changed and read back. */
export function stockCsv(db: Store): string {
  return Papa.unparse([[...stockColumns], ...materialList(db).map(stockCells)], { escapeFormulae: true, newline: "\r\n" });
}

/** What a file would do, row by row. */
export function previewStockCsv(db: Store, text: string): CsvPreview {
  return previewOf(readFile(db, text));
}

function previewOf({ changes, wrong }: ReturnType<typeof readStockRows>): CsvPreview {
  return {
    rows: changes.map(({ row, id, values, words }) => ({
      row,
      name: values.name,
      does: id === null ? "adds" : words.length > 0 ? "changes" : "leaves as it is",
      words,
    })),
    wrong: wrong.slice(0, 200),
  };
}

/** Takes a file over, all or nothing: stock that differs is booked as a move. Throws 422 by row and column. */
export function takeStockCsv(deps: Deps, by: Person, text: string): CsvPreview {
  return deps.db.transaction((tx) => {
    const read = readFile(tx, text);
    if (read.wrong.length > 0)
      throw new Problem(422, "Check the file", "Nothing was taken: put these right and read the file again.", {
        errors: read.wrong.slice(0, 200).map(({ row, column, message }) => ({ field: `row ${row}, ${column}`, message })),
      });
    const before = new Map(materialList(tx).map((m) => [m.id, m]));
    for (const { id, values, words } of read.changes) {
      if (id === null) insertMaterial(tx, by, deps.clock(), { ...values, hazards: [] });
      else if (words.length > 0) {
        const { onHand, ...rest } = values;
        const known = before.get(id);
        tx.update(material)
          .set({ ...rest, revision: (known?.revision ?? 0) + 1 })
          .where(eq(material.id, id))
          .run();
        bookMove(tx, by, deps.clock(), {
          materialId: id,
          amount: onHand - (known?.onHand ?? 0),
          reason: "put right",
          words: "from a file",
        });
      }
    }
    trail(tx, deps.clock(), by, "stock", `took a store room file of ${read.changes.length} rows over`);
    return previewOf(read);
  });
}

function readFile(db: Store, text: string) {
  // A spreadsheet's own mark of guarded formulae is not part of the name.
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  const broken = errors.filter((error) => error.type === "Quotes");
  if (broken.length > 0)
    return {
      changes: [],
      wrong: broken.slice(0, 5).map(({ row = 0 }) => ({
        row: row + 1,
        column: "name",
        message: "A quotation mark is opened here and not closed, or stands inside a cell. A mark inside quotes is written twice.",
      })),
    };
  return readStockRows(
    data.map((row) => row.map((cell) => cell.replace(/^'(?=[=+\-@])/, ""))),
    materialList(db),
  );
}
