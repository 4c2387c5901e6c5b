import type { AskInput, EntryDoc, MineDoc } from "@lampcrate/contract";
import { and, eq } from "drizzle-orm";
import { ask, entry } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound, Problem, stale } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { runRow } from "../runs/runs.ts";
import { remember } from "../runs/undo.ts";
import { byLink, mine } from "./entries.ts";
import { entryDocs } from "./entryDoc.ts";

/** Asks an entry's family something; they find it behind their private link. Refused when the entry has changed since it was opened. */
export function askFamily(deps: Deps, person: Person, runId: string, entryId: string, input: AskInput): EntryDoc {
  return deps.db.transaction((tx) => {
    const of = runRow(tx, runId);
    const row = tx
      .select()
      .from(entry)
      .where(and(eq(entry.id, entryId), eq(entry.runId, runId)))
      .get();
    if (!row || row.state === "house trial") throw notFound("entry of this run");
    if (row.revision !== input.revision) throw stale(entryDocs(tx, of, [row])[0], ["the entry was corrected or decided by somebody else"]);
    if (row.linkHash === null) throw new Problem(409, "Nobody to ask", "This entry has been made anonymous: its private link is gone.");
    const [id, at, revision] = [newId(), deps.clock(), row.revision + 1];
    tx.insert(ask).values({ id, entryKey: row.key, at, staffId: person.id, words: input.words }).run();
    tx.update(entry).set({ revision }).where(eq(entry.key, row.key)).run();
    remember(tx, person, at, {
      runId,
      kind: "ask",
      subject: entryId,
      words: `asked ${row.alias}`,
      before: { id },
      revisionBefore: row.revision,
      revisionAfter: revision,
    });
    const [doc] = entryDocs(tx, of, [{ ...row, revision }]);
    if (!doc) throw notFound("entry of this run");
    return doc;
  });
}

/** A family answers; its entry goes back before the sifter, unless they have taken it out. At any time, whatever the run does. */
export function answerAsk(deps: Deps, secret: string, id: string, answer: string): MineDoc {
  deps.db.transaction((tx) => {
    const { row } = byLink(tx, secret);
    const known = tx
      .select({ id: ask.id })
      .from(ask)
      .where(and(eq(ask.id, id), eq(ask.entryKey, row.key)))
      .get();
    if (!known) throw notFound("question", "ask");
    tx.update(ask).set({ answer, answeredAt: deps.clock() }).where(eq(ask.id, id)).run();
    tx.update(entry)
      .set({ state: row.state === "withdrawn" ? "withdrawn" : "waiting", revision: row.revision + 1 })
      .where(eq(entry.key, row.key))
      .run();
  });
  return mine(deps, secret);
}
