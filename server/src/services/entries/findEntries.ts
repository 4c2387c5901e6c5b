import type { EntryDoc, FoundEntry } from "@lampcrate/contract";
import { and, desc, eq, inArray, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, run } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";
import { runRow } from "../runs/runs.ts";
import { entryDocs } from "./entryDoc.ts";

/** Entries found at once. */
const most = 8;

const states = ["waiting", "accepted", "set aside"] as const;

/** Entries whose made-up name has these letters, newest first, of runs that are not put away. */
export function findEntries(db: Store, alias: string): readonly FoundEntry[] {
  const letters = alias.toLowerCase().replace(/[\\%_]/g, (sign) => `\\${sign}`);
  return db
    .select({ id: entry.id, runId: run.id, runTitle: run.title, alias: entry.alias, state: entry.state })
    .from(entry)
    .innerJoin(run, eq(run.id, entry.runId))
    .where(and(sql`lower(${entry.alias}) like ${`%${letters}%`} escape '\\'`, inArray(entry.state, [...states]), eq(run.archived, false)))
    .orderBy(desc(entry.key))
    .limit(most)
    .all()
    .map((found) => ({ ...found, state: found.state as FoundEntry["state"] }));
}

/** One entry of a run, as a sifter sees it. Throws 404. */
export function entryOf(db: Store, runId: string, entryId: string): EntryDoc {
  const row = runRow(db, runId);
  const found = db
    .select()
    .from(entry)
    .where(and(eq(entry.id, entryId), eq(entry.runId, runId), inArray(entry.state, [...states])))
    .get();
  const [doc] = found ? entryDocs(db, row, [found]) : [];
  if (!doc) throw notFound("entry of this run");
  return doc;
}
