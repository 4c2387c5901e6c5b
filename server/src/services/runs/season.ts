import type { HouseDoc, RunSummary, SeasonDoc } from "@lampcrate/contract";
import { dateOf, runSteps } from "@lampcrate/core";
import { asc, count, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { brief, entry, run, session } from "../../db/schema/index.ts";
import { clockHeld } from "../../jobs/clockWatch.ts";
import { erasingNotices } from "../entries/erasingNotices.ts";
import { houseDoc } from "../house/house.ts";
import { materialList } from "../store/materials.ts";
import { stepMarks } from "./stepMarks.ts";
import { toDos } from "./toDo.ts";

/** All runs on the time line, and what must be done this week. */
export function seasonDoc(db: Store, now: number): SeasonDoc {
  const house = houseDoc(db);
  const today = dateOf(now, house.zone);
  const runs = runLines(db, house, today);
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

function runLines(db: Store, house: HouseDoc, today: string): readonly RunSummary[] {
  const { zone, rooms } = house;
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
    .map(({ row, family }) => {
      const own = sessions.filter((s) => s.runId === row.id);
      const came = countOf(row.id, "waiting") + countOf(row.id, "accepted") + countOf(row.id, "set aside");
      return {
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
        sessions: own.map((s) => ({
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
        steps: runSteps({ ...row, came, sessions: own.map((s) => ({ ...s, date: dateOf(s.startAt, s.zone) })) }, today, house),
      };
    });
}
