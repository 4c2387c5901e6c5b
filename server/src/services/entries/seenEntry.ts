import type { EntryDoc } from "@lampcrate/contract";
import { and, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { notFound, stale } from "../../http/problem.ts";
import { type RunRow, runRow } from "../runs/runs.ts";
import { entryDocs } from "./entryDoc.ts";

type EntryRow = typeof entry.$inferSelect;

/** A run's entry as a sifter saw it. Throws 404, and 409 with the entry as it is now when it has changed since. */
export function seenEntry(db: Store, runId: string, entryId: string, seen: number): { readonly of: RunRow; readonly row: EntryRow } {
  const of = runRow(db, runId);
  const row = db
    .select()
    .from(entry)
    .where(and(eq(entry.id, entryId), eq(entry.runId, runId)))
    .get();
  if (!row || row.state === "house trial") throw notFound("entry of this run");
  if (row.revision !== seen) throw stale(entryDocs(db, of, [row])[0], ["the entry was corrected or decided by somebody else"]);
  return { of, row };
}

/** One entry as a document. */
export function entryDoc(db: Store, of: RunRow, row: EntryRow): EntryDoc {
  const [doc] = entryDocs(db, of, [row]);
  if (!doc) throw notFound("entry of this run");
  return doc;
}

/** Where an entry stands once its family has changed something of it: before the sifter again, unless they have taken it out. */
export const afterFamily = (state: EntryRow["state"]): EntryRow["state"] => (state === "withdrawn" ? "withdrawn" : "waiting");
