import type { BriefDoc, CountDoc, CountInput, UncountedSession } from "@lampcrate/contract";
import { and, asc, desc, eq, isNull, lt, ne, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { briefLine, run, session, sessionCount, staff } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { loadBrief } from "../runs/briefs.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { bookSessionUse } from "./sessionUse.ts";

/** A count with the brief as it was used that day. */
export interface Counted {
  readonly doc: CountDoc;
  readonly brief: BriefDoc;
}

/** What was counted after a run's sessions, oldest first. */
export function countsOf(db: Store, runId: string): readonly Counted[] {
  return db
    .select({ count: sessionCount, start: session.start, by: staff.name })
    .from(sessionCount)
    .innerJoin(session, eq(session.id, sessionCount.sessionId))
    .leftJoin(staff, eq(staff.id, sessionCount.staffId))
    .where(eq(session.runId, runId))
    .orderBy(asc(session.startAt))
    .all()
    .map(({ count: { sessionId, builders, rebuilds, lines, used }, start, by }) => ({
      doc: { sessionId, builders, rebuilds, lines, date: start.slice(0, 10), by: by ?? "" },
      brief: used,
    }));
}

/** Keeps what was counted after a session, over an earlier count of it; it can be undone. Throws 422 by field. */
export function saveCount(deps: Deps, person: Person, runId: string, sessionId: string, input: CountInput): void {
  deps.db.transaction((tx) => {
    const row = runRow(tx, runId);
    const held = tx
      .select()
      .from(session)
      .where(and(eq(session.id, sessionId), eq(session.runId, runId)))
      .get();
    if (!held) throw notFound("session of this run", "session");
    if (held.startAt > deps.clock()) throw new Problem(409, "Not held yet", "This session is still to come: count it afterwards.");
    const { doc } = loadBrief(tx, row.briefId);
    refuseOdd(input, doc);
    const before = tx.select().from(sessionCount).where(eq(sessionCount.sessionId, sessionId)).get() ?? null;
    const revision = (before?.revision ?? 0) + 1;
    const kept = { ...input, sessionId, used: before?.used ?? doc, staffId: person.id, at: deps.clock(), revision };
    tx.insert(sessionCount).values(kept).onConflictDoUpdate({ target: sessionCount.sessionId, set: kept }).run();
    bookSessionUse(tx, person, deps.clock(), sessionId, kept.used, input.lines);
    remember(tx, person, deps.clock(), {
      runId,
      kind: "session count",
      subject: sessionId,
      words: "counted what was left",
      before,
      revisionBefore: revision - 1,
      revisionAfter: revision,
    });
  });
}

/** Sessions that were held with a kit and have no count yet, newest first: a count day after them takes their use for granted. */
export function uncountedSessions(db: Store, now: number): readonly UncountedSession[] {
  return db
    .select({ id: session.id, runId: run.id, runTitle: run.title, start: session.start })
    .from(session)
    .innerJoin(run, eq(run.id, session.runId))
    .leftJoin(sessionCount, eq(sessionCount.sessionId, session.id))
    .where(
      and(
        eq(session.cancelled, false),
        ne(session.kind, "on line"),
        lt(session.startAt, now),
        isNull(sessionCount.sessionId),
        eq(run.archived, false),
        sql`exists (select 1 from ${briefLine} where ${briefLine.briefId} = ${run.briefId})`,
      ),
    )
    .orderBy(desc(session.startAt))
    .limit(mostUncounted)
    .all()
    .map(({ id, runId, runTitle, start }) => ({ id, runId, runTitle, date: start.slice(0, 10) }));
}

const mostUncounted = 12;

function refuseOdd({ lines, rebuilds, builders }: CountInput, doc: BriefDoc): void {
  for (const [i, line] of lines.entries()) {
    if (!doc.lines.some((l) => l.id === line.lineId)) throw badField(`lines[${i}].lineId`, "The crate has no such line any more.");
    if (line.left + line.spoilt > line.putOut + 1e-9)
      throw badField(`lines[${i}].left`, "More is left and spoilt than was put out: correct one of the three.");
  }
  for (const [i, n] of rebuilds.entries())
    if (n > (rebuilds[i - 1] ?? builders)) throw badField(`rebuilds[${i}]`, "More built again than built before: correct one of the two.");
}
