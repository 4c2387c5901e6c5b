import type { CalendarSave, RunDoc, SessionInput, SessionRepeats, SessionSave } from "@lampcrate/contract";
import { repeated } from "@lampcrate/core";
import { and, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, stale } from "../../http/problem.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { refuseTakenRoom } from "./bookings.ts";
import { refuseDeletingRecords } from "./dayRecords.ts";
import { runDoc, runRow, sessionDoc } from "./runs.ts";
import { placed, refuseWrongOrder, type SessionRow } from "./sessionRow.ts";
import { changesSince, remember } from "./undo.ts";

function sessionOf(db: Store, runId: string, id: string): SessionRow {
  const found = db
    .select()
    .from(session)
    .where(and(eq(session.id, id), eq(session.runId, runId)))
    .get();
  if (!found) throw notFound("session of this run");
  return found;
}

/** Puts a session of the run in a room; refuses one that is taken. */
export function addSession(deps: Deps, person: Person, runId: string, input: SessionInput): RunDoc {
  return deps.db.transaction((tx) => {
    const words = `added a session on ${input.start.replace("T", " ")}`;
    addAll(tx, deps, person, [{ runId, ...input }], { words, batch: null });
    return runDoc(tx, runId, person);
  });
}

/** A new session of a run, in its room. Throws 422 for what can't be, 409 where the room is taken. */
function putNew(tx: Store, deps: Deps, runId: string, input: SessionInput, repeatId: string | null): SessionRow {
  const row = placed(tx, deps.clock(), input, { id: newId(), runId, repeatId, revision: 1, before: null });
  refuseTakenRoom(tx, row);
  tx.insert(session).values(row).run();
  return row;
}

/** Sessions of one repeat at most: a year of weeks. */
const mostRepeats = 60;

/**
 * Puts a repeat's sessions on the calendar, all or none, as one step that can be undone; those that a closed day touches
 * are left out. Throws 422 where the rule can't be taken, 409 where a room is taken, by the day.
 */
export function addRepeats(deps: Deps, person: Person, runId: string, { rule, exdates, ...input }: SessionRepeats): RunDoc {
  return deps.db.transaction((tx) => {
    runRow(tx, runId);
    const { zone, closures } = houseDoc(tx);
    const found = repeated({ zone, start: input.start, rule, minutes: input.minutes, exdates, closures });
    if (!found.ok) throw badField(found.field, found.message);
    const { occurrences } = found;
    if (occurrences.length === 0) throw badField("rule", "Nothing is left of this repeat: closed days and exceptions take all of it.");
    if (occurrences.length > mostRepeats)
      throw badField("rule", `That is ${occurrences.length} sessions: ${mostRepeats} at most at a time. Say how often, or until when.`);
    const repeatId = newId();
    const rows = occurrences.map(({ local }, i) => {
      // Days of a series are its parts in turn.
      const part = input.part === null ? null : input.part + i;
      return putNew(tx, deps, runId, { ...input, start: local, part }, repeatId);
    });
    refuseWrongOrder(tx, runId);
    remember(tx, person, deps.clock(), {
      runId,
      kind: "sessions added",
      subject: rows.map(({ id }) => id).join(" "),
      words: `added ${rows.length} sessions from ${input.start.slice(0, 10)} on`,
      before: null,
      revisionBefore: 0,
      revisionAfter: 1,
    });
    return runDoc(tx, runId, person);
  });
}

export function saveSession(deps: Deps, person: Person, runId: string, id: string, input: SessionSave): RunDoc {
  return deps.db.transaction((tx) => {
    const before = sessionOf(tx, runId, id);
    const words = `changed the session on ${before.start.replace("T", " ")}`;
    changeAll(tx, deps, person, [{ before, input }], { words, batch: null });
    return runDoc(tx, runId, person);
  });
}

interface Change {
  readonly before: SessionRow;
  readonly input: SessionSave;
}

/** Changes sessions together, so that two may change rooms with one another; throws 409 for stale ones and taken rooms, 422 else. */
function changeAll(
  tx: Store,
  deps: Deps,
  person: Person,
  changes: readonly Change[],
  { words, batch }: { readonly words: string; readonly batch: string | null },
): void {
  const rows = changes.map(({ before, input }) => {
    if (before.revision !== input.revision) throw stale(sessionDoc(before), changesSince(tx, before.id, input.revision));
    const { id, runId, repeatId } = before;
    const row = placed(tx, deps.clock(), input, { id, runId, repeatId, revision: before.revision + 1, before });
    tx.update(session).set(row).where(eq(session.id, id)).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "session changed",
      subject: id,
      words,
      before,
      revisionBefore: before.revision,
      revisionAfter: row.revision,
      batch,
    });
    return row;
  });
  for (const row of rows) refuseTakenRoom(tx, row);
  for (const runId of new Set(rows.map((row) => row.runId))) refuseWrongOrder(tx, runId);
}

/** Changes sessions of any runs and adds others, all or none, as one step that can be undone. */
export function saveSessions(deps: Deps, person: Person, { words, changes, adds }: CalendarSave): void {
  deps.db.transaction((tx) => {
    const all = changes.map(({ id, ...input }): Change => {
      const before = tx.select().from(session).where(eq(session.id, id)).get();
      if (!before) throw notFound("session");
      return { before, input };
    });
    const step = { words, batch: newId() };
    changeAll(tx, deps, person, all, step);
    addAll(tx, deps, person, adds, step);
  });
}

function addAll(
  tx: Store,
  deps: Deps,
  person: Person,
  adds: CalendarSave["adds"],
  { words, batch }: { readonly words: string; readonly batch: string | null },
): void {
  for (const { runId, ...input } of adds) {
    runRow(tx, runId);
    const row = putNew(tx, deps, runId, input, null);
    const step = { runId, kind: "session added" as const, subject: row.id, words, before: null, revisionBefore: 0, revisionAfter: 1 };
    remember(tx, person, deps.clock(), { ...step, batch });
  }
  for (const runId of new Set(adds.map((one) => one.runId))) refuseWrongOrder(tx, runId);
}

export function removeSession(deps: Deps, person: Person, runId: string, id: string): RunDoc {
  return deps.db.transaction((tx) => {
    const before = sessionOf(tx, runId, id);
    refuseDeletingRecords(tx, [id]);
    tx.delete(session).where(eq(session.id, id)).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "session removed",
      subject: id,
      words: `removed the session on ${before.start.replace("T", " ")}`,
      before,
      revisionBefore: before.revision,
      revisionAfter: before.revision + 1,
    });
    return runDoc(tx, runId, person);
  });
}
