import type { DuplicateInput } from "@lampcrate/contract";
import { addDays, daysBetween } from "@lampcrate/core";
import { and, asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, Problem } from "../../http/problem.ts";
import { newId } from "../ids.ts";
import { refuseTakenRoom } from "./bookings.ts";
import { insertBrief, loadBrief, unknownPartsOf } from "./briefs.ts";
import { runRow } from "./runs.ts";
import { placed } from "./sessionRow.ts";

/**
 * A draft with the same brief and settings under a title of its own. With `startOn` its sessions come along, the first on
 * that day and the others as many days after it as before, and so do its days for entries; without it it has neither.
 * Throws 404, 422 by field, 409 naming every room that is taken then; nothing is written then.
 */
export function duplicate(deps: Deps, id: string, { title, startOn }: DuplicateInput): string {
  return deps.db.transaction((tx) => {
    const row = runRow(tx, id);
    const copy = newId();
    const briefId = insertBrief(tx, loadBrief(tx, row.briefId).doc, unknownPartsOf(tx, row.briefId));
    const held = startOn === null ? [] : heldSessions(tx, id);
    const shift = startOn === null ? null : shiftTo(held, startOn);
    const moved = (date: string | null): string | null => (date === null || shift === null ? null : addDays(date, shift));
    tx.insert(run)
      .values({
        ...row,
        id: copy,
        briefId,
        title,
        status: "draft",
        code: null,
        publishedVersion: null,
        opensOn: moved(row.opensOn),
        closesOn: moved(row.closesOn),
        revealOn: moved(row.revealOn),
        createdAt: deps.clock(),
        archived: false,
        revision: 1,
      })
      .run();
    if (shift !== null) copySessions(deps, tx, held, copy, shift);
    return copy;
  });
}

type SessionRow = typeof session.$inferSelect;

function heldSessions(db: Store, runId: string): readonly SessionRow[] {
  return db
    .select()
    .from(session)
    .where(and(eq(session.runId, runId), eq(session.cancelled, false)))
    .orderBy(asc(session.startAt))
    .all();
}

/** Days from the run's first session to the day its copy begins. */
function shiftTo([first]: readonly SessionRow[], startOn: string): number {
  if (!first) throw badField("startOn", "This run has no session that could come along.");
  return daysBetween(first.start.slice(0, 10), startOn);
}

function copySessions(deps: Deps, tx: Store, from: readonly SessionRow[], to: string, shift: number): void {
  const taken: string[] = [];
  for (const held of from) {
    const [date = "", time = ""] = held.start.split("T");
    const input = { ...held, start: `${addDays(date, shift)}T${time}` };
    const row = placed(tx, deps.clock(), input, { id: newId(), runId: to, repeatId: null, revision: 1, before: null });
    try {
      refuseTakenRoom(tx, row);
    } catch (error) {
      if (!(error instanceof Problem) || error.doc.status !== 409) throw error;
      taken.push(error.doc.detail);
    }
    tx.insert(session).values(row).run();
  }
  if (taken.length > 0)
    throw new Problem(409, "Rooms taken", taken.join(" "), { errors: taken.map((message) => ({ field: "startOn", message })) });
}
