import { and, asc, desc, eq, gt, inArray, isNotNull } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { staff, undoStep } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { HasDayRecords } from "./dayRecords.ts";
import { ChangedSince, doAgain, ReferenceGone, refuseWrongPlaces, restore, type Step, sessionKinds, whatIs } from "./undoKinds.ts";

type Kind = typeof undoStep.$inferInsert.kind;

/** Remembers how to take a change back: what was there before, and which revision the change made. */
export function remember(
  db: Store,
  by: Person,
  at: number,
  step: {
    runId: string;
    kind: Kind;
    subject: string;
    words: string;
    before: unknown;
    revisionBefore: number;
    revisionAfter: number;
    /** Shared by steps that are one to whoever makes them. */
    batch?: string | null;
  },
): void {
  db.insert(undoStep)
    .values({ ...step, staffId: by.id, at, undone: false })
    .run();
}

/** What this person's next undo on the run would take back, in words. */
export function nextUndo(db: Store, runId: string, staffId: string): Step | null {
  const mine = and(eq(undoStep.runId, runId), eq(undoStep.staffId, staffId), eq(undoStep.undone, false));
  return db.select().from(undoStep).where(mine).orderBy(desc(undoStep.id)).get() ?? null;
}

/** What happened to a thing since a revision: "R. Heron: Clear gap 540 mm to 600 mm". */
export function changesSince(db: Store, subject: string, revision: number): readonly string[] {
  return db
    .select({ who: staff.name, words: undoStep.words })
    .from(undoStep)
    .innerJoin(staff, eq(staff.id, undoStep.staffId))
    .where(and(eq(undoStep.subject, subject), gt(undoStep.revisionAfter, revision)))
    .all()
    .map((step) => `${step.who}: ${step.words}`);
}

/** What this person's next undo on the calendar of the house would take back: their last step about sessions of any run. */
export function nextCalendarUndo(db: Store, staffId: string): Step | null {
  const mine = and(eq(undoStep.staffId, staffId), eq(undoStep.undone, false), inArray(undoStep.kind, sessionKinds));
  return db.select().from(undoStep).where(mine).orderBy(desc(undoStep.id)).get() ?? null;
}

/**
 * Takes back this person's last change on the run. Gives its words. One that can never be taken back any more, for
 * somebody has changed the same thing since or it is gone, is said and left behind: the next undo is of the change
 * before it.
 */
export function undoLast(deps: Deps, by: Person, runId: string): string {
  return undoStepOf(deps, by, nextUndo(deps.db, runId, by.id));
}

/** The same for their last step on the calendar of the house, of whatever runs. */
export function undoCalendar(deps: Deps, by: Person): string {
  return undoStepOf(deps, by, nextCalendarUndo(deps.db, by.id));
}

function undoStepOf(deps: Deps, by: Person, step: Step | null): string {
  if (!step) throw new Problem(409, "Nothing to undo", "You have changed nothing here that can be taken back.");
  const steps = batchOf(deps.db, step, by.id);
  try {
    return takeBack(deps, by, steps);
  } catch (error) {
    const never = neverPossible(error);
    if (never === null) throw error;
    for (const { id } of steps) deps.db.update(undoStep).set({ undone: true }).where(eq(undoStep.id, id)).run();
    throw never;
  }
}

/** The refusal of a step that will never be possible again and is left behind; null for one that can be put right first. */
function neverPossible(error: unknown): Problem | null {
  if (error instanceof ChangedSince || error instanceof HasDayRecords || error instanceof ReferenceGone) return error;
  if (error instanceof Problem) return error.doc.status === 404 ? error : null;
  const broken = error instanceof Error && "code" in error && String(error.code).startsWith("SQLITE_CONSTRAINT");
  return broken ? new ReferenceGone("Something this change refers to has been deleted since.") : null;
}

/** The steps that this one is one with, newest first, in the same state. */
function batchOf(db: Store, step: Step, staffId: string): readonly Step[] {
  if (step.batch === null) return [step];
  const same = and(eq(undoStep.batch, step.batch), eq(undoStep.staffId, staffId), eq(undoStep.undone, step.undone));
  return db.select().from(undoStep).where(same).orderBy(desc(undoStep.id)).all();
}

