import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileStamp } from "../db/fileStamp.ts";
import { holdFolder } from "../db/lock.ts";
import { type Database, houseFile, openDatabase } from "../db/open.ts";
import { entry, erasedEntry } from "../db/schema/index.ts";
import { eraseEntries, overwriteLog } from "../services/entries/erasing.ts";
import { holdBack } from "../services/entries/heldBack.ts";
import { hashOf } from "../services/secrets.ts";
import { checkFile, type FileCheck } from "./checkFile.ts";
import { erasedIn, erasuresIn, updateErasureLists } from "./erasureList.ts";

/** A file that was put in place. */
export interface Restored extends FileCheck {
  /** Where the file that was there before is; null where there was none. */
  readonly before: string | null;
  /** Entries that had been erased since the copy was made, and are erased again. */
  readonly erasedAgain: number;
  /** Whether entries are held back, because nothing says which of them were erased since the copy was made. */
  readonly heldBack: boolean;
}

/** Where a copy comes from, and what is known of erasures since. */
export interface RestoreFrom {
  readonly copy: string;
  /** Hashes of erased entries; null where there is no list. */
  readonly erasures: readonly string[] | null;
}

/**
 * Puts a copy in the place of a house's file, which no server may have open; the file that was there is kept in
 * `copies`. What had been erased since the copy was made is erased again, by the file that was there and by the list of
 * erased entries; without either, entries are held back. Throws when the copy is not whole, the folder in use, or the
 * copy newer than this version.
 */
export function restore(data: string, { copy, erasures }: RestoreFrom, now: number): Restored {
  const release = holdFolder(data, "restoring");
  try {
    const found = checkFile(copy);
    if (found.wrong.length > 0) throw new Error(`${copy} is not whole: ${found.wrong.join("; ")}`);
    const file = houseFile(data);
    const lists = [existsSync(file) ? erasedFrom(file) : null, erasuresIn(data), erasures].filter((list) => list !== null);
    // Copied first: where there is no room for it, what is there stays in place.
    const part = `${file}.part`;
    copyFileSync(copy, part);
    const before = setAside(data, file, now);
    renameSync(part, file);
    const db = openDatabase(data);
    const erasedAgain = eraseAgain(db, lists.flat(), now);
    const heldBack = lists.length === 0 && found.entries > 0;
    if (heldBack) holdBack(db, now);
    updateErasureLists(db, [data], { whole: true });
    db.$client.close();
    return { ...checkFile(file), before, erasedAgain, heldBack };
  } finally {
    release();
  }
}

/** What was erased from a house, by its own file; null where it is too broken to say. */
function erasedFrom(file: string): readonly string[] | null {
  try {
    return erasedIn(file);
  } catch {
    return null;
  }
}

function setAside(data: string, file: string, now: number): string | null {
  if (!existsSync(file)) return null;
  const copies = join(data, "copies");
  mkdirSync(copies, { recursive: true, mode: 0o700 });
  const before = join(copies, `before-restore-${fileStamp(now)}Z.sqlite`);
  // The log beside the file belongs to it.
  for (const end of ["-wal", "-shm"]) {
    if (existsSync(`${file}${end}`)) renameSync(`${file}${end}`, `${before}${end}`);
    rmSync(`${file}${end}`, { force: true });
  }
  renameSync(file, before);
  return before;
}

function eraseAgain(db: Database, hashes: readonly string[], now: number): number {
  if (hashes.length === 0) return 0;
  const gone = new Set(hashes);
  const rows = db
    .select({ id: entry.id, key: entry.key })
    .from(entry)
    .all()
    .filter(({ id }) => gone.has(hashOf(id)));
  db.transaction((tx) => {
    eraseEntries(tx, rows, now);
    for (const idHash of hashes) tx.insert(erasedEntry).values({ idHash, at: now }).onConflictDoNothing().run();
  });
  overwriteLog(db);
  return rows.length;
}
