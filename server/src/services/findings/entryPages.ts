import type { EntryPage } from "@lampcrate/contract";
import { and, asc, count, eq, inArray, notInArray, sql } from "drizzle-orm";
import type { Database } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { entryDocs } from "../entries/entryDoc.ts";
import { runRow } from "../runs/runs.ts";
import { nextPage } from "./page.ts";

/** Entries on one page. */
const pageSize = 60;

/** Some of a run's entries: those that wait first, each group oldest first; withdrawn ones are their families' business. */
export function entryPage(db: Database, runId: string, from: number): EntryPage {
  const row = runRow(db, runId);
  const listed = and(eq(entry.runId, runId), notInArray(entry.state, ["withdrawn", "house trial"]));
  const states = db.select({ state: entry.state, n: count() }).from(entry).where(listed).groupBy(entry.state).all();
  const total = states.reduce((sum, { n }) => sum + n, 0);
  // The index alone tells the order, in which they arrived; only those of the page are read.
  const keys = db
    .select({ key: entry.key })
    .from(entry)
    .where(listed)
    .orderBy(sql`${entry.state} <> 'waiting'`, asc(entry.key))
    .limit(pageSize)
    .offset(from)
    .all()
    .map(({ key }) => key);
  const rows = new Map(
    db
      .select()
      .from(entry)
      .where(inArray(entry.key, keys))
      .all()
      .map((one) => [one.key, one]),
  );
  return {
    entries: entryDocs(
      db,
      row,
      keys.flatMap((key) => rows.get(key) ?? []),
    ),
    total,
    waiting: states.find(({ state }) => state === "waiting")?.n ?? 0,
    next: nextPage(from, pageSize, total),
  };
}
