import { type AwayDoc, auditAreas, feedScopes, type OwnedRigs, type PreparingDoc, roles } from "@lampcrate/contract";
import { type Bench, floors, type Gathering, type HouseRules, type NamedToken, unitChoices } from "@lampcrate/core";
import { index, integer, real, sqliteTable, text } from "drizzle-orm/sqlite-core";

/* Who and where: the house, its people, rooms and closed days. */

export const house = sqliteTable("house", {
  id: integer("id").primaryKey(),
  name: text("name").notNull(),
  zone: text("zone").notNull(),
  currency: text("currency").notNull(),
  units: text("units", { enum: unitChoices }).notNull(),
  publicUrl: text("public_url").notNull(),
  /** The LAMPCRATE_URL last seen: a new one there moves the house, an edit in the House view stays. */
  urlFromServer: text("url_from_server"),
  keepingDays: integer("keeping_days").notNull(),
  /** null: the usual. */
  preparing: text("preparing", { mode: "json" }).$type<PreparingDoc | null>(),
  /** Things that loads are counted in here. */
  tokens: text("tokens", { mode: "json" }).$type<readonly NamedToken[]>().notNull().default([]),
  /** null: the usual. */
  rules: text("rules", { mode: "json" }).$type<HouseRules | null>(),
  /** null: the usual. */
  gathering: text("gathering", { mode: "json" }).$type<Gathering | null>(),
  rigs: text("rigs", { mode: "json" }).$type<readonly OwnedRigs[]>().notNull().default([]),
  bench: text("bench", { mode: "json" }).$type<Bench | null>(),
  /** How surely the season is bought for as one; null: each crate by itself. */
  buyAsOne: real("buy_as_one"),
  revision: integer("revision").notNull(),
});

export const staff = sqliteTable("staff", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  signIn: text("sign_in").notNull().unique(),
  role: text("role", { enum: roles }).notNull(),
  passwordHash: text("password_hash").notNull(),
  active: integer("active", { mode: "boolean" }).notNull(),
  /** Deleted, but still named where they did something. */
  gone: integer("gone", { mode: "boolean" }).notNull().default(false),
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

/** What the server does by itself, and how it last went. */
export const job = sqliteTable("job", {
  name: text("name").primaryKey(),
  startedAt: integer("started_at").notNull(),
  /** null: it runs, or was cut short. */
  endedAt: integer("ended_at"),
  ok: integer("ok", { mode: "boolean" }),
  /** What it did, or what went wrong. */
  words: text("words").notNull(),
});

/** The clock as it was last seen, and whether erasing waits because it jumped. One row. */
export const clockWatch = sqliteTable("clock_watch", {
  id: integer("id").primaryKey(),
  lastAt: integer("last_at").notNull(),
  /** Why erasing waits; null while the clock is trusted. */
  held: text("held"),
  /** How long the clock has gone evenly since it jumped, ms. */
  steadyMs: integer("steady_ms").notNull(),
});

/** There while entries of a restored copy are held back, because nothing says which of them were erased since. One row. */
export const heldBack = sqliteTable("held_back", {
  id: integer("id").primaryKey(),
  restoredAt: integer("restored_at").notNull(),
});

/** Who did what that matters beyond a run, when. Never changed, never taken back. */
export const audit = sqliteTable(
  "audit",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    at: integer("at").notNull(),
    /** null: nobody signed in, or the server itself. */
    staffId: text("staff_id").references(() => staff.id, { onDelete: "set null" }),
    who: text("who").notNull(),
    area: text("area", { enum: auditAreas }).notNull(),
    what: text("what").notNull(),
  },
  (t) => [index("audit_at").on(t.at)],
);

export const room = sqliteTable("room", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  lengthM: real("length_m"),
  widthM: real("width_m"),
  heightM: real("height_m"),
  seats: integer("seats").notNull(),
  water: integer("water", { mode: "boolean" }).notNull(),
  floor: text("floor", { enum: floors }).notNull(),
  place: integer("place").notNull(),
});

export const closure = sqliteTable("closure", {
  id: text("id").primaryKey(),
  from: text("from_date").notNull(),
  to: text("to_date").notNull(),
  why: text("why").notNull(),
});

/** Who can be put on sessions. */
export const person = sqliteTable("person", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  weekHours: real("week_hours"),
  away: text("away", { mode: "json" }).$type<readonly AwayDoc[]>().notNull(),
  place: integer("place").notNull(),
});

/** Addresses under which a calendar can be read by whoever holds them; only a hash of each is kept. */
export const feed = sqliteTable("feed", {
  id: text("id").primaryKey(),
  scope: text("scope", { enum: feedScopes }).notNull(),
  /** The room or the person; "" for the whole house. */
  subject: text("subject").notNull(),
  tokenHash: text("token_hash").notNull().unique(),
  madeAt: integer("made_at").notNull(),
});
