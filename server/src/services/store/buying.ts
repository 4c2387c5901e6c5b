import type { AsOneInput, BuyingDoc } from "@lampcrate/contract";
import { dateOf } from "@lampcrate/core";
import { and, asc, eq, ne } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { house, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { trail } from "../house/audit.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
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
    asOne: db.select({ asOne: house.buyAsOne }).from(house).get()?.asOne ?? null,
  };
}

/** Says how the season is bought for: as one, or each crate by itself. */
export function saveAsOne(deps: Deps, by: Person, { asOne }: AsOneInput): BuyingDoc {
  return deps.db.transaction((tx) => {
    tx.update(house).set({ buyAsOne: asOne }).run();
    const words = asOne === null ? "buys for each crate by itself" : `buys for the season as one, ${Math.round(asOne * 100)} % sure`;
    trail(tx, deps.clock(), by, "stock", words);
    return buyingDoc(tx, deps.clock());
  });
}
