import type { SessionInput } from "@lampcrate/contract";
import { instantOf, wallOf } from "@lampcrate/core";
import { and, asc, eq, isNotNull, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { room, session } from "../../db/schema/index.ts";
import { badField } from "../../http/problem.ts";
import { refuseFarDays } from "../house/farDays.ts";
import { houseDoc } from "../house/house.ts";
import { peopleIds } from "../house/peopleIds.ts";

export type SessionRow = typeof session.$inferSelect;

interface Rest {
  readonly id: string;
  readonly runId: string;
  readonly repeatId: string | null;
  readonly revision: number;
  /** As it stood; null for a new one. */
  readonly before: SessionRow | null;
}

/** A wall-clock session of the house as a row. Throws 422 for a room or people that are unknown, and for times that are none. */
export function placed(db: Store, now: number, input: SessionInput, { before, ...rest }: Rest): SessionRow {
  const { zone } = houseDoc(db);
  const startAt = instantOf(input.start, zone);
  if (startAt === null) throw badField("start", "That is no date and time of the calendar.");
  if (wallOf(startAt, zone) !== input.start)
    throw badField("start", `The clocks go forward then: ${input.start.slice(11)} never comes on that day. Take an hour later.`);
  refuseFarDays(now, zone, { start: input.start.slice(0, 10) });
  if (input.roomId !== null && !db.select().from(room).where(eq(room.id, input.roomId)).get())
    throw badField("roomId", "The house has no such room.");
  const known = peopleIds(db);
  if (input.people.some((id) => !known.has(id))) throw badField("people", "Somebody there isn't one of the house's people any more.");
  const { title, roomId, start, minutes, setUpMin, tearDownMin, heads, people, part, kind, cancelled } = input;
  const row = { ...rest, title, roomId, start, startAt, zone, minutes, setUpMin, tearDownMin, heads, people, part, kind, cancelled };
  return { ...row, sequence: before ? sequenceAfter(before, row) : 0 };
}

type Dated = Pick<SessionRow, "startAt" | "minutes" | "roomId" | "cancelled">;

/** The number that calendars elsewhere go by: one more where time, place or status are others than they were. */
export function sequenceAfter(before: SessionRow, after: Dated): number {
  const same = (["startAt", "minutes", "roomId", "cancelled"] as const).every((key) => before[key] === after[key]);
  return same ? before.sequence : before.sequence + 1;
}

/** Throws 422 where a part of a series begins before the one before it has ended, or is there twice. */
export function refuseWrongOrder(db: Store, runId: string): void {
  const parts = db
    .select()
    .from(session)
    .where(and(eq(session.runId, runId), eq(session.cancelled, false), isNotNull(session.part)))
    .orderBy(asc(session.part), asc(session.startAt))
    .all();
  for (const [i, next] of parts.entries()) {
    const before = parts[i - 1];
    if (!before) continue;
    const said = `part ${before.part} on ${before.start.replace("T", " ")}`;
    if (before.part === next.part) throw badField("part", `There is a ${said} already. Give this one another number.`);
    if (next.startAt < before.startAt + before.minutes * 60_000)
      throw badField(
        "start",
        `Part ${next.part} would begin before ${said} has ended. Take a later time for it, or number the parts anew.`,
      );
  }
}

/** Calendars elsewhere are told of every session of a run whose own status has changed. */
export function raiseSequences(db: Store, runId: string): void {
  db.update(session)
    .set({ sequence: sql`${session.sequence} + 1` })
    .where(eq(session.runId, runId))
    .run();
}
