import type { PreparingDoc } from "@lampcrate/contract";
import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

/* Who and where: the house, its people, rooms and closed days. */

export const house = sqliteTable("house", {
  id: integer("id").primaryKey(),
  name: text("name").notNull(),
  zone: text("zone").notNull(),
  currency: text("currency").notNull(),
  units: text("units", { enum: ["metric", "imperial"] }).notNull(),
  publicUrl: text("public_url").notNull(),
  /** The LAMPCRATE_URL last seen: a new one there moves the house, an edit in the House view stays. */
  urlFromServer: text("url_from_server"),
  keepingDays: integer("keeping_days").notNull(),
  /** null: the usual. */
  preparing: text("preparing", { mode: "json" }).$type<PreparingDoc | null>(),
  revision: integer("revision").notNull(),
});

export const staff = sqliteTable("staff", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  signIn: text("sign_in").notNull().unique(),
  role: text("role", { enum: ["planner", "floor", "sifter"] }).notNull(),
  passwordHash: text("password_hash").notNull(),
  active: integer("active", { mode: "boolean" }).notNull(),
});

export const signedIn = sqliteTable(
  "signed_in",
  {
    tokenHash: text("token_hash").primaryKey(),
    staffId: text("staff_id")
      .notNull()
      .references(() => staff.id, { onDelete: "cascade" }),
    until: integer("until").notNull(),
  },
  (t) => [index("signed_in_staff").on(t.staffId)],
);

export const room = sqliteTable("room", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  lengthM: real("length_m"),
  widthM: real("width_m"),
  heightM: real("height_m"),
  seats: integer("seats").notNull(),
  water: integer("water", { mode: "boolean" }).notNull(),
  floor: text("floor", { enum: ["hard", "carpet", "grass", "other"] }).notNull(),
  place: integer("place").notNull(),
});

export const closure = sqliteTable("closure", {
  id: text("id").primaryKey(),
  from: text("from_date").notNull(),
  to: text("to_date").notNull(),
  why: text("why").notNull(),
});
