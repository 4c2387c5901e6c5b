import { type BriefDoc, type RunSettings, settingsOf } from "@lampcrate/contract";
import { desc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { ask, entry, picture, room, run, session, sessionCount, siftDecision, type undoStep } from "../../db/schema/index.ts";
import { Problem } from "../../http/problem.ts";
import { houseZone } from "../house/house.ts";
import { peopleIds } from "../house/peopleIds.ts";
import type { Person } from "../house/person.ts";
import { inZone } from "../house/sessionZone.ts";
import { bookSessionUse } from "../store/sessionUse.ts";
import { refuseTakenRoom } from "./bookings.ts";
import { completed, loadBrief, writeBrief } from "./briefs.ts";
import { refuseDeletingRecords } from "./dayRecords.ts";
import { refuseWrongOrder, type SessionRow, sequenceAfter } from "./sessionRow.ts";

export type Step = typeof undoStep.$inferSelect;
type RunRow = typeof run.$inferSelect;

/** Steps that are about when and where sessions are. */
export const sessionKinds: readonly Step["kind"][] = ["session added", "sessions added", "session changed", "session removed"];

export class ChangedSince extends Problem {
  constructor() {
    super(409, "Changed since", "Somebody has changed this after you, so it can't be taken back or done again any more.");
  }
}

/** A step that refers to something deleted since, such as a material of an earlier brief. */
export class ReferenceGone extends Problem {
  constructor(detail: string) {
    super(409, "No longer possible", detail);
  }
}

/** Puts back what was there before a step. Gives the revision the thing has then. Throws `ChangedSince`, 404, 409. */
export function restore(db: Store, step: Step, by: Person, at: number): number {
  const expect = (revision: number | undefined): number => {
    if (revision !== step.revisionAfter) throw new ChangedSince();
    return revision + 1;
  };
  switch (step.kind) {
    case "brief": {
      const next = expect(loadBrief(db, step.subject).revision);
      restoreBrief(db, step.subject, step.before as BriefDoc, next);
      return next;
    }
    case "settings": {
      const now = db.select().from(run).where(eq(run.id, step.subject)).get();
      return writeSettings(db, step.subject, step.before as RunSettings, expect(now?.revision), now?.status === "published");
    }
    case "keyed in":
    case "house trial": {
      const next = expect(db.select().from(entry).where(eq(entry.id, step.subject)).get()?.revision);
      db.delete(entry).where(eq(entry.id, step.subject)).run();
      return next;
    }
    case "session count": {
      const here = eq(sessionCount.sessionId, step.subject);
      const next = expect(db.select().from(sessionCount).where(here).get()?.revision);
      const before = step.before as typeof sessionCount.$inferSelect | null;
      db.delete(sessionCount).where(here).run();
      if (before)
        db.insert(sessionCount)
          .values({ ...before, revision: next })
          .run();
      bookSessionUse(db, by, at, step.subject, before && completed(before.used), before?.lines ?? []);
      return next;
    }
    case "session added": {
      const next = expect(db.select().from(session).where(eq(session.id, step.subject)).get()?.revision);
      refuseDeletingRecords(db, [step.subject]);
      db.delete(session).where(eq(session.id, step.subject)).run();
      return next;
    }
    case "sessions added": {
      const ids = step.subject.split(" ");
      const rows = ids.map((id) => db.select().from(session).where(eq(session.id, id)).get());
      const next = Math.max(...rows.map((row) => expect(row?.revision)));
      refuseDeletingRecords(db, ids);
      for (const id of ids) db.delete(session).where(eq(session.id, id)).run();
      return next;
    }
    case "session changed": {
      const next = expect(db.select().from(session).where(eq(session.id, step.subject)).get()?.revision);
      return writeSession(db, { ...(step.before as SessionRow), revision: next });
    }
    case "session removed": {
      return addSession(db, { ...(step.before as SessionRow), revision: step.revisionAfter });
    }
    case "decision": {
      const next = expect(db.select().from(entry).where(eq(entry.id, step.subject)).get()?.revision);
      db.update(entry)
        .set({ state: step.before as typeof entry.$inferSelect.state, revision: next })
        .where(eq(entry.id, step.subject))
        .run();
      const last = lastDecision(db, step.subject);
      if (last) db.delete(siftDecision).where(eq(siftDecision.id, last.id)).run();
      return next;
    }
    case "picture":
      return putPicture(db, step.subject, step.before as PictureSeen, step.revisionAfter);
    case "ask": {
      // An answer moves the entry's revision: what was answered can't be unasked.
      const next = expect(db.select().from(entry).where(eq(entry.id, step.subject)).get()?.revision);
      db.delete(ask)
        .where(eq(ask.id, (step.before as { readonly id: string }).id))
        .run();
      db.update(entry).set({ revision: next }).where(eq(entry.id, step.subject)).run();
      return next;
    }
  }
}

/** Whether a picture was hidden. */
interface PictureSeen {
  readonly id: string;
  readonly hidden: boolean;
}

/** Hides an entry's picture or shows it, as it was; gives the entry's new revision. Throws `ChangedSince`. */
function putPicture(db: Store, entryId: string, { id, hidden }: PictureSeen, expected: number | null): number {
  const now = db.select().from(entry).where(eq(entry.id, entryId)).get();
  if (now?.revision !== expected) throw new ChangedSince();
  db.update(picture).set({ hidden }).where(eq(picture.id, id)).run();
  const revision = now.revision + 1;
  db.update(entry).set({ revision }).where(eq(entry.id, entryId)).run();
  return revision;
}

/** A decision of a sifter as it was. */
interface Decided {
  readonly state: typeof entry.$inferSelect.state;
  readonly decision: Omit<typeof siftDecision.$inferSelect, "id"> | null;
}

/** What stands there now, so that a step that is taken back can be done again; null for what can't: practice builds and counts, which are typed anew. */
export function whatIs(db: Store, { kind, subject, before }: Step): unknown {
  switch (kind) {
    case "brief":
      return loadBrief(db, subject).doc;
    case "settings":
      return settingsIfThere(db.select().from(run).where(eq(run.id, subject)).get());
    case "session added":
    case "session changed":
      return db.select().from(session).where(eq(session.id, subject)).get() ?? null;
    case "sessions added":
      return subject.split(" ").flatMap((id) => db.select().from(session).where(eq(session.id, id)).get() ?? []);
    case "session removed":
      return "gone";
    case "decision": {
      const state = db.select().from(entry).where(eq(entry.id, subject)).get()?.state;
      if (state === undefined) return null;
      const { id: _, ...decision } = lastDecision(db, subject) ?? { id: 0 };
      return { state, decision: "entryId" in decision ? decision : null } satisfies Decided;
    }
    case "picture": {
      const { id } = before as PictureSeen;
      const hidden = db.select({ hidden: picture.hidden }).from(picture).where(eq(picture.id, id)).get()?.hidden;
      return hidden === undefined ? null : ({ id, hidden } satisfies PictureSeen);
    }
    case "ask":
    case "keyed in":
    case "house trial":
    case "session count":
      return null;
  }
}

/** Does a step again that was taken back. Gives the revision the thing has then. Throws `ChangedSince`, 404, 409. */
export function doAgain(db: Store, step: Step, by: Person, at: number): number {
  const expect = (revision: number | undefined): number => {
    if (revision !== step.revisionUndone) throw new ChangedSince();
    return revision + 1;
  };
  const { kind, subject, after } = step;
  const found = () => db.select().from(session).where(eq(session.id, subject)).get();
  switch (kind) {
    case "brief": {
      const next = expect(loadBrief(db, subject).revision);
      restoreBrief(db, subject, after as BriefDoc, next);
      return next;
    }
    case "settings": {
      const now = db.select().from(run).where(eq(run.id, subject)).get();
      return writeSettings(db, subject, after as RunSettings, expect(now?.revision), now?.status === "published");
    }
    case "session added":
      if (found()) throw new ChangedSince();
      return addSession(db, { ...(after as SessionRow), revision: step.revisionAfter });
    case "sessions added": {
      for (const row of after as readonly SessionRow[]) {
        if (db.select().from(session).where(eq(session.id, row.id)).get()) throw new ChangedSince();
        addSession(db, { ...row, revision: step.revisionAfter });
      }
      return step.revisionAfter;
    }
    case "session changed":
      return writeSession(db, { ...(after as SessionRow), revision: expect(found()?.revision) });
    case "session removed": {
      const next = expect(found()?.revision);
      refuseDeletingRecords(db, [subject]);
      db.delete(session).where(eq(session.id, subject)).run();
      return next;
    }
    case "decision": {
      const next = expect(db.select().from(entry).where(eq(entry.id, subject)).get()?.revision);
      const { state, decision } = after as Decided;
      db.update(entry).set({ state, revision: next }).where(eq(entry.id, subject)).run();
      if (decision)
        db.insert(siftDecision)
          .values({ ...decision, staffId: by.id, at })
          .run();
      return next;
    }
    case "picture":
      return putPicture(db, subject, after as PictureSeen, step.revisionUndone);
    case "ask":
    case "keyed in":
    case "house trial":
    case "session count":
      throw new ChangedSince();
  }
}

const lastDecision = (db: Store, entryId: string) =>
  db.select().from(siftDecision).where(eq(siftDecision.entryId, entryId)).orderBy(desc(siftDecision.id)).get();

const settingsIfThere = (row: RunRow | undefined): RunSettings | null => (row ? settingsOf(row) : null);

function writeSettings(db: Store, id: string, settings: RunSettings, revision: number, published: boolean): number {
  if (published && (settings.opensOn === null || settings.closesOn === null))
    throw new Problem(409, "Unpublish first", "A published run keeps its opening and closing day. Unpublish it, then take this back.");
  db.update(run)
    .set({ ...settings, revision })
    .where(eq(run.id, id))
    .run();
  return revision;
}

/** Writes a brief as it was. Throws `ReferenceGone` when a material of it has been deleted since. */
function restoreBrief(db: Store, id: string, doc: BriefDoc, revision: number): void {
  try {
    writeBrief(db, id, completed(doc), revision);
  } catch (error) {
    if (error instanceof Problem && error.doc.status === 422)
      throw new ReferenceGone("That version of the brief uses a material that has been deleted since.");
    throw error;
  }
}

/** A session as it was, at its wall-clock time in the house's zone of today; without its room where that has been deleted, and without people who have left. */
function withWhatIsLeft(db: Store, row: SessionRow): SessionRow {
  const known = peopleIds(db);
  const roomId = row.roomId !== null && db.select({ id: room.id }).from(room).where(eq(room.id, row.roomId)).get() ? row.roomId : null;
  return { ...row, ...inZone(row, houseZone(db)), roomId, people: row.people.filter((id) => known.has(id)) };
}

function writeSession(db: Store, before: SessionRow): number {
  const row = withWhatIsLeft(db, before);
  const now = db.select().from(session).where(eq(session.id, row.id)).get();
  db.update(session)
    .set({ ...row, sequence: now ? sequenceAfter(now, row) : row.sequence })
    .where(eq(session.id, row.id))
    .run();
  return row.revision;
}

function addSession(db: Store, before: SessionRow): number {
  const row = withWhatIsLeft(db, before);
  // Steps kept from before sessions had a sequence have none.
  const { sequence = 0 }: Partial<SessionRow> = row;
  db.insert(session)
    .values({ ...row, sequence: sequence + 1 })
    .run();
  return row.revision;
}

/** Throws 409, 422 where sessions that steps put back stand in a taken room, or out of their series' order. */
export function refuseWrongPlaces(db: Store, steps: readonly Step[]): void {
  const ids = new Set(steps.filter(({ kind }) => sessionKinds.includes(kind)).flatMap(({ subject }) => subject.split(" ")));
  const rows = [...ids].flatMap((id) => db.select().from(session).where(eq(session.id, id)).get() ?? []);
  for (const row of rows) refuseTakenRoom(db, row);
  for (const runId of new Set(rows.map((row) => row.runId))) refuseWrongOrder(db, runId);
}
