import { type Booking, dateOf, freeRooms, nextFreeStart, roomTwice, shortDate, wallOf } from "@lampcrate/core";
import { and, asc, eq, ne } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { room, run, session } from "../../db/schema/index.ts";
import { Problem } from "../../http/problem.ts";

type SessionRow = typeof session.$inferSelect;

/** Every booking that holds a room: sessions of runs that are not cancelled. */
export function bookings(db: Store): readonly Booking[] {
  return db
    .select({ session, title: run.title })
    .from(session)
    .innerJoin(run, eq(run.id, session.runId))
    .where(and(ne(run.status, "cancelled"), eq(run.archived, false), eq(session.cancelled, false)))
    .all()
    .flatMap(({ session: row, title }) => bookingOf(row, title) ?? []);
}

/** null for a session that takes no room. */
function bookingOf({ roomId, ...row }: SessionRow, title: string): Booking | null {
  if (roomId === null) return null;
  return {
    id: row.id,
    words: title,
    roomId,
    start: row.startAt,
    minutes: row.minutes,
    setUpMin: row.setUpMin,
    tearDownMin: row.tearDownMin,
    cancelled: row.cancelled,
  };
}

/** Throws 409 when a run that comes back has a session whose room was given away meanwhile. */
export function refuseTakenRooms(db: Store, runId: string): void {
  const rows = db.select().from(session).where(eq(session.runId, runId)).orderBy(asc(session.startAt)).all();
  for (const row of rows) if (!row.cancelled) refuseTakenRoom(db, row);
}

/** Throws 409 when the room is taken then, with what would solve it: another room, or the next free start. */
export function refuseTakenRoom(db: Store, row: SessionRow): void {
  const others = bookings(db);
  const booking = bookingOf(row, "");
  if (booking === null) return;
  const [taken] = roomTwice(booking, others);
  if (!taken) return;
  const rooms = db.select().from(room).all();
  const name = rooms.find((r) => r.id === row.roomId)?.name ?? "That room";
  const asked = dateOf(row.startAt, row.zone);
  const when = (instant: number): string => {
    const wall = wallOf(instant, row.zone);
    return `${shortDate(wall.slice(0, 10), asked)} ${wall.slice(11)}`;
  };
  const free = freeRooms(booking, rooms, others).map((r) => r.name);
  const next = when(nextFreeStart(booking, others));
  const solve =
    free.length > 0
      ? `${free.join(", ")} ${free.length === 1 ? "is" : "are"} free then, or start at ${next}.`
      : `No other room is free then; ${name} is free from ${next}.`;
  const message = `${name} is taken by ${taken.words} on ${when(taken.start)}, set-up and tear-down included. ${solve}`;
  throw new Problem(409, "Room taken twice", message, { errors: [{ field: "roomId", message }] });
}
