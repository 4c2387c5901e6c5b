import type { DecisionInput, EntryDoc } from "@lampcrate/contract";
import { and, asc, eq, notInArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, siftDecision } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound, Problem, stale } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { entryDocs } from "./entryDoc.ts";

/** A run's entries, oldest first; withdrawn ones are their families' business. */
export function entriesOf(db: Store, runId: string): readonly EntryDoc[] {
  const row = runRow(db, runId);
  const rows = db
    .select()
    .from(entry)
    .where(and(eq(entry.runId, runId), notInArray(entry.state, ["withdrawn", "house trial"])))
    .orderBy(asc(entry.sentAt), asc(entry.id))
    .all();
  return entryDocs(db, row, rows);
}

/** Accepts or sets aside; refused when the entry has changed since it was opened. */
export function decide(deps: Deps, person: Person, runId: string, entryId: string, input: DecisionInput): EntryDoc {
  return deps.db.transaction((tx) => {
    const of = runRow(tx, runId);
    const row = tx
      .select()
      .from(entry)
      .where(and(eq(entry.id, entryId), eq(entry.runId, runId)))
      .get();
    if (!row || row.state === "house trial") throw notFound("entry of this run");
    if (row.revision !== input.revision) throw stale(entryDocs(tx, of, [row])[0], ["the entry was corrected or decided by somebody else"]);
    if (row.state === "withdrawn") throw new Problem(409, "Withdrawn", "The family has withdrawn this entry.");
    const revision = row.revision + 1;
    tx.update(entry).set({ state: input.decision, revision }).where(eq(entry.id, entryId)).run();
    tx.insert(siftDecision).values({ entryId, decision: input.decision, why: input.why, staffId: person.id, at: deps.clock() }).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "decision",
      subject: entryId,
      words: `${input.decision === "accepted" ? "accepted" : "set aside"} ${row.alias}`,
      before: row.state,
      revisionBefore: row.revision,
      revisionAfter: revision,
    });
    const [doc] = entryDocs(tx, of, [{ ...row, state: input.decision, revision }]);
    if (!doc) throw notFound("entry of this run");
    return doc;
  });
}
