import type { EntryCorrection, MineDoc } from "@lampcrate/contract";
import { dateWords } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import { correction, entry, run, version } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { Problem, stale } from "../http/problem.ts";
import { hashOf } from "../http/security.ts";
import { frozenVersion } from "./briefs.ts";
import { entryDocs } from "./entryDoc.ts";
import { entryWriter, readVersions } from "./entryWriter.ts";
import { houseZone } from "./house.ts";
import type { RunRow } from "./runs.ts";
import { entryDoor, sheetDoc } from "./sheet.ts";

type EntryRow = typeof entry.$inferSelect;

/** Why entries don't come in now, with the day. */
export function closedProblem(row: RunRow, zone: string, now: number): Problem {
  const closed = entryDoor(row, zone, now) === "closed";
  const message = closed
    ? `Entries closed at the end of ${dateWords(row.closesOn ?? "")}.`
    : row.opensOn
      ? `Entries open on ${dateWords(row.opensOn)}.`
      : "Entries are not open yet.";
  return new Problem(403, "Entries are not open", message, { errors: [{ field: "code", message }] });
}

/** The entry behind a private link; throws 404 for every link that opens none. */
function byLink(db: Store, secret: string): { row: EntryRow; of: RunRow } {
  const found = db
    .select({ row: entry, of: run })
    .from(entry)
    .innerJoin(run, eq(run.id, entry.runId))
    .where(eq(entry.linkHash, hashOf(secret)))
    .get();
  if (!found) {
    const message = "This link opens no entry. It may have been erased.";
    throw new Problem(404, "No such entry", message, { errors: [{ field: "secret", message }] });
  }
  return found;
}

/** A family's own entry with the sheet it belongs to. */
export function mine(deps: Deps, secret: string): MineDoc {
  const { row, of } = byLink(deps.db, secret);
  return mineDoc(deps.db, row, of, deps.clock());
}

function mineDoc(db: Store, row: EntryRow, of: RunRow, now: number): MineDoc {
  const [doc] = entryDocs(db, of, [row]);
  if (!doc) throw new Error("an entry that was just read has a document");
  return { entry: doc, sheet: sheetDoc(db, of, now, row.briefVersion) };
}

/** Replaces the entry by its corrected form; it goes back to the sifter. The words before are kept with who and when. */
export function correct(deps: Deps, secret: string, input: EntryCorrection): MineDoc {
  return deps.db.transaction((tx) => {
    const { row, of } = byLink(tx, secret);
    if (row.revision !== input.revision) throw stale(mineDoc(tx, row, of, deps.clock()).entry, []);
    const zone = houseZone(tx);
    if (entryDoor(of, zone, deps.clock()) !== "open") throw closedProblem(of, zone, deps.clock());
    const before = mineDoc(tx, row, of, deps.clock()).entry;
    tx.insert(correction).values({ entryId: row.id, at: deps.clock(), by: "the family", before: before.versions }).run();
    const versions = readVersions(input.versions, frozenVersion(tx, of.briefId, row.briefVersion).brief);
    tx.delete(version).where(eq(version.entryKey, row.key)).run();
    entryWriter(deps.db).writeVersions(row.key, versions);
    tx.update(entry)
      .set({ ageBand: input.ageBand, said: input.said, state: "waiting", revision: row.revision + 1 })
      .where(eq(entry.id, row.id))
      .run();
    const after = byLink(tx, secret);
    return mineDoc(tx, after.row, after.of, deps.clock());
  });
}

/** Takes an entry out of everything but its own link, or puts it back to the sifter. */
export function withdraw(deps: Deps, secret: string, withdrawn: boolean): MineDoc {
  return deps.db.transaction((tx) => {
    const { row } = byLink(tx, secret);
    tx.update(entry)
      .set({ state: withdrawn ? "withdrawn" : "waiting", revision: row.revision + 1 })
      .where(eq(entry.id, row.id))
      .run();
    const after = byLink(tx, secret);
    return mineDoc(tx, after.row, after.of, deps.clock());
  });
}

/** Erases an entry and all that hangs on it: nothing is left. */
export function eraseEntry(deps: Deps, secret: string): void {
  const { row } = byLink(deps.db, secret);
  deps.db.delete(entry).where(eq(entry.id, row.id)).run();
}
