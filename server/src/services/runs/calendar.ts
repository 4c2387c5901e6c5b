import type { CalendarDoc, CalendarSession } from "@lampcrate/contract";
import { sessionAsks, usualLengths } from "@lampcrate/core";
import { asc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { run, session } from "../../db/schema/index.ts";
import type { Person } from "../house/person.ts";
import { loadBrief } from "./briefs.ts";
import { sessionDoc } from "./runs.ts";
import { nextCalendarRedo, nextCalendarUndo } from "./undo.ts";

/** Every session of the house's runs, but of those put away or cancelled, with what each asks of its room and of people. */
export function calendarDoc(db: Store, person: Person): CalendarDoc {
  const rows = db.select().from(run).where(eq(run.archived, false)).orderBy(asc(run.createdAt)).all();
  const runs = rows.filter(({ status }) => status !== "cancelled");
  const briefs = new Map(runs.map(({ id, briefId }) => [id, loadBrief(db, briefId).doc]));
  const kinds = new Map(runs.map(({ id, kind }) => [id, kind]));
  const days = new Map(runs.map(({ id, kind, rehearsal }) => [id, kind === "drop-in" ? (rehearsal?.day ?? null) : null]));
  const sessions = db
    .select()
    .from(session)
    .orderBy(asc(session.startAt))
    .all()
    .flatMap((row): readonly CalendarSession[] => {
      const brief = briefs.get(row.runId);
      const kind = kinds.get(row.runId);
      if (!brief || !kind) return [];
      return [{ ...sessionDoc(row), asks: sessionAsks({ brief, kind, heads: row.heads, day: days.get(row.runId) ?? null }) }];
    });
  const last = new Map(sessions.map((one) => [one.runId, one]));
  return {
    runs: runs.flatMap(({ id, title, kind, status, closesOn, series, heads: expected }) => {
      const brief = briefs.get(id);
      if (!brief) return [];
      const { minutes, setUpMin, tearDownMin, heads } = last.get(id) ?? { ...usualLengths, heads: expected };
      const asks = sessionAsks({ brief, kind, heads, day: days.get(id) ?? null });
      const next = { minutes, setUpMin, tearDownMin, heads, asks };
      return [{ id, title, kind, family: brief.family, status, closesOn, series, next }];
    }),
    sessions,
    undo: nextCalendarUndo(db, person.id)?.words ?? null,
    redo: nextCalendarRedo(db, person.id)?.words ?? null,
  };
}
