import { inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { floorTap, sessionCount, stockMove } from "../../db/schema/index.ts";
import { Problem } from "../../http/problem.ts";

/** A session that can't be deleted: its day left records that would be deleted with it. */
export class HasDayRecords extends Problem {
  constructor() {
    super(
      409,
      "Session has records",
      "This session has floor taps or a count, and deleting it would delete them too. Cancel the session instead: its records stay.",
    );
  }
}

/** True when any of these sessions has floor taps, a count, or stock booked to it. */
export function haveDayRecords(db: Store, sessionIds: readonly string[]): boolean {
  if (sessionIds.length === 0) return false;
  const ids = [...sessionIds];
  return [
    () => db.select({ one: floorTap.seq }).from(floorTap).where(inArray(floorTap.sessionId, ids)).get(),
    () => db.select({ one: sessionCount.builders }).from(sessionCount).where(inArray(sessionCount.sessionId, ids)).get(),
    () => db.select({ one: stockMove.id }).from(stockMove).where(inArray(stockMove.sessionId, ids)).get(),
  ].some((find) => find() !== undefined);
}

/** Throws `HasDayRecords` before a deletion that would take records with it. Every deletion of a session asks here. */
export function refuseDeletingRecords(db: Store, sessionIds: readonly string[]): void {
  if (haveDayRecords(db, sessionIds)) throw new HasDayRecords();
}
