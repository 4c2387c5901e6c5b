import type { ArrivalInput, OrderDoc, OrderStep } from "@lampcrate/contract";
import { dateOf, shortDate } from "@lampcrate/core";
import { and, eq, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { pack, purchase, purchaseItem, supplier } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { Problem } from "../../http/problem.ts";
import { trail } from "../house/audit.ts";
import { houseDoc } from "../house/house.ts";
import type { Person } from "../house/person.ts";
import { orderDoc, orderList } from "./purchases.ts";
import { bookMove } from "./stock.ts";

/** From which state each can be said. */
const from = { arrived: "placed", "not arrived": "arrived", "called off": "placed", "on again": "called off" } as const satisfies Record<
  OrderStep,
  unknown
>;

const someCame = ({ items }: OrderDoc): boolean => items.some(({ came }) => came > 0);

/**
 * Says what became of a whole order: its arrival books what had not come yet, taking that back books the opposite of all
 * that had. Called off after a part has come, it ends with that part. Throws 404, 409.
 */
export function stepOrder(deps: Deps, by: Person, id: string, step: OrderStep): readonly OrderDoc[] {
  return deps.db.transaction((tx) => {
    const order = orderDoc(tx, id);
    const partBack = step === "not arrived" && order.state === "placed" && someCame(order);
    if (order.state !== from[step] && !partBack) throw notSoAnyMore(order);
    const today = dateOf(deps.clock(), houseDoc(tx).zone);
    if (step === "arrived" || step === "not arrived") {
      const comes = order.items.map(({ count, came }) => (step === "arrived" ? count - came : -came));
      bookPacks(tx, by, deps.clock(), order, comes);
    }
    const ends = step === "arrived" || (step === "called off" && someCame(order));
    const state = ends ? "arrived" : step === "called off" ? "called off" : "placed";
    tx.update(purchase)
      .set({ state, arrivedOn: ends ? today : null })
      .where(eq(purchase.id, id))
      .run();
    trail(tx, deps.clock(), by, "stock", `said that the order from ${order.supplierName} is ${step}`);
    return orderList(tx);
  });
}

/** Books a delivery as it really was: so many packs of each item, at these prices, the rest later or never. Throws 404, 409, 422 by field. */
export function bookArrival(deps: Deps, by: Person, id: string, input: ArrivalInput): readonly OrderDoc[] {
  return deps.db.transaction((tx) => {
    const order = orderDoc(tx, id);
    if (order.state !== "placed" || order.items.length !== input.items.length) throw notSoAnyMore(order);
    if (order.items.some(({ came }, i) => came !== input.items[i]?.had)) throw notSoAnyMore(order);
    const errors = order.items.flatMap(({ came }, i) =>
      came + (input.items[i]?.comes ?? 0) > 1e6 ? [{ field: `items[${i}].comes`, message: "So many can't have come." }] : [],
    );
    if (errors.length > 0) throw new Problem(422, "Check what you typed", "More came than can be.", { errors });
    for (const [place, { priceCents }] of input.items.entries())
      tx.update(purchaseItem)
        .set({ priceCents })
        .where(and(eq(purchaseItem.purchaseId, id), eq(purchaseItem.place, place)))
        .run();
    const comes = input.items.map((item) => item.comes);
    bookPacks(tx, by, deps.clock(), order, comes);
    if (input.keepPrices) keepPrices(tx, order, input);
    const waits = input.restComes && order.items.some(({ count, came }, i) => came + (comes[i] ?? 0) < count);
    const today = dateOf(deps.clock(), houseDoc(tx).zone);
    const state = waits ? "placed" : order.items.some(({ came }, i) => came + (comes[i] ?? 0) > 0) ? "arrived" : "called off";
    tx.update(purchase)
      .set({
        feeCents: input.feeCents,
        state,
        arrivedOn: state === "arrived" ? today : null,
        dueOn: waits ? (input.restDueOn ?? order.dueOn) : order.dueOn,
      })
      .where(eq(purchase.id, id))
      .run();
    trail(tx, deps.clock(), by, "stock", `booked what came of the order from ${order.supplierName}`);
    return orderList(tx);
  });
}

const notSoAnyMore = ({ state }: OrderDoc): Problem =>
  new Problem(409, "Not so any more", `Somebody said something of this order meanwhile: it is ${state} by now. Look at it again.`);

/** Books packs into the store room, or out of it again, and keeps how many have come. */
function bookPacks(tx: Store, by: Person, at: number, order: OrderDoc, comes: readonly number[]): void {
  for (const [place, { materialId, size, count, came }] of order.items.entries()) {
    const packs = comes[place] ?? 0;
    if (packs === 0) continue;
    const part = came + packs < count && packs > 0 ? `, ${packs} of ${count} packs` : "";
    bookMove(tx, by, at, {
      materialId,
      amount: packs * size,
      reason: "arrived",
      words: `${order.supplierName}, ordered ${shortDate(order.placedOn, null)}${part}${packs < 0 ? "; had not come after all" : ""}`,
      purchaseId: order.id,
    });
    tx.update(purchaseItem)
      .set({ came: came + packs })
      .where(and(eq(purchaseItem.purchaseId, order.id), eq(purchaseItem.place, place)))
      .run();
  }
}

/** The supplier's own packs of that size take the new price. */
function keepPrices(tx: Store, { supplierId, items }: OrderDoc, input: ArrivalInput): void {
  const changed = items.flatMap((item, i) => {
    const priceCents = input.items[i]?.priceCents ?? item.priceCents;
    return priceCents === item.priceCents ? [] : [{ ...item, priceCents }];
  });
  for (const { materialId, size, priceCents } of changed)
    tx.update(pack)
      .set({ priceCents })
      .where(and(eq(pack.supplierId, supplierId), eq(pack.materialId, materialId), eq(pack.size, size)))
      .run();
  if (changed.length > 0)
    tx.update(supplier)
      .set({ revision: sql`${supplier.revision} + 1` })
      .where(eq(supplier.id, supplierId))
      .run();
}
