import type { RunDoc, SessionInput, SessionRepeats, SessionSave } from "@lampcrate/contract";
import { instantOf, repeated, wallOf } from "@lampcrate/core";
import { and, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { room, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, stale } from "../../http/problem.ts";
import { refuseFarDays } from "../house/farDays.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { refuseTakenRoom } from "./bookings.ts";
import { runDoc, runRow, sessionDoc } from "./runs.ts";
import { remember } from "./undo.ts";

type SessionRow = typeof session.$inferSelect;

/** A wall-clock session of the house as a row; refuses unknown rooms and times that are none. */
export function placed(
  db: Store,
  now: number,
  runId: string,
  input: SessionInput,
  rest: Pick<SessionRow, "id" | "cancelled" | "revision">,
): SessionRow {
  const { zone } = houseDoc(db);
  const startAt = instantOf(input.start, zone);
  if (startAt === null) throw badField("start", "That is no date and time of the calendar.");
  if (wallOf(startAt, zone) !== input.start)
    throw badField("start", `The clocks go forward then: ${input.start.slice(11)} never comes on that day. Take an hour later.`);
  refuseFarDays(now, zone, { start: input.start.slice(0, 10) });
  if (!db.select().from(room).where(eq(room.id, input.roomId)).get()) throw badField("roomId", "The house has no such room.");
  const { title, roomId, start, minutes, setUpMin, tearDownMin, heads } = input;
  return { ...rest, runId, title, roomId, start, startAt, zone, minutes, setUpMin, tearDownMin, heads };
}

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
    runRow(tx, runId);
    const row = placed(tx, deps.clock(), runId, input, { id: newId(), cancelled: false, revision: 1 });
    refuseTakenRoom(tx, row);
    tx.insert(session).values(row).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "session added",
      subject: row.id,
      words: `added a session on ${row.start.replace("T", " ")}`,
      before: null,
      revisionBefore: 0,
      revisionAfter: 1,
    });
    return runDoc(tx, runId, person);
  });
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
    const rows = occurrences.map(({ local }) => {
      const row = placed(tx, deps.clock(), runId, { ...input, start: local }, { id: newId(), cancelled: false, revision: 1 });
      refuseTakenRoom(tx, row);
      tx.insert(session).values(row).run();
      return row;
    });
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
    if (before.revision !== input.revision) throw stale(sessionDoc(before), []);
    const row = placed(tx, deps.clock(), runId, input, { id, cancelled: before.cancelled, revision: before.revision + 1 });
    refuseTakenRoom(tx, row);
    tx.update(session).set(row).where(eq(session.id, id)).run();
    remember(tx, person, deps.clock(), {
      runId,
      kind: "session changed",
      subject: id,
      words: `changed the session on ${before.start.replace("T", " ")}`,
      before,
      revisionBefore: before.revision,
      revisionAfter: row.revision,
    });
    return runDoc(tx, runId, person);
  });
}

export function removeSession(deps: Deps, person: Person, runId: string, id: string): RunDoc {
  return deps.db.transaction((tx) => {
    const before = sessionOf(tx, runId, id);
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
