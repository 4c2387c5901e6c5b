import type { BriefDoc, LineCount } from "@lampcrate/contract";
import { afterwards, type Rehearsal, runStatuses, type SeriesDays, scorings } from "@lampcrate/contract";
import { type HeadsModel, runKinds, type SheetPart, sessionKinds, type TapBody, unitChoices } from "@lampcrate/core";
import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { brief } from "./brief.ts";
import { room, staff } from "./house.ts";

/* When: runs, their sessions, what was left afterwards, and what can be taken back. */

export const run = sqliteTable(
  "run",
  {
    id: text("id").primaryKey(),
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id),
    title: text("title").notNull(),
    kind: text("kind", { enum: runKinds }).notNull(),
    status: text("status", { enum: runStatuses }).notNull(),
    code: text("code").unique(),
    publishedVersion: integer("published_version"),
    opensOn: text("opens_on"),
    closesOn: text("closes_on"),
    revealOn: text("reveal_on"),
    scoring: text("scoring", { enum: scorings }).notNull(),
    units: text("units", { enum: unitChoices }).notNull(),
    heads: text("heads", { mode: "json" }).$type<HeadsModel>().notNull(),
    rehearsal: text("rehearsal", { mode: "json" }).$type<Rehearsal | null>(),
    sheet: text("sheet", { mode: "json" }).$type<readonly SheetPart[] | null>(),
    series: text("series", { mode: "json" }).$type<SeriesDays | null>(),
    afterwards: text("afterwards", { enum: afterwards }).notNull(),
    createdAt: integer("created_at").notNull(),
    /** Put away: out of the season, with everything it holds. */
    archived: integer("archived", { mode: "boolean" }).notNull().default(false),
    revision: integer("revision").notNull(),
  },
  (t) => [index("run_brief").on(t.briefId)],
);

export const session = sqliteTable(
  "session",
  {
    id: text("id").primaryKey(),
    runId: text("run_id")
      .notNull()
      .references(() => run.id, { onDelete: "cascade" }),
    title: text("title").notNull(),
    roomId: text("room_id").references(() => room.id),
    startAt: integer("start_at").notNull(),
    /** The wall clock as set, in the zone of that day. */
    start: text("start_wall").notNull(),
    zone: text("zone").notNull(),
    minutes: integer("minutes").notNull(),
    setUpMin: integer("set_up_min").notNull(),
    tearDownMin: integer("tear_down_min").notNull(),
    heads: text("heads", { mode: "json" }).$type<HeadsModel>().notNull(),
    cancelled: integer("cancelled", { mode: "boolean" }).notNull(),
    people: text("people", { mode: "json" }).$type<readonly string[]>().notNull().default([]),
    part: integer("part"),
    kind: text("kind", { enum: sessionKinds }).notNull().default("as the run"),
    repeatId: text("repeat_id"),
    /** Raised with every change of time, place or status: calendars elsewhere go by it. */
    sequence: integer("sequence").notNull().default(0),
    revision: integer("revision").notNull(),
  },
  (t) => [index("session_run").on(t.runId), index("session_room").on(t.roomId, t.startAt)],
);

/** The word given before a run's entries go: nothing is erased before it was seen, or had stood seven days. */
export const erasingNotice = sqliteTable("erasing_notice", {
  runId: text("run_id")
    .primaryKey()
    .references(() => run.id, { onDelete: "cascade" }),
  /** The day it is about; another day makes another notice. */
  dueOn: text("due_on").notNull(),
  announcedAt: integer("announced_at").notNull(),
  seenAt: integer("seen_at"),
});

/** What was left after a session, and the brief as it was used. */
export const sessionCount = sqliteTable("session_count", {
  sessionId: text("session_id")
    .primaryKey()
    .references(() => session.id, { onDelete: "cascade" }),
  builders: integer("builders").notNull(),
  rebuilds: text("rebuilds", { mode: "json" }).$type<readonly number[]>().notNull(),
  lines: text("lines", { mode: "json" }).$type<readonly LineCount[]>().notNull(),
  used: text("used", { mode: "json" }).$type<BriefDoc>().notNull(),
  staffId: text("staff_id").references(() => staff.id),
  at: integer("at").notNull(),
  revision: integer("revision").notNull(),
});

/** What was tapped on a session's floor, as it came; each once by the id that the tablet gave it. */
export const floorTap = sqliteTable(
  "floor_tap",
  {
    seq: integer("seq").primaryKey({ autoIncrement: true }),
    id: text("id").notNull().unique(),
    sessionId: text("session_id")
      .notNull()
      .references(() => session.id, { onDelete: "cascade" }),
    /** The tablet's own time. */
    at: integer("at").notNull(),
    by: text("by_tablet").notNull(),
    body: text("body", { mode: "json" }).$type<TapBody>().notNull(),
    staffId: text("staff_id").references(() => staff.id, { onDelete: "set null" }),
    receivedAt: integer("received_at").notNull(),
  },
  (t) => [index("floor_tap_session").on(t.sessionId, t.seq)],
);

/** What a planner can take back: the state before, and the revision it made. */
export const undoStep = sqliteTable(
  "undo_step",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    runId: text("run_id")
      .notNull()
      .references(() => run.id, { onDelete: "cascade" }),
    staffId: text("staff_id")
      .notNull()
      .references(() => staff.id, { onDelete: "cascade" }),
    kind: text("kind", {
      enum: [
        "house trial",
        "keyed in",
        "session count",
        "brief",
        "settings",
        "session added",
        "sessions added",
        "session changed",
        "session removed",
        "decision",
        "picture",
        "ask",
      ],
    }).notNull(),
    subject: text("subject").notNull(),
    words: text("words").notNull(),
    before: text("before", { mode: "json" }).$type<unknown>(),
    revisionBefore: integer("revision_before").notNull(),
    /** Revision the thing had after this step; another one now means somebody has changed it since. */
    revisionAfter: integer("revision_after").notNull(),
    at: integer("at").notNull(),
    undone: integer("undone", { mode: "boolean" }).notNull(),
    /** What undo took away, so that it can be done again; null where it can't. */
    after: text("after", { mode: "json" }).$type<unknown>(),
    /** Revision the thing had once this was taken back. */
    revisionUndone: integer("revision_undone"),
    /** Steps that were one to whoever made them, maybe over several runs, share it; null for a step by itself. */
    batch: text("batch"),
  },
  (t) => [index("undo_run").on(t.runId, t.staffId)],
);

/** What was said of steps of preparing: done, and whose. A step without either has no row. */
export const stepMark = sqliteTable("step_mark", {
  id: text("id").primaryKey(),
  runId: text("run_id")
    .notNull()
    .references(() => run.id, { onDelete: "cascade" }),
  done: integer("done", { mode: "boolean" }).notNull(),
  owner: text("owner"),
  at: integer("at").notNull(),
  staffId: text("staff_id").notNull(),
});
