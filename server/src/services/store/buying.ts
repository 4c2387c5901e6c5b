import type { BuyingDoc } from "@lampcrate/contract";
import { dateOf } from "@lampcrate/core";
import { and, asc, eq, ne } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { run } from "../../db/schema/index.ts";
import { houseDoc } from "../house/house.ts";
import { loadBrief } from "../runs/briefs.ts";
import { sessionDocs } from "../runs/runs.ts";
import { materialList } from "./materials.ts";
import { orderList } from "./purchases.ts";
import { supplierList } from "./suppliers.ts";

/** Everything that the season's crates, promises and buying are reckoned from. */
export function buyingDoc(db: Store, now: number): BuyingDoc {
  const { currency, units, closures, preparing, zone } = houseDoc(db);
  const runs = db
    .select()
    .from(run)
    .where(and(ne(run.status, "cancelled"), eq(run.archived, false)))
    .orderBy(asc(run.createdAt))
    .all();
  return {
    today: dateOf(now, zone),
    now,
    zone,
    house: { currency, units, closures, preparing },
    runs: runs.map(({ id, title, kind, heads, opensOn, briefId }) => ({
      id,
      title,
      kind,
      heads,
      opensOn,
      brief: loadBrief(db, briefId).doc,
      sessions: sessionDocs(db, id),
    })),
    materials: materialList(db),
    suppliers: supplierList(db),
    orders: orderList(db),
  };
}
