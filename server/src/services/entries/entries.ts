import type { EntryCorrection, MineDoc, PhotoConsent } from "@lampcrate/contract";
import { dateWords, saying } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem, stale } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { houseZone } from "../house/house.ts";
import { lettersToEntry } from "../outbox/outbox.ts";
import { claimsOf } from "../prize/prize.ts";
import type { RunRow } from "../runs/runs.ts";
import { entryDoor, sheetDoc } from "../runs/sheet.ts";
import { hashOf } from "../secrets.ts";
import { consentDocs, photoConsent, putCorrection, setPhotoConsent } from "./corrections.ts";
import { entryDocs } from "./entryDoc.ts";
import { eraseEntries, finishErasing } from "./erasing.ts";

type EntryRow = typeof entry.$inferSelect;

/** Why entries don't come in now, with the day. */
export function closedProblem(row: RunRow, zone: string, now: number): Problem {
  const closed = entryDoor(row, zone, now) === "closed";
  const message = closed
    ? saying`Entries closed at the end of ${dateWords(row.closesOn ?? "")}.`
    : row.opensOn
      ? saying`Entries open on ${dateWords(row.opensOn)}.`
      : "Entries are not open yet.";
  return new Problem(403, "Entries are not open", message, { errors: [{ field: "code", message }] });
}

/** The entry behind a private link; throws 404 for every link that opens none. */
export function byLink(db: Store, secret: string): { row: EntryRow; of: RunRow } {
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
  return {
    entry: doc,
    sheet: sheetDoc(db, of, now, row.briefVersion),
    photo: photoConsent(db, row.key),
    consents: consentDocs(db, row.key),
    letters: lettersToEntry(db, row.key),
    claims: claimsOf(db, eq(entry.key, row.key)),
  };
}

/** Replaces the entry by its corrected form: back to the sifter, unless the family has taken it out. */
export function correct(deps: Deps, secret: string, input: EntryCorrection): MineDoc {
  return deps.db.transaction((tx) => {
    const { row, of } = byLink(tx, secret);
    const at = deps.clock();
    if (row.revision !== input.revision) throw stale(mineDoc(tx, row, of, at).entry, []);
    const zone = houseZone(tx);
    if (entryDoor(of, zone, at) !== "open") throw closedProblem(of, zone, at);
    putCorrection(deps.db, tx, { row, of, by: "the family", at }, input);
    const after = byLink(tx, secret);
    return mineDoc(tx, after.row, after.of, deps.clock());
  });
}

/** An adult agrees to a photo being shown, or takes that back; at any time, whatever the run does. */
export function agreeToPhoto(deps: Deps, secret: string, input: PhotoConsent): MineDoc {
  return deps.db.transaction((tx) => {
    const { row, of } = byLink(tx, secret);
    setPhotoConsent(tx, row.key, input, deps.clock());
    return mineDoc(tx, row, of, deps.clock());
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

/** Erases an entry and all that hangs on it, in every page of the file. */
export function eraseEntry(deps: Deps, secret: string): void {
  deps.db.transaction((tx) => {
    const { row, of } = byLink(tx, secret);
    eraseEntries(tx, [row], deps.clock());
    trail(tx, deps.clock(), "a family", "erasing", `erased its entry of ${of.title}`);
  });
  finishErasing(deps);
}
