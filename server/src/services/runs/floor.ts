import type { FloorDayDoc, FloorDoc, TapsDoc, TapsInput } from "@lampcrate/contract";
import { floorDayOf, floorNow, type TestRoom, tapsTaken } from "@lampcrate/core";
import { and, asc, count, eq, gt } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { floorTap, room, run, session } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, Problem } from "../../http/problem.ts";
import type { Person } from "../house/person.ts";
import { materialList } from "../store/materials.ts";
import { loadBrief } from "./briefs.ts";
import { runRow, sessionDoc } from "./runs.ts";
import type { SessionRow } from "./sessionRow.ts";

/** Taps of one session at most. */
const mostTaps = 20_000;

function sessionRow(db: Store, id: string): SessionRow {
  const found = db.select().from(session).where(eq(session.id, id)).get();
  if (!found) throw notFound("session");
  return found;
}

/** What the floor of a session goes by. Throws 404. */
export function floorDoc(db: Store, id: string): FloorDoc {
  const held = sessionRow(db, id);
  const row = db.select().from(run).where(eq(run.id, held.runId)).get();
  if (!row) throw notFound("session");
  const brief = loadBrief(db, row.briefId).doc;
  const place = held.roomId === null ? undefined : db.select().from(room).where(eq(room.id, held.roomId)).get();
  return {
    session: sessionDoc(held),
    run: { id: row.id, title: row.title, kind: row.kind, units: row.units, sheet: row.sheet },
    brief,
    day: row.kind === "drop-in" ? (row.rehearsal?.day ?? null) : null,
    room: place?.name ?? "",
    testRoom: place ? testRoomOf(place) : null,
    kit: kitNames(db, brief),
  };
}

/** How far and how high one can test in a room; its longest straight line needs both its sides. */
function testRoomOf({ lengthM, widthM, heightM }: typeof room.$inferSelect): TestRoom {
  return {
    ...(lengthM === null || widthM === null ? {} : { roomLengthM: Math.hypot(lengthM, widthM) }),
    ...(heightM === null ? {} : { ceilingM: heightM }),
  };
}

function kitNames(db: Store, { lines }: FloorDoc["brief"]): readonly string[] {
  const names = new Map(materialList(db).map(({ id, name }) => [id, name]));
  return [...new Set(lines.flatMap(({ materialId }) => names.get(materialId) ?? []))];
}

/** Taps of a session that came after some other. */
export function tapsAfter(db: Store, id: string, after: number): TapsDoc {
  sessionRow(db, id);
  const rows = db
    .select()
    .from(floorTap)
    .where(and(eq(floorTap.sessionId, id), gt(floorTap.seq, after)))
    .orderBy(asc(floorTap.seq))
    .all();
  return {
    taps: rows.map(({ id: tap, at, by, body }) => ({ id: tap, at, by, body })),
    next: rows.at(-1)?.seq ?? after,
  };
}

/**
 * Keeps what a tablet sends, each tap once by its id, and gives all that it hasn't got yet. Throws 409 for a session
 * that doesn't take place, 422 for a clock that is far off; then none is kept.
 */
export function takeTaps(deps: Deps, by: Person, id: string, { after, taps }: TapsInput): TapsDoc {
  return deps.db.transaction((tx) => {
    const held = sessionRow(tx, id);
    if (held.cancelled && taps.length > 0)
      throw new Problem(409, "It doesn't take place", "This session was cancelled: nothing is counted on it.");
    const { from, until } = tapsTaken(held);
    for (const [i, { at }] of taps.entries())
      if (at < from || at > until)
        throw badField(`taps[${i}].at`, "The tablet's clock is over a day from this session. Set it right, or open the session of today.");
    const there = tx.select({ n: count() }).from(floorTap).where(eq(floorTap.sessionId, id)).get()?.n ?? 0;
    if (there + taps.length > mostTaps) throw badField("taps", `A session takes ${mostTaps} taps at most.`);
    for (const { id: tap, at, by: tablet, body } of taps)
      tx.insert(floorTap)
        .values({ id: tap, sessionId: id, at, by: tablet, body, staffId: by.id, receivedAt: deps.clock() })
        .onConflictDoNothing({ target: floorTap.id })
        .run();
    return tapsAfter(tx, id, after);
  });
}

/** Days of a run that were counted on their floor, oldest first. */
export function floorDays(db: Store, runId: string): readonly FloorDayDoc[] {
  const { briefId } = runRow(db, runId);
  const unit = loadBrief(db, briefId).doc.buildBy;
  return db
    .select()
    .from(session)
    .where(eq(session.runId, runId))
    .orderBy(asc(session.startAt))
    .all()
    .flatMap((held): readonly FloorDayDoc[] => {
      const { taps } = tapsAfter(db, held.id, 0);
      if (taps.length === 0) return [];
      return [{ ...floorDayOf(floorNow(taps, unit), held.startAt, held.minutes), sessionId: held.id, date: held.start.slice(0, 10) }];
    });
}
