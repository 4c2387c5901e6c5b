import type { RunSummary, SeasonDoc, ToDo } from "@lampcrate/contract";
import { addDays, dateOf, shortDate, type WorkingDays, weekdayOf, workingDayOnOrAfter, workingDaysBetween } from "@lampcrate/core";
import { asc, count, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { brief, briefLine, entry, run, session } from "../../db/schema/index.ts";
import { clockHeld } from "../../jobs/clockWatch.ts";
import { erasingNotices } from "../entries/erasingNotices.ts";
import { houseDoc } from "../house/house.ts";
import { materialList } from "../store/materials.ts";
import { stepMarks } from "./stepMarks.ts";

/** All runs on the time line, and what must be done this week. */
export function seasonDoc(db: Store, now: number): SeasonDoc {
  const house = houseDoc(db);
  const today = dateOf(now, house.zone);
  const runs = runLines(db, house.zone, house.rooms);
  const missing: SeasonDoc["missing"][number][] = [];
  if (house.rooms.length === 0)
    missing.push({ words: "Add your rooms with their length, width and height, so that sessions can be placed.", to: "/house" });
  if (materialList(db).length === 0)
    missing.push({ words: "Add the materials you have to the store room, so that a crate can be sized.", to: "/store" });
  return {
    today,
    zone: house.zone,
    runs,
    closures: house.closures.map(({ from, to, why }) => ({ from, to, why })),
    toDo: toDos(db, runs, { today, weekdays: house.preparing.weekdays, closures: house.closures }),
    marks: stepMarks(db),
    missing,
    erasing: erasingNotices(db),
    clockHeld: clockHeld(db),
  };
}

function runLines(db: Store, zone: string, rooms: readonly { id: string; name: string }[]): readonly RunSummary[] {
  const sessions = db.select().from(session).orderBy(asc(session.startAt)).all();
  const states = db.select({ runId: entry.runId, state: entry.state, n: count() }).from(entry).groupBy(entry.runId, entry.state).all();
  const countOf = (runId: string, state: string): number => states.find((s) => s.runId === runId && s.state === state)?.n ?? 0;
  return db
    .select({ row: run, family: brief.family })
    .from(run)
    .innerJoin(brief, eq(brief.id, run.briefId))
    .where(eq(run.archived, false))
    .orderBy(asc(run.createdAt))
    .all()
    .map(({ row, family }) => ({
      id: row.id,
      title: row.title,
      kind: row.kind,
      family: family as RunSummary["family"],
      status: row.status,
      code: row.code,
      opensOn: row.opensOn,
      closesOn: row.closesOn,
      revealOn: row.revealOn,
      createdOn: dateOf(row.createdAt, zone),
      publishedVersion: row.publishedVersion,
      sessions: sessions
        .filter((s) => s.runId === row.id)
        .map((s) => ({
          id: s.id,
          date: dateOf(s.startAt, s.zone),
          startAt: s.startAt,
          endAt: s.startAt + s.minutes * 60_000,
          title: s.title,
          roomName: rooms.find((r) => r.id === s.roomId)?.name ?? "no room",
          cancelled: s.cancelled,
        })),
      waiting: countOf(row.id, "waiting"),
      accepted: countOf(row.id, "accepted"),
    }));
}

/** What must start by the coming Sunday, late ones first. */
function toDos(db: Store, runs: readonly RunSummary[], { today, ...days }: WorkingDays & { readonly today: string }): readonly ToDo[] {
  const sunday = addDays(today, 7 - weekdayOf(today));
  const withLines = new Set(
    db
      .select({ runId: run.id })
      .from(run)
      .innerJoin(briefLine, eq(briefLine.briefId, run.briefId))
      .all()
      .map((r) => r.runId),
  );
  const found: ToDo[] = [];
  for (const line of runs.filter((r) => r.status !== "cancelled")) {
    const add = (id: string, planned: string, words: string, detail: string, step: ToDo["step"]): void => {
      // Nothing was late before it was there.
      const due = planned < line.createdOn ? line.createdOn : planned;
      const slack = workingDaysBetween(workingDayOnOrAfter(today, days), workingDayOnOrAfter(due, days), days);
      if (due <= sunday)
        found.push({
          id: `${line.id}-${id}`,
          runId: line.id,
          runTitle: line.title,
          due,
          slack,
          late: due < today,
          told: false,
          words,
          detail,
          step,
        });
    };
    const next = line.sessions.find((s) => !s.cancelled && s.date >= today);
    if (line.status === "draft") {
      if (!withLines.has(line.id))
        add("lines", next ? addDays(next.date, -14) : today, "Say what goes in the kit", "the crate has no lines yet", "crate");
      if (line.sessions.length === 0 && line.kind !== "at-home")
        add("sessions", today, "Put it on the calendar", "no session has a day and a room", "calendar");
      const by = line.opensOn ?? next?.date;
      if (by)
        add(
          "publish",
          addDays(by, -3),
          "Publish the challenge sheet",
          `entries ${line.opensOn ? `open ${shortDate(line.opensOn, today)}` : "have no opening day"}`,
          "publish",
        );
    }
    if (line.waiting > 0)
      add(
        "sift",
        today,
        `Sift ${line.waiting} ${line.waiting === 1 ? "entry" : "entries"}`,
        "nothing is public until somebody has looked at it",
        "sift",
      );
    if (line.revealOn && line.revealOn >= today && line.accepted > 0)
      add(
        "reveal",
        addDays(line.revealOn, -1),
        "Get the reveal ready",
        `${line.accepted} accepted, reveal ${shortDate(line.revealOn, today)}`,
        "findings",
      );
  }
  return found.sort((a, b) => a.due.localeCompare(b.due) || a.runTitle.localeCompare(b.runTitle, "en"));
}
