import { moveReasons } from "@lampcrate/contract";
import { orderStates } from "@lampcrate/core";
import { check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { within } from "./checks.ts";
import { staff } from "./house.ts";
import { material } from "./material.ts";
import { session } from "./run.ts";

/* What there is: the moves of materials, who sells them and what was ordered. */

export const supplier = sqliteTable("supplier", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  leadDays: integer("lead_days").notNull(),
  feeCents: integer("fee_cents").notNull(),
  freeFromCents: integer("free_from_cents"),
  leastCents: integer("least_cents").notNull(),
  revision: integer("revision").notNull(),
});

export const pack = sqliteTable(
  "pack",
  {
    id: text("id").primaryKey(),
    supplierId: text("supplier_id")
      .notNull()
      .references(() => supplier.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    materialId: text("material_id")
      .notNull()
      .references(() => material.id),
    size: real("size").notNull(),
    priceCents: integer("price_cents").notNull(),
    most: integer("most"),
  },
  (t) => [
    index("pack_supplier").on(t.supplierId),
    check("pack_size", within(t.size, 0, 1e6)),
    check("pack_price", within(t.priceCents, 0, 1e8)),
  ],
);

/** An order keeps what was ordered at what price: packs and prices of the supplier may change afterwards. */
export const purchase = sqliteTable("purchase", {
  id: text("id").primaryKey(),
  supplierId: text("supplier_id")
    .notNull()
    .references(() => supplier.id),
  placedOn: text("placed_on").notNull(),
  dueOn: text("due_on").notNull(),
  state: text("state", { enum: orderStates }).notNull(),
  arrivedOn: text("arrived_on"),
  feeCents: integer("fee_cents").notNull(),
  staffId: text("staff_id").references(() => staff.id),
  at: integer("at").notNull(),
});

export const purchaseItem = sqliteTable(
  "purchase_line",
  {
    purchaseId: text("purchase_id")
      .notNull()
      .references(() => purchase.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    materialId: text("material_id")
      .notNull()
      .references(() => material.id),
    size: real("size").notNull(),
    count: integer("count").notNull(),
    priceCents: integer("price_cents").notNull(),
    /** Packs that have come. */
    came: integer("came").notNull().default(0),
  },
  (t) => [
    primaryKey({ columns: [t.purchaseId, t.place] }),
    check("purchase_size", within(t.size, 0, 1e6)),
    check("purchase_count", within(t.count, 0, 1e6)),
  ],
);

/** Stock is the sum of its moves: none is changed or removed. */
export const stockMove = sqliteTable(
  "stock_move",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    materialId: text("material_id")
      .notNull()
      .references(() => material.id),
    amount: real("amount").notNull(),
    reason: text("reason", { enum: moveReasons }).notNull(),
    words: text("words").notNull(),
    purchaseId: text("purchase_id").references(() => purchase.id),
    sessionId: text("session_id").references(() => session.id, { onDelete: "set null" }),
    staffId: text("staff_id").references(() => staff.id),
    at: integer("at").notNull(),
  },
  (t) => [
    index("stock_move_material").on(t.materialId),
    index("stock_move_session").on(t.sessionId),
    check("stock_move_amount", within(t.amount, -1e12, 1e12)),
  ],
);
