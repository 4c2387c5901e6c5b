import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import Papa from "papaparse";
import { holdFolder } from "../db/lock.ts";
import { newestMigration } from "../db/migrating.ts";
import { type Database, openDatabase } from "../db/open.ts";
import { trialsCsvPart } from "../services/findings/csv.ts";
import { exportPack } from "../services/runs/packs.ts";

const format = "lamp-crate house";
const version = 1;

/** Everything of a house as one document: its tables, each row by its columns. */
export interface HouseExport {
  readonly format: typeof format;
  readonly version: number;
  /** The newest migration of the file, ms: what the columns are. */
  readonly schema: number;
  readonly tables: Readonly<Record<string, readonly Row[]>>;
}

/** A cell as JSON holds it; the bytes of a picture as base 64. */
type Cell = string | number | null | { readonly base64: string };
type Row = Readonly<Record<string, Cell>>;

/** What stays: who is signed in, and how passwords are kept. */
const notExported = ["signed_in", "clock_watch", "held_back", "job", "__drizzle_migrations"];

/** Writes a whole house out in open formats: house.json with all of it, a CSV a table, each run's brief and trials. Gives the names of the files. */
export function exportHouse(data: string, into: string): readonly string[] {
  const db = openDatabase(data);
  try {
    mkdirSync(join(into, "tables"), { recursive: true, mode: 0o700 });
    mkdirSync(join(into, "runs"), { recursive: true, mode: 0o700 });
    const files: string[] = [];
    const write = (name: string, text: string): void => {
      writeFileSync(join(into, name), text, { mode: 0o600 });
      files.push(name);
    };
    const whole = db.$client.transaction(() => exportOf(db)).deferred();
    write("house.json", `${JSON.stringify(whole, null, 1)}\n`);
    for (const [table, rows] of Object.entries(whole.tables))
      write(join("tables", `${table}.csv`), Papa.unparse(rows.map(withoutBytes), { escapeFormulae: true, newline: "\r\n" }));
    writePictures(db, into, files);
    for (const { id, title } of db.$client.prepare("select id, title from run order by created_at, id").all() as {
      id: string;
      title: string;
    }[]) {
      const name = `${title
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .slice(0, 40)}-${id}`;
      write(join("runs", `${name}.challenge-pack.json`), `${JSON.stringify(exportPack(db, id), null, 2)}\n`);
      write(join("runs", `${name}.trials.csv`), allTrials(db, id));
    }
    return files;
  } finally {
    db.$client.close();
  }
}

/** Each picture as a file of its own, by its id. */
function writePictures(db: Database, into: string, files: string[]): void {
  mkdirSync(join(into, "pictures"), { recursive: true, mode: 0o700 });
  for (const row of db.$client.prepare("select id, full from picture order by id").iterate() as Iterable<{ id: string; full: Buffer }>) {
    const name = join("pictures", `${row.id}.jpg`);
    writeFileSync(join(into, name), row.full, { mode: 0o600 });
    files.push(name);
  }
}

/** A row as a table shows it: pictures stand in files of their own. */
const withoutBytes = (row: Row): Row => Object.fromEntries(Object.entries(row).filter(([, cell]) => !isBytes(cell)));

const isBytes = (cell: Cell): cell is { readonly base64: string } => typeof cell === "object" && cell !== null;

const cellOf = (cell: string | number | null | Buffer): Cell => (Buffer.isBuffer(cell) ? { base64: cell.toString("base64") } : cell);

function allTrials(db: Database, runId: string): string {
  const parts: string[] = [];
  for (let after: number | null = 0; after !== null; ) {
    const part = trialsCsvPart(db, runId, after);
    parts.push(part.text);
    after = part.next;
  }
  return parts.join("");
}

function exportOf(db: Database): HouseExport {
  const tables = tablesOf(db).map((table) => {
    const rows = (db.$client.prepare(`select * from "${table}"`).all() as Readonly<Record<string, string | number | null | Buffer>>[]).map(
      (row): Row => Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, cellOf(cell)])),
    );
    return [table, table === "staff" ? rows.map((row) => ({ ...row, password_hash: "" })) : rows] as const;
  });
  return { format, version, schema: newestMigration(db.$client), tables: Object.fromEntries(tables) };
}

function tablesOf(db: Database): readonly string[] {
  const names = db.$client
    .prepare("select name from sqlite_master where type = 'table' and name not like 'sqlite_%' order by name")
    .pluck()
    .all();
  return (names as string[]).filter((name) => !notExported.includes(name));
}

/**
 * Brings an exported house into an empty folder, all or nothing. Its people come without passwords: give each one
 * with `password`. Throws when the folder has a house, or the export is of another version's tables.
 */
export function importHouse(data: string, given: unknown): { readonly rows: number } {
  const release = holdFolder(data, "bringing a house into");
  const db = openDatabase(data);
  try {
    if (db.$client.prepare("select 1 from house").get() !== undefined)
      throw new Error("This folder has a house already. Import into an empty one.");
    const { tables } = exportIn(given, newestMigration(db.$client));
    const known = new Set(tablesOf(db));
    const strange = Object.keys(tables).filter((table) => !known.has(table));
    if (strange.length > 0) throw new Error(`The export has tables that this version doesn't know: ${strange.join(", ")}.`);
    let rows = 0;
    db.$client.pragma("foreign_keys = OFF");
    db.$client.transaction(() => {
      for (const [table, list] of Object.entries(tables)) for (const row of list) rows += insert(db, table, row);
      const dangling = db.$client.pragma("foreign_key_check") as unknown[];
      if (dangling.length > 0) throw new Error(`${dangling.length} rows of the export refer to nothing.`);
    })();
    return { rows };
  } finally {
    db.$client.close();
    release();
  }
}

function insert(db: Database, table: string, row: Row): number {
  const columns = new Set(db.$client.prepare(`select name from pragma_table_info(?)`).pluck().all(table) as string[]);
  const given = Object.keys(row);
  const strange = given.filter((column) => !columns.has(column));
  if (strange.length > 0) throw new Error(`The export's ${table} has columns that this version doesn't know: ${strange.join(", ")}.`);
  const names = given.map((column) => `"${column}"`).join(", ");
  return db.$client
    .prepare(`insert into "${table}" (${names}) values (${given.map(() => "?").join(", ")})`)
    .run(...Object.values(row).map((cell) => (isBytes(cell) ? Buffer.from(cell.base64, "base64") : cell))).changes;
}

function exportIn(given: unknown, schema: number): HouseExport {
  const it = given as Partial<HouseExport> | null;
  if (it?.format !== format || it.version !== version || typeof it.tables !== "object")
    throw new Error("This is no exported house (house.json).");
  if (it.schema !== schema)
    throw new Error("The export is of another version of Lamp Crate. Import it with that version, then start this one on the folder.");
  return it as HouseExport;
}
