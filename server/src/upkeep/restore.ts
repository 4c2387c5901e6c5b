import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileStamp } from "../db/fileStamp.ts";
import { holdFolder } from "../db/lock.ts";
import { type Database, houseFile, openDatabase } from "../db/open.ts";
import { entry, erasedEntry } from "../db/schema/index.ts";
import { eraseEntries, forget } from "../services/entries/erasing.ts";
import { hashOf } from "../services/secrets.ts";
import { checkFile, type FileCheck } from "./checkFile.ts";

/** A file that was put in place. */
export interface Restored extends FileCheck {
  /** Where the file that was there before is; null where there was none. */
  readonly before: string | null;
  /** Entries that had been erased since the copy was made, and are erased again. */
  readonly erasedAgain: number;
}

/**
 * Puts a copy in the place of a house's file, which no server may have open; the file that was there is kept in
 * `copies`. What had been erased since the copy was made is erased again. Throws when the copy is not whole, the
 * folder in use, or the copy newer than this version.
 */
export function restore(data: string, copy: string, now: number): Restored {
  const release = holdFolder(data, "restoring");
  try {
    const found = checkFile(copy);
    if (found.wrong.length > 0) throw new Error(`${copy} is not whole: ${found.wrong.join("; ")}`);
    const file = houseFile(data);
    const erased = existsSync(file) ? erasedIn(data) : [];
    // Copied first: where there is no room for it, what is there stays in place.
    const part = `${file}.part`;
    copyFileSync(copy, part);
    const before = setAside(data, file, now);
    renameSync(part, file);
    const db = openDatabase(data);
    const erasedAgain = eraseAgain(db, erased, now);
    db.$client.close();
    return { ...checkFile(file), before, erasedAgain };
  } finally {
    release();
  }
}

function erasedIn(data: string): readonly string[] {
  try {
    const db = openDatabase(data);
    const hashes = db.select({ idHash: erasedEntry.idHash }).from(erasedEntry).all();
    db.$client.close();
    return hashes.map(({ idHash }) => idHash);
  } catch {
    // A file so broken that it has to be restored may not tell what was erased from it.
    return [];
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
  forget(db);
  return rows.length;
}
