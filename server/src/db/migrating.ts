import { chmodSync, mkdirSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import type Sqlite from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { fileStamp } from "./fileStamp.ts";

/** The file was written by a newer version; says what to do. */
export class FileIsNewer extends Error {}

/** Copies made before migrations that are kept. */
const mostCopies = 5;

/**
 * Brings a file's tables up to date, all or nothing. A file with tables of its own is copied into `copies` first.
 * Throws FileIsNewer, having changed nothing, when a newer version has been here.
 */
export function bringUpToDate(client: Sqlite.Database, folder: string, migrations: string): void {
  const known = readMigrationFiles({ migrationsFolder: migrations });
  const newest = known.at(-1)?.folderMillis ?? 0;
  const there = newestMigration(client);
  if (there > newest)
    throw new FileIsNewer(
      `${join(folder, "lampcrate.sqlite")} was written by a newer Lamp Crate than this one. Start the newer version, or restore a copy from before it (npm run house -- restore).`,
    );
  if (there === newest) return;
  if (there > 0) copyBefore(client, folder, there);
  // Tables that are rebuilt are dropped for a moment: with foreign keys on, what hangs on them would go too.
  client.pragma("foreign_keys = OFF");
  migrate(drizzle(client), { migrationsFolder: migrations });
  const dangling = client.pragma("foreign_key_check") as unknown[];
  if (dangling.length > 0) throw new Error(`after bringing the tables up to date ${dangling.length} rows refer to nothing`);
}

/** When the newest migration of a file was made, ms; 0 for a new file. */
export function newestMigration(client: Sqlite.Database): number {
  const has = client.prepare("select 1 from sqlite_master where name = '__drizzle_migrations'").get();
  if (has === undefined) return 0;
  return Number(client.prepare("select max(created_at) from __drizzle_migrations").pluck().get() ?? 0);
}

function copyBefore(client: Sqlite.Database, folder: string, there: number): void {
  const copies = join(folder, "copies");
  mkdirSync(copies, { recursive: true, mode: 0o700 });
  const file = join(copies, `before-update-${fileStamp(Date.now())}-${there}.sqlite`);
  rmSync(file, { force: true });
  client.prepare("vacuum into ?").run(file);
  chmodSync(file, 0o600);
  const old = readdirSync(copies)
    .filter((name) => name.startsWith("before-update-"))
    .sort()
    .slice(0, -mostCopies);
  for (const name of old) rmSync(join(copies, name), { force: true });
}
