import { mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import Sqlite from "better-sqlite3";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import * as schema from "./schema/index.ts";

export type Database = BetterSQLite3Database<typeof schema> & { readonly $client: Sqlite.Database };

/** A transaction or the database itself: what a service reads and writes through. */
export type Store = Pick<Database, "select" | "insert" | "update" | "delete">;

/**
 * Opens the house's file in `folder`, making both if need be, and brings its tables up to date.
 * WAL, every commit on disk before it is acknowledged (synchronous=FULL), foreign keys enforced.
 */
export function openDatabase(folder: string, migrations = findMigrations()): Database {
  mkdirSync(folder, { recursive: true });
  const client = new Sqlite(join(folder, "lampcrate.sqlite"));
  // Small pages: an entry touches few bytes in many places, and every commit writes whole pages to disk.
  client.pragma("page_size = 1024");
  client.pragma("journal_mode = WAL");
  client.pragma("synchronous = FULL");
  client.pragma("foreign_keys = ON");
  client.pragma("busy_timeout = 5000");
  // Fewer, larger moves from the log to the file: each costs a disk write of its own.
  client.pragma("wal_autocheckpoint = 32000");
  // 32 MB: a season's entries stay in memory.
  client.pragma("cache_size = -32000");
  const db = drizzle(client, { schema });
  migrate(db, { migrationsFolder: migrations });
  return db;
}

/** Beside the source when developing, beside the bundle when built. */
function findMigrations(): string {
  return join(dirname(fileURLToPath(import.meta.url)), import.meta.url.endsWith(".ts") ? "../../migrations" : "../migrations");
}
