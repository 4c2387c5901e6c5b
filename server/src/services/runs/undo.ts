import type { BriefDoc, RunSettings } from "@lampcrate/contract";
import { and, desc, eq, gt } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, run, session, sessionCount, siftDecision, staff, undoStep } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { bookSessionUse } from "../store/sessionUse.ts";
import { refuseTakenRoom } from "./bookings.ts";
import { completed, loadBrief, writeBrief } from "./briefs.ts";

type Kind = typeof undoStep.$inferInsert.kind;
type Step = typeof undoStep.$inferSelect;

/** Remembers how to take a change back: what was there before, and which revision the change made. */
export function remember(
  db: Store,
  by: Person,
  at: number,
  step: { runId: string; kind: Kind; subject: string; words: string; before: unknown; revisionBefore: number; revisionAfter: number },
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

/**
 * Takes back this person's last change on the run. Gives its words. One that can never be taken back any more, for
 * somebody has changed the same thing since or it is gone, is said and left behind: the next undo is of the change
 * before it.
 */
export function undoLast(deps: Deps, by: Person, runId: string): string {
  const step = nextUndo(deps.db, runId, by.id);
  if (!step) throw new Problem(409, "Nothing to undo", "You have changed nothing here that can be taken back.");
  try {
    return takeBack(deps, by, step);
  } catch (error) {
    if (error instanceof Problem && (error instanceof ChangedSince || error.doc.status === 404))
      deps.db.update(undoStep).set({ undone: true }).where(eq(undoStep.id, step.id)).run();
    throw error;
  }
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
}

class ChangedSince extends Problem {
  constructor() {
    super(409, "Changed since", "Somebody has changed this after you, so it can't be taken back any more.");
  }
}

function takeBack(deps: Deps, by: Person, step: Step): string {
  return deps.db.transaction((tx) => {
    const revision = restore(tx, step, by, deps.clock());
    tx.update(undoStep).set({ undone: true }).where(eq(undoStep.id, step.id)).run();
    // The thing is as it was before this step, under a new revision: earlier steps follow it there.
    followRevision(tx, step.subject, step.revisionBefore, revision);
    return step.words;
  });
}

function restore(db: Store, step: Step, by: Person, at: number): number {
  const expect = (revision: number | undefined): number => {
    if (revision !== step.revisionAfter) throw new ChangedSince();
    return revision + 1;
  };
  switch (step.kind) {
    case "brief": {
      const next = expect(loadBrief(db, step.subject).revision);
      writeBrief(db, step.subject, completed(step.before as BriefDoc), next);
      return next;
    }
    case "settings": {
      const now = db.select().from(run).where(eq(run.id, step.subject)).get();
      const next = expect(now?.revision);
      const { opensOn, closesOn } = step.before as RunSettings;
      if (now?.status === "published" && (opensOn === null || closesOn === null))
        throw new Problem(409, "Unpublish first", "A published run keeps its opening and closing day. Unpublish it, then take this back.");
      db.update(run)
        .set({ ...(step.before as RunSettings), revision: next })
        .where(eq(run.id, step.subject))
        .run();
      return next;
    }
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
      db.delete(session).where(eq(session.id, step.subject)).run();
      return next;
    }
    case "session changed": {
      const next = expect(db.select().from(session).where(eq(session.id, step.subject)).get()?.revision);
      const before = { ...(step.before as typeof session.$inferSelect), revision: next };
      refuseTakenRoom(db, before);
      db.update(session).set(before).where(eq(session.id, step.subject)).run();
      return next;
    }
    case "session removed": {
      const before = { ...(step.before as typeof session.$inferSelect), revision: step.revisionAfter };
      refuseTakenRoom(db, before);
      db.insert(session).values(before).run();
      return step.revisionAfter;
    }
    case "decision": {
      const next = expect(db.select().from(entry).where(eq(entry.id, step.subject)).get()?.revision);
      db.update(entry)
        .set({ state: step.before as typeof entry.$inferSelect.state, revision: next })
        .where(eq(entry.id, step.subject))
        .run();
      const last = db.select().from(siftDecision).where(eq(siftDecision.entryId, step.subject)).orderBy(desc(siftDecision.id)).get();
      if (last) db.delete(siftDecision).where(eq(siftDecision.id, last.id)).run();
      return next;
    }
  }
}
