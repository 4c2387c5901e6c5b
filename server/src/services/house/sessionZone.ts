import { instantOf, wallOf } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { session } from "../../db/schema/index.ts";

type Timed = Pick<typeof session.$inferSelect, "start" | "startAt" | "zone">;

/** A session at the same wall-clock time in another zone; where its clocks leave that time out, as much later. Returns wall clock, instant (ms since 1970) and zone. */
export function inZone(row: Timed, zone: string): Timed {
  if (row.zone === zone) return { start: row.start, startAt: row.startAt, zone };
  const startAt = instantOf(row.start, zone) ?? row.startAt;
  return { start: wallOf(startAt, zone), startAt, zone };
}

/** Sessions that are not over keep their wall-clock times when the house changes its zone; what is past stays when it was. */
export function moveSessions(db: Store, zone: string, now: number): void {
  for (const row of db.select().from(session).all()) {
    if (row.zone === zone || row.startAt + row.minutes * 60_000 <= now) continue;
    const moved = inZone(row, zone);
    db.update(session)
      .set({ ...moved, sequence: row.sequence + 1 })
      .where(eq(session.id, row.id))
      .run();
  }
}
