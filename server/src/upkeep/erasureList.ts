import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeFileSync, writeSync } from "node:fs";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import type { Database } from "../db/open.ts";
import type { Deps } from "../deps.ts";

/** The list of erased entries, as it is kept beside the house's file, its copies and a replica in a folder. */
export const erasureListName = "erased-entries.txt";

const heading = "# Lamp Crate: hashes of erased entries. Keep this file with the copies: a restored copy erases them again.";

interface Erasure {
  readonly rowid: number;
  readonly hash: string;
  readonly at: number;
}

/** The newest erasure that was written to the lists, by house. */
const newestWritten = new WeakMap<Database, number>();

/**
 * Brings the list of erased entries in every folder up to date: adds what was erased since the last call, and writes
 * the whole list on the first. A line holds an instant and a hash, never anything of the entry. Gives the folders that
 * could not be written.
 */
export function updateErasureLists(db: Database, folders: readonly string[], { whole = false } = {}): readonly string[] {
  const after = whole ? 0 : (newestWritten.get(db) ?? 0);
  const erasures = db.$client
    .prepare("select rowid, id_hash as hash, at from erased_entry where rowid > ? order by rowid")
    .all(after) as readonly Erasure[];
  const text = erasures.map(({ hash, at }) => `${new Date(at).toISOString()} ${hash}\n`).join("");
  const failed = folders.filter((folder) => !(after === 0 ? replaced(folder, `${heading}\n${text}`) : appended(folder, text)));
  const newest = erasures.at(-1)?.rowid;
  if (newest !== undefined && failed.length === 0) newestWritten.set(db, newest);
  return failed;
}

/** Brings a served house's lists up to date, and logs the folders that could not be written. */
export function keepErasureLists({ db, erasureFolders, log }: Pick<Deps, "db" | "erasureFolders" | "log">, { whole = false } = {}): void {
  const failed = updateErasureLists(db, erasureFolders, { whole });
  if (failed.length > 0) log.error({ folders: failed }, "the list of erased entries could not be written");
}

/** The hashes on the list in a folder or file; null where there is no list. */
export function erasuresIn(fileOrFolder: string): readonly string[] | null {
  const file = existsSync(join(fileOrFolder, erasureListName)) ? join(fileOrFolder, erasureListName) : fileOrFolder;
  try {
    const text = readFileSync(file, "utf8");
    if (!text.startsWith("#")) return null;
    return text.split("\n").flatMap((line) => /^\S+Z (\S{20,})$/.exec(line.trim())?.[1] ?? []);
  } catch {
    return null;
  }
}

/** The hashes of erased entries in a house's file. */
export function erasedIn(file: string): readonly string[] {
  const client = new Sqlite(file, { readonly: true, fileMustExist: true });
  try {
    return client.prepare("select id_hash from erased_entry").pluck().all() as string[];
  } finally {
    client.close();
  }
}

function replaced(folder: string, text: string): boolean {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const part = join(folder, `${erasureListName}.part`);
    writeFileSync(part, text, { mode: 0o600, flush: true });
    renameSync(part, join(folder, erasureListName));
    return true;
  } catch {
    return false;
  }
}

function appended(folder: string, text: string): boolean {
  if (text === "") return true;
  try {
    const handle = openSync(join(folder, erasureListName), "a", 0o600);
    writeSync(handle, text);
    fsyncSync(handle);
    closeSync(handle);
    return true;
  } catch {
    return false;
  }
}
