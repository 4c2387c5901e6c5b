import type { DecisionInput, EntryDoc } from "@lampcrate/contract";
import { and, asc, eq, notInArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, siftDecision } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { entryDocs } from "./entryDoc.ts";
import { entryDoc, seenEntry } from "./seenEntry.ts";

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
    const { of, row } = seenEntry(tx, runId, entryId, input.revision);
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
    return entryDoc(tx, of, { ...row, state: input.decision, revision });
  });
}
