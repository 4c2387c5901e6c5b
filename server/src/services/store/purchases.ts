import type { OrderDoc, OrdersInput } from "@lampcrate/contract";
import { arrivalDay, dateOf } from "@lampcrate/core";
import { asc, desc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { material, purchase, purchaseItem, staff, supplier } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";

/** All orders, newest first. */
export function orderList(db: Store): readonly OrderDoc[] {
  const items = db.select().from(purchaseItem).orderBy(asc(purchaseItem.place)).all();
  return db
    .select({ row: purchase, supplierName: supplier.name, by: staff.name })
    .from(purchase)
    .innerJoin(supplier, eq(supplier.id, purchase.supplierId))
    .leftJoin(staff, eq(staff.id, purchase.staffId))
    .orderBy(desc(purchase.at), asc(supplier.name))
    .all()
    .map(({ row: { id, supplierId, placedOn, dueOn, state, arrivedOn, feeCents }, supplierName, by }) => ({
      id,
      supplierId,
      supplierName,
      placedOn,
      dueOn,
      state,
      arrivedOn,
      feeCents,
      by: by ?? "",
      items: items
        .filter((l) => l.purchaseId === id)
        .map(({ materialId, size, count, priceCents, came }) => ({ materialId, size, count, priceCents, came })),
    }));
}

/** One order; throws 404. */
export function orderDoc(db: Store, id: string): OrderDoc {
  const doc = orderList(db).find((order) => order.id === id);
  if (!doc) throw notFound("order");
  return doc;
}

/** Places orders today, all or none; each is due after its supplier's lead, on a working day. Throws 422 by field. */
export function placeOrders(deps: Deps, by: Person, { orders }: OrdersInput): readonly OrderDoc[] {
  return deps.db.transaction((tx) => {
    const { zone, preparing, closures } = houseDoc(tx);
    const today = dateOf(deps.clock(), zone);
    for (const [i, { supplierId, feeCents, items }] of orders.entries()) {
      const of = tx.select().from(supplier).where(eq(supplier.id, supplierId)).get();
      if (!of) throw badField(`orders[${i}].supplierId`, "There is no such supplier any more.");
      const id = newId();
      const dueOn = arrivalDay(today, of.leadDays, { weekdays: preparing.weekdays, closures });
      tx.insert(purchase)
        .values({ id, supplierId, placedOn: today, dueOn, state: "placed", arrivedOn: null, feeCents, staffId: by.id, at: deps.clock() })
        .run();
      for (const [place, item] of items.entries()) {
        if (!tx.select().from(material).where(eq(material.id, item.materialId)).get())
          throw badField(`orders[${i}].items[${place}].materialId`, "The store room has no such material.");
        tx.insert(purchaseItem)
          .values({ ...item, purchaseId: id, place })
          .run();
      }
    }
    trail(tx, deps.clock(), by, "stock", `placed ${orders.length} ${orders.length === 1 ? "order" : "orders"}`);
    return orderList(tx);
  });
}
