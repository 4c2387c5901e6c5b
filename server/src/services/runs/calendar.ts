import type { CalendarDoc, CalendarSession } from "@lampcrate/contract";
import { type HeadsModel, type SessionKind, sessionAsks, usualLengths } from "@lampcrate/core";
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
  const known = new Map(
    runs.map((row) => {
      const brief = loadBrief(db, row.briefId).doc;
      const day = row.kind === "drop-in" ? (row.rehearsal?.day ?? null) : null;
      return [
        row.id,
        {
          brief,
          asksWith: (heads: HeadsModel, held: SessionKind = "as the run") => sessionAsks({ brief, kind: row.kind, held, heads, day }),
        },
      ];
    }),
  );
  const sessions = db
    .select()
    .from(session)
    .orderBy(asc(session.startAt))
    .all()
    .flatMap((row): readonly CalendarSession[] => {
      const of = known.get(row.runId);
      return of ? [{ ...sessionDoc(row), asks: of.asksWith(row.heads, row.kind) }] : [];
    });
  const last = new Map(sessions.filter(({ kind }) => kind === "as the run").map((one) => [one.runId, one]));
  return {
    runs: runs.flatMap(({ id, title, kind, status, opensOn, closesOn, series, heads: expected }) => {
      const of = known.get(id);
      if (!of) return [];
      const { minutes, setUpMin, tearDownMin, heads } = last.get(id) ?? { ...usualLengths, heads: expected };
      const next = { minutes, setUpMin, tearDownMin, heads, asks: of.asksWith(heads) };
      return [{ id, title, kind, family: of.brief.family, status, opensOn, closesOn, series, next }];
    }),
    sessions,
    undo: nextCalendarUndo(db, person.id)?.words ?? null,
    redo: nextCalendarRedo(db, person.id)?.words ?? null,
  };
}
