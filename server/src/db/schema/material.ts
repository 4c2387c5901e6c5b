import type { MaterialDoc } from "@lampcrate/contract";
import { stockUnits } from "@lampcrate/core";
import { check, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { within } from "./checks.ts";

export const material = sqliteTable(
  "material",
  {
    id: text("id").primaryKey(),
    name: text("name").notNull(),
    unit: text("unit", { enum: stockUnits }).notNull(),
    packSize: real("pack_size").notNull(),
    packPriceCents: integer("pack_price_cents").notNull(),
    sheetWidthM: real("sheet_width_m"),
    sheetHeightM: real("sheet_height_m"),
    allergens: text("allergens", { mode: "json" }).$type<readonly string[]>().notNull(),
    smallPart: integer("small_part", { mode: "boolean" }).notNull(),
    latex: integer("latex", { mode: "boolean" }).notNull(),
    hazards: text("hazards", { mode: "json" }).$type<MaterialDoc["hazards"]>().notNull().default([]),
    perWeek: real("per_week"),
    /** Put away: no longer offered, still there for what refers to it. */
    archived: integer("archived", { mode: "boolean" }).notNull().default(false),
    revision: integer("revision").notNull(),
  },
  (t) => [
    check("material_pack_size", within(t.packSize, 0, 1e6)),
    check("material_pack_price", within(t.packPriceCents, 0, 1e8)),
    check("material_sheet_width", within(t.sheetWidthM, 0, 100)),
    check("material_sheet_height", within(t.sheetHeightM, 0, 100)),
    check("material_per_week", within(t.perWeek, 0, 1e6)),
  ],
);
