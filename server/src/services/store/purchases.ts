import type { OrderDoc, OrderStep, OrdersInput } from "@lampcrate/contract";
import { arrivalDay, dateOf, shortDate } from "@lampcrate/core";
import { asc, desc, eq } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { material, purchase, purchaseItem, staff, supplier } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { badField, notFound, Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { newId } from "../ids.ts";
import { bookMove } from "./stock.ts";

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
        .map(({ materialId, size, count, priceCents }) => ({ materialId, size, count, priceCents })),
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

/** What can be said of an order, and from which state. */
const steps = {
  arrived: { from: "placed", to: "arrived", books: 1 },
  "not arrived": { from: "arrived", to: "placed", books: -1 },
  "called off": { from: "placed", to: "called off", books: 0 },
  "on again": { from: "called off", to: "placed", books: 0 },
} as const satisfies Record<OrderStep, unknown>;

/** Says what became of an order: its arrival books the stock, taking that back books the opposite. Throws 404, 409. */
export function stepOrder(deps: Deps, by: Person, id: string, step: OrderStep): readonly OrderDoc[] {
  return deps.db.transaction((tx) => {
    const order = orderDoc(tx, id);
    const { from, to, books } = steps[step];
    if (order.state !== from) throw new Problem(409, "Not so any more", `This order is ${order.state} by now. Look at it again.`);
    const arrivedOn = to === "arrived" ? dateOf(deps.clock(), houseDoc(tx).zone) : null;
    tx.update(purchase).set({ state: to, arrivedOn }).where(eq(purchase.id, id)).run();
    if (books !== 0)
      for (const { materialId, size, count } of order.items)
        bookMove(tx, by, deps.clock(), {
          materialId,
          amount: books * size * count,
          reason: "arrived",
          words: `${order.supplierName}, ordered ${shortDate(order.placedOn, null)}${books < 0 ? "; had not come after all" : ""}`,
          purchaseId: id,
        });
    trail(tx, deps.clock(), by, "stock", `said that the order from ${order.supplierName} is ${step}`);
    return orderList(tx);
  });
}
