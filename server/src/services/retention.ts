import { addDays, dateOf } from "@lampcrate/core";
import { and, asc, eq, isNotNull, ne } from "drizzle-orm";
import type { Database } from "../db/open.ts";
import { correction, entry, house, run, siftDecision, undoStep, version } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import type { RunRow } from "./runs.ts";

/** The day on which a run's entries go; null while it has neither reveal nor closing day. */
export function keptUntil(row: Pick<RunRow, "revealOn" | "closesOn">, keepingDays: number): string | null {
  const from = row.revealOn ?? row.closesOn;
  return from === null ? null : addDays(from, keepingDays);
}

/** Does what the consent says, on its day: entries are erased, or lose alias, link and all words while the numbers stay. Gives how many. */
export function keepPromises(deps: Pick<Deps, "db" | "clock">): number {
  return deps.db.transaction(() => {
    const { db } = deps;
    const home = db.select().from(house).get();
    if (!home) return 0;
    const today = dateOf(deps.clock(), home.zone);
    const due = db
      .select()
      .from(run)
      .all()
      .filter((row) => {
        const until = keptUntil(row, home.keepingDays);
        return until !== null && until <= today;
      });
    return due.reduce((sum, row) => sum + (row.afterwards === "erase" ? erase(db, row.id) : anonymise(db, row.id)), 0);
  });
}

function erase(db: Database, runId: string): number {
  db.delete(undoStep)
    .where(and(eq(undoStep.runId, runId), eq(undoStep.kind, "decision")))
    .run();
  // A house trial holds nobody's data: what it taught stays.
  return db
    .delete(entry)
    .where(and(eq(entry.runId, runId), ne(entry.state, "house trial")))
    .run().changes;
}

/** An entry without a link is one that has been made anonymous already. */
function anonymise(db: Database, runId: string): number {
  const named = db
    .select({ id: entry.id, key: entry.key })
    .from(entry)
    .where(and(eq(entry.runId, runId), isNotNull(entry.linkHash)))
    .orderBy(asc(entry.sentAt), asc(entry.id))
    .all();
  for (const [i, { id, key }] of named.entries()) {
    db.update(entry)
      .set({ alias: `Builder ${i + 1}`, linkHash: null, ageBand: null, said: "" })
      .where(eq(entry.id, id))
      .run();
    db.update(version).set({ changed: "", madeOf: "" }).where(eq(version.entryKey, key)).run();
    db.update(siftDecision).set({ why: "" }).where(eq(siftDecision.entryId, id)).run();
    db.delete(correction).where(eq(correction.entryId, id)).run();
    // Words such as "accepted Misty Heron" would keep the alias.
    db.delete(undoStep).where(eq(undoStep.subject, id)).run();
  }
  return named.length;
}
