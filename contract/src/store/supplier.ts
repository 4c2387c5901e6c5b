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

export interface OrderDoc extends OrderInput {
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
