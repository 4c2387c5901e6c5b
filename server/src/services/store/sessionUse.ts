import type { BriefDoc, LineCount } from "@lampcrate/contract";
import { crateBase, piecesFrom, shortDate } from "@lampcrate/core";
import { eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { run, session } from "../../db/schema/index.ts";
import type { Person } from "../house/person.ts";
import { materialList } from "./materials.ts";
import { settleSession } from "./stock.ts";

/** Books what a counted session took out of the store room, over what was booked for it before; whole sheets where pieces are cut. */
export function bookSessionUse(
  db: Store,
  by: Person,
  at: number,
  sessionId: string,
  used: BriefDoc | null,
  counts: readonly LineCount[],
): void {
  const took = new Map<string, number>();
  const lines = used === null ? [] : crateBase(used, materialList(db)).lines;
  for (const { lineId, putOut, left } of counts) {
    const materialId = used?.lines.find((l) => l.id === lineId)?.materialId;
    if (materialId === undefined) continue;
    const cut = lines.find((l) => l.id === lineId)?.cut;
    const fromOne = cut ? piecesFrom(cut).count : 1;
    const amount = fromOne > 1 ? Math.ceil((putOut - left) / fromOne) : putOut - left;
    took.set(materialId, (took.get(materialId) ?? 0) + amount);
  }
  const held = db
    .select({ start: session.start, startAt: session.startAt, title: run.title })
    .from(session)
    .innerJoin(run, eq(run.id, session.runId))
    .where(eq(session.id, sessionId))
    .get();
  const words = held ? `${shortDate(held.start.slice(0, 10), null)}, ${held.title}` : "";
  settleSession(db, by, at, sessionId, took, { words, heldAt: held?.startAt ?? at });
}
