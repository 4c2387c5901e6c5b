import { type BriefDoc, type Broke, decisions, entryStates, type PictureInput, type RuleAnswer } from "@lampcrate/contract";
import { type NamedToken, type Timer, testPlaces, trialKinds, versionRoles } from "@lampcrate/core";
import { blob, check, index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { within } from "./checks.ts";
import { staff } from "./house.ts";
import { run } from "./run.ts";

/* What came of it: entries with their versions, trials, consent and decisions. */

/** A whole group's builders, sent together by whoever leads them. */
export const groupSheet = sqliteTable("group_sheet", {
  /** Random, made by the device. */
  id: text("id").primaryKey(),
  runId: text("run_id")
    .notNull()
    .references(() => run.id),
  /** SHA-256 of the leader's link's secret; null once anonymous. */
  linkHash: text("link_hash").unique(),
  sentAt: integer("sent_at").notNull(),
});

export const entry = sqliteTable(
  "entry",
  {
    /** In the order of arrival, never given twice: what versions and consents hang on, so that new ones go in at the end. */
    key: integer("key").primaryKey({ autoIncrement: true }),
    /** Random, made by the device. */
    id: text("id").notNull().unique(),
    runId: text("run_id")
      .notNull()
      .references(() => run.id),
    briefVersion: integer("brief_version").notNull(),
    alias: text("alias").notNull(),
    /** SHA-256 of the private link's secret; null once anonymous. */
    linkHash: text("link_hash").unique(),
    ageBand: text("age_band"),
    /** In which its family reads and was asked to agree. */
    language: text("language").notNull().default("en"),
    said: text("said").notNull(),
    tokens: text("tokens", { mode: "json" }).$type<readonly NamedToken[]>().notNull().default([]),
    /** How whoever timed by hand times, from practice; null where nobody practised. */
    timer: text("timer", { mode: "json" }).$type<Timer | null>(),
    answers: text("answers", { mode: "json" }).$type<readonly RuleAnswer[]>().notNull().default([]),
    source: text("source", { enum: ["home", "keyed in", "house trial"] }).notNull(),
    /** The leader's sheet that it came on, and its row there, from 1. */
    groupId: text("group_id").references(() => groupSheet.id, { onDelete: "set null" }),
    groupRow: integer("group_row"),
    state: text("state", { enum: [...entryStates, "house trial"] }).notNull(),
    sentAt: integer("sent_at").notNull(),
    revision: integer("revision").notNull(),
  },
  (t) => [
    index("entry_run").on(t.runId, t.state, t.revision),
    index("entry_group").on(t.groupId),
    uniqueIndex("entry_alias").on(t.runId, t.alias),
  ],
);

export const version = sqliteTable(
  "version",
  {
    id: integer("id").primaryKey(),
    entryKey: integer("entry_key")
      .notNull()
      .references(() => entry.key, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    role: text("role", { enum: versionRoles }).notNull(),
    changed: text("changed").notNull(),
    madeOf: text("made_of").notNull(),
    variables: text("variables", { mode: "json" }).$type<Readonly<Record<string, number | string>>>().notNull(),
    guessRaw: text("guess_raw"),
    guessValue: real("guess_value"),
    guessed: text("guessed", { enum: ["before", "after"] }),
    place: text("place", { enum: testPlaces }),
    pictures: text("pictures", { mode: "json" }).$type<readonly PictureInput[]>().notNull().default([]),
  },
  (t) => [uniqueIndex("version_number").on(t.entryKey, t.number), check("version_guess", within(t.guessValue, -1e12, 1e12))],
);

export const trial = sqliteTable(
  "trial",
  {
    id: integer("id").primaryKey(),
    versionId: integer("version_id")
      .notNull()
      .references(() => version.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    /** The words as typed; the value beside them is what they were read as, SI. */
    raw: text("raw"),
    value: real("value"),
    instrument: text("instrument").notNull(),
    seen: text("seen", { mode: "json" }).$type<readonly string[]>().notNull(),
    outcome: text("outcome", { enum: trialKinds }).notNull().default("number"),
    /** What it gave way at, as typed, and as read, SI. */
    brokeRaw: text("broke_raw"),
    brokeValue: real("broke_value"),
    kept: integer("kept", { mode: "boolean" }).notNull(),
    /** Its place in the brief's list of rungs, the best 0. */
    rung: integer("rung"),
    /** What it was tried at, as typed, or a choice's id; and as read, SI. */
    setting: text("setting"),
    settingValue: real("setting_value"),
    /** What else was measured, as typed, and as read, SI; by the measure's id. */
    further: text("further", { mode: "json" }).$type<Readonly<Record<string, string>>>().notNull().default({}),
    furtherValues: text("further_values", { mode: "json" }).$type<Readonly<Record<string, number>>>().notNull().default({}),
  },
  (t) => [uniqueIndex("trial_number").on(t.versionId, t.number), check("trial_value", within(t.value, -1e12, 1e12))],
);

/** A picture as it was developed here: upright, without anything its camera wrote beside it. Private until its entry is accepted. */
export const picture = sqliteTable(
  "picture",
  {
    /** Random, made by the device; a version names it. */
    id: text("id").primaryKey(),
    entryKey: integer("entry_key")
      .notNull()
      .references(() => entry.key, { onDelete: "cascade" }),
    at: integer("at").notNull(),
    hidden: integer("hidden", { mode: "boolean" }).notNull().default(false),
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    /** JPEG. Last in the row, so that what stands before is read without them. */
    small: blob("small", { mode: "buffer" }).notNull(),
    full: blob("full", { mode: "buffer" }).notNull(),
  },
  (t) => [index("picture_entry").on(t.entryKey)],
);

/** What is left of an erased entry: a hash of its random id, so that a phone that sends it again does not bring it back. */
export const erasedEntry = sqliteTable("erased_entry", {
  idHash: text("id_hash").primaryKey(),
  at: integer("at").notNull(),
});

/** A house trial's own part: what the build took, and the brief as it was tried. */
export const practice = sqliteTable("practice", {
  entryKey: integer("entry_key")
    .primaryKey()
    .references(() => entry.key, { onDelete: "cascade" }),
  staffId: text("staff_id").references(() => staff.id),
  buildMinutes: real("build_minutes").notNull(),
  rebuilds: integer("rebuilds").notNull(),
  broke: text("broke", { mode: "json" }).$type<readonly Broke[]>().notNull(),
  note: text("note").notNull(),
  /** It stands on sheet and reveal as the house's own build. */
  shown: integer("shown", { mode: "boolean" }).notNull().default(false),
  tried: text("tried", { mode: "json" }).$type<BriefDoc>().notNull(),
});

/** Earlier words of an entry: who changed what, when. */
export const correction = sqliteTable(
  "correction",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    entryId: text("entry_id")
      .notNull()
      .references(() => entry.id, { onDelete: "cascade" }),
    at: integer("at").notNull(),
    by: text("by").notNull(),
    before: text("before", { mode: "json" }).$type<unknown>().notNull(),
  },
  (t) => [index("correction_entry").on(t.entryId)],
);

export const consent = sqliteTable(
  "consent",
  {
    entryKey: integer("entry_key")
      .notNull()
      .references(() => entry.key, { onDelete: "cascade" }),
    to: text("to", { enum: ["keep", "photo"] }).notNull(),
    given: integer("given", { mode: "boolean" }).notNull(),
    at: integer("at").notNull(),
    words: text("words").notNull(),
  },
  (t) => [primaryKey({ columns: [t.entryKey, t.to] })],
);

export const siftDecision = sqliteTable(
  "sift_decision",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    entryId: text("entry_id")
      .notNull()
      .references(() => entry.id, { onDelete: "cascade" }),
    decision: text("decision", { enum: decisions }).notNull(),
    why: text("why").notNull(),
    staffId: text("staff_id").references(() => staff.id),
    at: integer("at").notNull(),
  },
  (t) => [index("sift_entry").on(t.entryId)],
);

/** What a sifter asked a family, and what they answered, behind their private link. */
export const ask = sqliteTable(
  "ask",
  {
    id: text("id").primaryKey(),
    entryKey: integer("entry_key")
      .notNull()
      .references(() => entry.key, { onDelete: "cascade" }),
    at: integer("at").notNull(),
    staffId: text("staff_id").references(() => staff.id),
    words: text("words").notNull(),
    answer: text("answer"),
    answeredAt: integer("answered_at"),
  },
  (t) => [index("ask_entry").on(t.entryKey)],
);
