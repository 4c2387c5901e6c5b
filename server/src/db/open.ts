import { chmodSync, closeSync, mkdirSync, openSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import Sqlite from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { bringUpToDate } from "./migrating.ts";
import * as schema from "./schema/index.ts";

export type Database = BetterSQLite3Database<typeof schema> & { readonly $client: Sqlite.Database };

/** A transaction or the database itself: what a service reads and writes through. */
export type Store = Pick<Database, "select" | "insert" | "update" | "delete">;

/** The one file of a house. */
export const houseFile = (folder: string): string => join(folder, "lampcrate.sqlite");

/**
 * Opens the house's file in `folder`, making both if need be, and brings its tables up to date.
 * WAL, every commit on disk before it is acknowledged (synchronous=FULL), foreign keys enforced, what is deleted
 * overwritten. Folder and file are for their owner only.
 */
export function openDatabase(folder: string, migrations = findMigrations()): Database {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = houseFile(folder);
  closeSync(openSync(file, "a", 0o600));
  for (const [path, mode] of [
    [folder, 0o700],
    [file, 0o600],
  ] as const)
    ownerOnly(path, mode);
  const client = new Sqlite(file);
  try {
    // Small pages: an entry touches few bytes in many places, and every commit writes whole pages to disk.
    client.pragma("page_size = 1024");
    client.pragma("journal_mode = WAL");
    client.pragma("synchronous = FULL");
    client.pragma("busy_timeout = 5000");
    client.pragma("secure_delete = ON");
    // Fewer, larger moves from the log to the file: each costs a disk write of its own.
    client.pragma("wal_autocheckpoint = 32000");
    // 16 MB: a season's entries stay in memory.
    client.pragma("cache_size = -16000");
    bringUpToDate(client, folder, migrations);
    client.pragma("foreign_keys = ON");
  } catch (error) {
    client.close();
    throw error;
  }
  return drizzle(client, { schema });
}

/** A folder that belongs to somebody else, as a mounted one may, stays as it is. */
function ownerOnly(path: string, mode: number): void {
  try {
    chmodSync(path, mode);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== "EPERM") throw error;
  }
}

/** Beside the source when developing, beside the bundle when built. */
function findMigrations(): string {
  return join(dirname(fileURLToPath(import.meta.url)), import.meta.url.endsWith(".ts") ? "../../migrations" : "../migrations");
}
