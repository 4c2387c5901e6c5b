import { cpSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";

/** A folder with the first migrations only, as an older version had them. */
export function folderOfMigrations(under: string, count: number): string {
  const old = join(under, "old-migrations");
  cpSync(resolve(import.meta.dirname, "../migrations"), old, { recursive: true });
  const path = join(old, "meta", "_journal.json");
  const journal = JSON.parse(readFileSync(path, "utf8")) as { entries: unknown[] };
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }));
  return old;
}
