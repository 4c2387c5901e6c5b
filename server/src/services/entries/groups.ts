import type { GroupDoc } from "@lampcrate/contract";
import { and, asc, eq, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, groupSheet, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { lettersToGroup } from "../outbox/outbox.ts";
import { claimsOf } from "../prize/prize.ts";
import type { RunRow } from "../runs/runs.ts";
import { sheetDoc } from "../runs/sheet.ts";
import { hashOf } from "../secrets.ts";
import { entryDocs } from "./entryDoc.ts";
import { eraseEntries, finishErasing } from "./erasing.ts";

type GroupRow = typeof groupSheet.$inferSelect;

/** The group behind a leader's link; throws 404 for every link that opens none. */
function byGroupLink(db: Store, secret: string): { readonly group: GroupRow; readonly of: RunRow } {
  const found = db
    .select({ group: groupSheet, of: run })
    .from(groupSheet)
    .innerJoin(run, eq(run.id, groupSheet.runId))
    .where(eq(groupSheet.linkHash, hashOf(secret)))
    .get();
  if (!found) {
    const message = "This link opens no group sheet. It may have been erased.";
    throw new Problem(404, "No such group sheet", message, { errors: [{ field: "secret", message }] });
  }
  return found;
}

const rowsOf = (db: Store, groupId: string): readonly (typeof entry.$inferSelect)[] =>
  db.select().from(entry).where(eq(entry.groupId, groupId)).orderBy(asc(entry.groupRow)).all();

/** The secret of the link that opens one builder of a leader's group. */
export const linkOfRow = (secret: string, row: number): string => `${secret}~${row}`;

/** What is left of a leader's group, with the sheet that its first builder saw. */
export function groupOf(deps: Deps, secret: string): GroupDoc {
  const { group, of } = byGroupLink(deps.db, secret);
  const rows = rowsOf(deps.db, group.id);
  const entries = entryDocs(deps.db, of, rows);
  return {
    sheet: sheetDoc(deps.db, of, deps.clock(), rows[0]?.briefVersion ?? of.publishedVersion),
    entries,
    letters: lettersToGroup(deps.db, group.id),
    claims: claimsOf(deps.db, eq(entry.groupId, group.id)),
  };
}

/** Takes a whole group out of everything but its links, or puts it back to the sifter. */
export function withdrawGroup(deps: Deps, secret: string, withdrawn: boolean): GroupDoc {
  deps.db.transaction((tx) => {
    const { group } = byGroupLink(tx, secret);
    tx.update(entry)
      .set({ state: withdrawn ? "withdrawn" : "waiting", revision: sql`${entry.revision} + 1` })
      .where(and(eq(entry.groupId, group.id), withdrawn ? sql`${entry.state} <> 'withdrawn'` : eq(entry.state, "withdrawn")))
      .run();
  });
  return groupOf(deps, secret);
}

/** Erases a whole group and all that hangs on it, in every page of the file. */
export function eraseGroup(deps: Deps, secret: string): void {
  deps.db.transaction((tx) => {
    const { group, of } = byGroupLink(tx, secret);
    const rows = rowsOf(tx, group.id);
    eraseEntries(tx, rows, deps.clock());
    trail(tx, deps.clock(), "a family", "erasing", `erased ${rows.length} entries of ${of.title}`);
  });
  finishErasing(deps);
}

/** Whether a leader's sheet was sent before by whoever has this secret; null where it is new. Throws 409 where another one has its id. */
export function knownGroup(db: Store, id: string, secret: string): GroupRow | null {
  const known = db.select().from(groupSheet).where(eq(groupSheet.id, id)).get();
  if (!known) return null;
  if (known.linkHash === hashOf(secret)) return known;
  const message = "Another group sheet has this id.";
  throw new Problem(409, "Not your group sheet", message, { errors: [{ field: "id", message }] });
}