/**
 * Tells undo that a thing got a new revision by something that touches none of what its steps take back, as publishing
 * leaves a run's settings alone.
 */
export function followRevision(db: Store, subject: string, from: number, to: number): void {
  db.update(undoStep)
    .set({ revisionAfter: to })
    .where(and(eq(undoStep.subject, subject), eq(undoStep.revisionAfter, from), eq(undoStep.undone, false)))
    .run();
  followUndone(db, subject, from, to);
}

/** The same for what was taken back and may be done again. */
function followUndone(db: Store, subject: string, from: number, to: number): void {
  db.update(undoStep)
    .set({ revisionUndone: to })
    .where(and(eq(undoStep.subject, subject), eq(undoStep.revisionUndone, from), eq(undoStep.undone, true)))
    .run();
}

/** What this person has taken back on the run since their last change there, and would do again next; null when there is none. */
export function nextRedo(db: Store, runId: string, staffId: string): Step | null {
  const mine = and(eq(undoStep.runId, runId), eq(undoStep.staffId, staffId));
  const last = nextUndo(db, runId, staffId)?.id ?? 0;
  const again = and(mine, eq(undoStep.undone, true), gt(undoStep.id, last), isNotNull(undoStep.after));
  return db.select().from(undoStep).where(again).orderBy(asc(undoStep.id)).get() ?? null;
}

/** What this person took back last on the calendar of the house and would do again; null when there is none. */
export function nextCalendarRedo(db: Store, staffId: string): Step | null {
  const mine = and(eq(undoStep.staffId, staffId), inArray(undoStep.kind, sessionKinds));
  const last = nextCalendarUndo(db, staffId)?.id ?? 0;
  const again = and(mine, eq(undoStep.undone, true), gt(undoStep.id, last), isNotNull(undoStep.after));
  return db.select().from(undoStep).where(again).orderBy(asc(undoStep.id)).get() ?? null;
}

/** Does again what this person's last undo took back. Gives its words; one that somebody has changed since is said and left behind. */
export function redoNext(deps: Deps, by: Person, runId: string): string {
  return redoStepOf(deps, by, nextRedo(deps.db, runId, by.id));
}

/** The same on the calendar of the house. */
export function redoCalendar(deps: Deps, by: Person): string {
  return redoStepOf(deps, by, nextCalendarRedo(deps.db, by.id));
}

function redoStepOf(deps: Deps, by: Person, step: Step | null): string {
  if (!step) throw new Problem(409, "Nothing to do again", "You have taken nothing back here that can be done again.");
  const steps = [...batchOf(deps.db, step, by.id)].reverse();
  try {
    return deps.db.transaction((tx) => {
      for (const one of steps) {
        const revision = doAgain(tx, one, by, deps.clock());
        const was = { revisionBefore: one.revisionUndone ?? one.revisionBefore, revisionAfter: revision };
        tx.update(undoStep)
          .set({ ...was, undone: false, after: null, revisionUndone: null })
          .where(eq(undoStep.id, one.id))
          .run();
        followUndone(tx, one.subject, one.revisionAfter, revision);
      }
      refuseWrongPlaces(tx, steps);
      return step.words;
    });
  } catch (error) {
    const never = neverPossible(error);
    if (never === null) throw error;
    for (const { id } of steps) deps.db.update(undoStep).set({ after: null }).where(eq(undoStep.id, id)).run();
    throw never;
  }
}

function takeBack(deps: Deps, by: Person, steps: readonly Step[]): string {
  return deps.db.transaction((tx) => {
    for (const step of steps) {
      const after = whatIs(tx, step);
      const revision = restore(tx, step, by, deps.clock());
      tx.update(undoStep).set({ undone: true, after, revisionUndone: revision }).where(eq(undoStep.id, step.id)).run();
      // The thing is as it was before this step, under a new revision: earlier steps follow it there.
      followRevision(tx, step.subject, step.revisionBefore, revision);
    }
    refuseWrongPlaces(tx, steps);
    return steps[0]?.words ?? "";
  });
}
