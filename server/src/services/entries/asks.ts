import type { AskInput, EntryDoc, MineDoc } from "@lampcrate/contract";
import { and, eq } from "drizzle-orm";
import { ask, entry } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { notFound, Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { remember } from "../runs/undo.ts";
import { byLink, mine } from "./entries.ts";
import { afterFamily, entryDoc, seenEntry } from "./seenEntry.ts";

/** Asks an entry's family something; they find it behind their private link. Refused when the entry has changed since it was opened. */
export function askFamily(deps: Deps, person: Person, runId: string, entryId: string, input: AskInput): EntryDoc {
  return deps.db.transaction((tx) => {
    const { of, row } = seenEntry(tx, runId, entryId, input.revision);
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
    return entryDoc(tx, of, { ...row, revision });
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
      .set({ state: afterFamily(row.state), revision: row.revision + 1 })
      .where(eq(entry.key, row.key))
      .run();
  });
  return mine(deps, secret);
}
