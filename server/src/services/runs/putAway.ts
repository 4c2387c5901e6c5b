import type { PutAwayRun } from "@lampcrate/contract";
import { and, count, desc, eq, gt } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { brief, entry, run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";
import { haveDayRecords } from "./dayRecords.ts";
import { type RunRow, runRow } from "./runs.ts";

/** Runs that were put away, newest first. */
export function putAwayRuns(db: Store): readonly PutAwayRun[] {
  return db
    .select({ id: run.id, title: run.title, kind: run.kind, entries: count(entry.key) })
    .from(run)
    .leftJoin(entry, eq(entry.runId, run.id))
    .where(eq(run.archived, true))
    .groupBy(run.id)
    .orderBy(desc(run.createdAt))
    .all();
}

/** Puts a run away, out of season, calendar and buying, with all it holds; or brings it back. Throws 404, and 409 while it still has something to come. */
export function putAway(deps: Deps, by: Person, id: string, archived: boolean): void {
  deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    if (archived && row.status !== "cancelled") refuseWhileAhead(tx, row, deps.clock());
    tx.update(run)
      .set({ archived, revision: row.revision + 1 })
      .where(eq(run.id, id))
      .run();
    trail(tx, deps.clock(), by, "publishing", `${archived ? "put away" : "brought back"} ${row.title}`);
  });
}

function refuseWhileAhead(db: Store, row: RunRow, now: number): void {
  const ahead = db
    .select({ start: session.start })
    .from(session)
    .where(and(eq(session.runId, row.id), eq(session.cancelled, false), gt(session.startAt, now)))
    .get();
  if (ahead)
    throw new Problem(
      409,
      "Still to come",
      `A session on ${ahead.start.replace("T", " ")} is still to come. Remove it or cancel the run first.`,
    );
}

/** Deletes a run that has left nothing behind: no entries, nothing counted. Others are put away. Throws 404, 409. */
export function deleteRun(deps: Deps, by: Person, id: string): void {
  deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    const sessions = tx
      .select({ id: session.id })
      .from(session)
      .where(eq(session.runId, id))
      .all()
      .map((s) => s.id);
    if (row.status === "published") throw new Problem(409, "Published", "Families can reach this run. Unpublish or cancel it first.");
    const hasEntries = tx.select({ key: entry.key }).from(entry).where(eq(entry.runId, id)).get() !== undefined;
    if (hasEntries || haveDayRecords(tx, sessions))
      throw new Problem(409, "Run has records", "This run has entries, house trials, floor taps or counts. Archive it instead: they stay.");
    tx.delete(run).where(eq(run.id, id)).run();
    tx.delete(brief).where(eq(brief.id, row.briefId)).run();
    trail(tx, deps.clock(), by, "publishing", `deleted ${row.title}`);
  });
}
