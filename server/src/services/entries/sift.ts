import type { AcceptedDoc, AcceptInput, DecisionInput, EntryDoc } from "@lampcrate/contract";
import { isUnflagged } from "@lampcrate/core";
import { and, asc, eq, inArray, notInArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, siftDecision } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
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

/** Accepts several that have nothing to look at, as one step to undo. One that has changed since it was shown, or has something to look at, is left as it is. */
export function acceptTogether(
  deps: Deps,
  person: Person,
  runId: string,
  { entries: wanted }: AcceptInput,
  isFree: (id: string) => boolean,
) {
  return deps.db.transaction((tx): AcceptedDoc => {
    const of = runRow(tx, runId);
    const seen = new Map(wanted.map(({ id, revision }) => [id, revision]));
    const rows = tx
      .select()
      .from(entry)
      .where(and(eq(entry.runId, runId), inArray(entry.id, [...seen.keys()])))
      .orderBy(asc(entry.key))
      .all()
      .filter(({ id, revision, state }) => state === "waiting" && revision === seen.get(id) && isFree(id));
    const plain = new Set(entryDocs(tx, of, rows).flatMap((doc) => (isUnflagged(doc) ? [doc.id] : [])));
    const taken = rows.filter(({ id }) => plain.has(id));
    const [at, batch] = [deps.clock(), newId()];
    for (const row of taken) {
      const revision = row.revision + 1;
      tx.update(entry).set({ state: "accepted", revision }).where(eq(entry.key, row.key)).run();
      tx.insert(siftDecision).values({ entryId: row.id, decision: "accepted", why: "", staffId: person.id, at }).run();
      remember(tx, person, at, {
        runId,
        kind: "decision",
        subject: row.id,
        words: taken.length === 1 ? `accepted ${row.alias}` : `accepted ${taken.length} entries at once`,
        before: row.state,
        revisionBefore: row.revision,
        revisionAfter: revision,
        batch,
      });
    }
    return { accepted: taken.map(({ id }) => id), left: wanted.length - taken.length };
  });
}
