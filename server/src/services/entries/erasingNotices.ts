import type { ErasingNotice } from "@lampcrate/contract";
import { and, asc, count, eq, isNull, ne } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, erasingNotice, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import type { Person } from "../house/person.ts";

/** The notices that stand: runs whose entries are about to go. */
export function erasingNotices(db: Store): readonly ErasingNotice[] {
  return (
    db
      .select({ notice: erasingNotice, title: run.title, afterwards: run.afterwards, entries: count(entry.key) })
      .from(erasingNotice)
      .innerJoin(run, eq(run.id, erasingNotice.runId))
      .innerJoin(entry, and(eq(entry.runId, run.id), ne(entry.state, "house trial")))
      // What has been made anonymous has gone; erased entries are not there to be counted.
      .where(isNotAnonymous)
      .groupBy(erasingNotice.runId)
      .orderBy(asc(erasingNotice.dueOn))
      .all()
      .map(({ notice, title, afterwards, entries }) => ({
        runId: notice.runId,
        title,
        dueOn: notice.dueOn,
        afterwards,
        entries,
        seen: notice.seenAt !== null,
      }))
  );
}

const isNotAnonymous = ne(entry.linkHash, "");

/** A planner has seen a run's notice: on its day its entries go. Throws 404. */
export function seeErasingNotice(deps: Pick<Deps, "db" | "clock">, by: Person, runId: string): void {
  deps.db.transaction((tx) => {
    const found = tx
      .select({ title: run.title })
      .from(erasingNotice)
      .innerJoin(run, eq(run.id, erasingNotice.runId))
      .where(eq(erasingNotice.runId, runId))
      .get();
    if (!found) throw notFound("notice");
    tx.update(erasingNotice)
      .set({ seenAt: deps.clock() })
      .where(and(eq(erasingNotice.runId, runId), isNull(erasingNotice.seenAt)))
      .run();
    trail(tx, deps.clock(), by, "erasing", `saw that the entries of ${found.title} are about to go`);
  });
}
