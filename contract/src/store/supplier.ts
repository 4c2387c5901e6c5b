import type { OrderState } from "@lampcrate/core";

/** A pack as a supplier sells it; `size` in the material's unit, `most` the packs they have, null when nobody knows. */
export interface PackDoc {
  readonly id: string;
  readonly materialId: string;
  readonly size: number;
  readonly priceCents: number;
  readonly most: number | null;
}

export interface SupplierInput {
  readonly name: string;
  /** Calendar days from order to arrival. */
  readonly leadDays: number;
  readonly feeCents: number;
  /** Goods' value from which delivery is free; null: never. */
  readonly freeFromCents: number | null;
  /** Least value of an order; 0: any. */
  readonly leastCents: number;
  readonly packs: readonly PackDoc[];
}

export interface SupplierDoc extends SupplierInput {
  readonly id: string;
  readonly revision: number;
}

export interface SupplierSave extends SupplierInput {
  readonly revision: number;
}

/** So many packs of one size; price of one pack. */
export interface OrderItem {
  readonly materialId: string;
  readonly size: number;
  readonly count: number;
  readonly priceCents: number;
}

export interface OrderInput {
  readonly supplierId: string;
  readonly feeCents: number;
  readonly items: readonly OrderItem[];
}

/** Orders that are placed together, today. */
export interface OrdersInput {
  readonly orders: readonly OrderInput[];
}

/** An ordered item, and how many of its packs have come. */
export interface OrderedItem extends OrderItem {
  readonly came: number;
}

export interface OrderDoc extends OrderInput {
  readonly items: readonly OrderedItem[];
  readonly id: string;
  readonly supplierName: string;
  /** Local dates. */
  readonly placedOn: string;
  readonly dueOn: string;
  readonly state: OrderState;
  readonly arrivedOn: string | null;
  readonly by: string;
}

/** What can be said of an order. */
export const orderSteps = ["arrived", "not arrived", "called off", "on again"] as const;
export type OrderStep = (typeof orderSteps)[number];

export interface OrderStepInput {
  readonly step: OrderStep;
}

/** What came of one item of an order, and what a pack of it really costs. */
export interface ArrivedItem {
  /** Packs that had come when this was written down: another number says that somebody else was there before. */
  readonly had: number;
  readonly comes: number;
  readonly priceCents: number;
}

/** A delivery, item by item in the order's own order. */
export interface ArrivalInput {
  readonly items: readonly ArrivedItem[];
  readonly feeCents: number;
  /** True when what is missing is still on its way, due on this day; false: it will not come. */
  readonly restComes: boolean;
  readonly restDueOn: string | null;
  /** The supplier's packs cost this from now on. */
  readonly keepPrices: boolean;
}

/** What an order costs: all of it while something is still to come, then what came. */
export function costOfOrder({ state, feeCents, items }: Pick<OrderDoc, "state" | "feeCents" | "items">): number {
  return items.reduce((sum, { count, came, priceCents }) => sum + (state === "arrived" ? came : count) * priceCents, feeCents);
}
