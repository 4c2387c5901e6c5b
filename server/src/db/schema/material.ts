import type { MaterialDoc } from "@lampcrate/contract";
import { integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

export const material = sqliteTable("material", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  unit: text("unit", { enum: ["piece", "mm", "g", "ml"] }).notNull(),
  packSize: real("pack_size").notNull(),
  packPriceCents: integer("pack_price_cents").notNull(),
  sheetWidthM: real("sheet_width_m"),
  sheetHeightM: real("sheet_height_m"),
  allergens: text("allergens", { mode: "json" }).$type<readonly string[]>().notNull(),
  smallPart: integer("small_part", { mode: "boolean" }).notNull(),
  latex: integer("latex", { mode: "boolean" }).notNull(),
  hazards: text("hazards", { mode: "json" }).$type<MaterialDoc["hazards"]>().notNull().default([]),
  perWeek: real("per_week"),
  revision: integer("revision").notNull(),
});
