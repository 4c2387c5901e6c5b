import type { AskDoc } from "@lampcrate/contract";
import { asc, inArray } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { ask } from "../../db/schema/index.ts";

/** Questions to the families of some entries, by entry, oldest first. */
export function asksOf(db: Store, entryKeys: readonly number[]): ReadonlyMap<number, readonly AskDoc[]> {
  const rows = db
    .select()
    .from(ask)
    .where(inArray(ask.entryKey, [...entryKeys]))
    .orderBy(asc(ask.at), asc(ask.id))
    .all();
  const asks = new Map<number, AskDoc[]>();
  for (const { entryKey, id, at, words, answer, answeredAt } of rows)
    asks.set(entryKey, [...(asks.get(entryKey) ?? []), { id, at, words, answer, answeredAt }]);
  return asks;
}
