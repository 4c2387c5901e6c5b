import { eq, notExists, sql } from "drizzle-orm";
import type { Database, Store } from "../../db/open.ts";
import { entry, erasedEntry, groupSheet, undoStep } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { keepErasureLists } from "../../upkeep/erasureList.ts";
import { hashOf } from "../secrets.ts";

/**
 * Erases entries with all that hangs on them: versions, trials, consents, corrections, the sifter's reasons, the words
 * of undo. A hash of each random id stays, so that a phone that sends it again does not bring it back.
 */
export function eraseEntries(db: Store, rows: readonly { readonly id: string; readonly key: number }[], at: number): void {
  for (const { id, key } of rows) {
    db.delete(undoStep).where(eq(undoStep.subject, id)).run();
    db.delete(entry).where(eq(entry.key, key)).run();
    db.insert(erasedEntry)
      .values({ idHash: hashOf(id), at })
      .onConflictDoNothing()
      .run();
  }
  dropEmptyGroups(db);
}

/** A sheet of which no builder is left goes with the last of them. */
export function dropEmptyGroups(db: Store): void {
  const left = db.select({ one: sql`1` }).from(entry).where(eq(entry.groupId, groupSheet.id));
  db.delete(groupSheet).where(notExists(left)).run();
}

/**
 * Overwrites what was deleted in the log beside the file too: the file's own pages are zeroed as they are freed
 * (secure_delete), the log keeps their earlier form until it is folded in.
 */
export function overwriteLog(db: Database): void {
  db.$client.pragma("wal_checkpoint(TRUNCATE)");
}

/** Overwrites what was erased, and adds it to the lists that a restored copy is checked against. */
export function finishErasing(deps: Pick<Deps, "db" | "erasureFolders" | "log">): void {
  overwriteLog(deps.db);
  keepErasureLists(deps);
}
