import type {
  AddedCaution,
  AddedHint,
  AddedRule,
  BriefDoc,
  Broke,
  cutDoc,
  LineCount,
  MaterialDoc,
  PreparingDoc,
  TierDoc,
} from "@lampcrate/contract";
import type { HeadsModel, Values } from "@lampcrate/core";
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";

/** Instants are ms since 1970, UTC; dates are local "2026-12-05"; money is whole cents; lengths, masses, times REAL SI. */

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

export const brief = sqliteTable("brief", {
  id: text("id").primaryKey(),
  family: text("family").notNull(),
  story: text("story").notNull(),
  spec: text("spec", { mode: "json" }).$type<Values>().notNull(),
  design: text("design", { mode: "json" }).$type<Values>().notNull(),
  trials: integer("trials").notNull(),
  youngestAge: integer("youngest_age").notNull(),
  sketchFirst: integer("sketch_first", { mode: "boolean" }).notNull(),
  plainBuildShown: integer("plain_build_shown", { mode: "boolean" }).notNull(),
  buildBy: text("build_by", { enum: ["builder", "team"] }).notNull(),
  teamSize: integer("team_size").notNull(),
  rebuildRate: real("rebuild_rate").notNull(),
  loops: integer("loops").notNull(),
  target: real("target").notNull(),
  seatsPerTable: integer("seats_per_table").notNull(),
  shareAtOnce: real("share_at_once").notNull(),
  rigServes: real("rig_serves").notNull(),
  turnedAway: text("turned_away", { mode: "json" }).$type<BriefDoc["turnedAway"]>(),
  compared: text("compared", { mode: "json" }).$type<Values | null>(),
  instrument: text("instrument").notNull().default(""),
  buildMinutes: real("build_minutes").notNull().default(20),
  protocolNote: text("protocol_note").notNull().default(""),
  rules: text("rules", { mode: "json" }).$type<readonly AddedRule[]>().notNull().default([]),
  hints: text("hints", { mode: "json" }).$type<readonly AddedHint[]>().notNull().default([]),
  /** What a challenge pack held that this version doesn't know: kept, so that it goes out again. */
  unknown: text("unknown", { mode: "json" }).$type<unknown>(),
  revision: integer("revision").notNull(),
});

export const briefLine = sqliteTable(
  "brief_line",
  {
    id: text("id").notNull(),
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    materialId: text("material_id")
      .notNull()
      .references(() => material.id),
    per: text("per", { enum: ["builder", "team", "table", "rig", "session", "series"] }).notNull(),
    kind: text("kind", { enum: ["counted", "measured", "reusable"] }).notNull(),
    amount: real("amount").notNull(),
    perRebuild: real("per_rebuild").notNull(),
    spoilRate: real("spoil_rate").notNull(),
    spread: real("spread").notNull(),
    share: real("share").notNull(),
    unitsPerItem: real("units_per_item").notNull(),
    loss: real("loss").notNull(),
    source: text("source", { enum: ["packed", "home", "house"] }).notNull(),
    standIn: text("stand_in").notNull(),
    tier: text("tier"),
    cut: text("cut", { mode: "json" }).$type<Parameters<typeof cutDoc>[0] | null>(),
  },
  (t) => [primaryKey({ columns: [t.briefId, t.id] })],
);

export const briefTier = sqliteTable(
  "brief_tier",
  {
    id: text("id").notNull(),
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    kind: text("kind").$type<TierDoc["kind"]>().notNull(),
    words: text("words").notNull(),
    share: real("share").notNull(),
    times: real("times"),
  },
  (t) => [primaryKey({ columns: [t.briefId, t.id] })],
);

export const briefCaution = sqliteTable(
  "brief_caution",
  {
    id: text("id").notNull(),
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id, { onDelete: "cascade" }),
    place: integer("place").notNull(),
    words: text("words").$type<AddedCaution["words"]>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.briefId, t.id] })],
);

/** What families see: frozen, numbered, never changed. */
export const briefVersion = sqliteTable(
  "brief_version",
  {
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    frozen: text("frozen", { mode: "json" }).$type<FrozenBrief>().notNull(),
    /** Revision of the brief that was frozen. */
    ofRevision: integer("of_revision").notNull(),
    at: integer("at").notNull(),
    staffId: text("staff_id").references(() => staff.id),
  },
  (t) => [primaryKey({ columns: [t.briefId, t.number] })],
);

/** A brief with what its materials were called and carried on that day. */
export interface FrozenBrief {
  readonly brief: BriefDoc;
  readonly materials: Readonly<
    Record<
      string,
      {
        readonly name: string;
        readonly unit: string;
        readonly allergens: readonly string[];
        readonly smallPart: boolean;
        readonly latex: boolean;
        readonly hazards: MaterialDoc["hazards"];
      }
    >
  >;
}

export const run = sqliteTable(
  "run",
  {
    id: text("id").primaryKey(),
    briefId: text("brief_id")
      .notNull()
      .references(() => brief.id),
    title: text("title").notNull(),
    kind: text("kind", { enum: ["drop-in", "workshop", "series", "at-home", "visiting group"] }).notNull(),
    status: text("status", { enum: ["draft", "published", "cancelled"] }).notNull(),
    code: text("code").unique(),
    publishedVersion: integer("published_version"),
    opensOn: text("opens_on"),
    closesOn: text("closes_on"),
    revealOn: text("reveal_on"),
    scoring: text("scoring", { enum: ["celebrate", "goal-improved", "best", "mean"] }).notNull(),
    units: text("units", { enum: ["metric", "imperial"] }).notNull(),
    heads: text("heads", { mode: "json" }).$type<HeadsModel>().notNull(),
    afterwards: text("afterwards", { enum: ["erase", "anonymise"] }).notNull(),
    createdAt: integer("created_at").notNull(),
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
    roomId: text("room_id")
      .notNull()
      .references(() => room.id),
    startAt: integer("start_at").notNull(),
    /** The wall clock as set, in the zone of that day. */
    start: text("start_wall").notNull(),
    zone: text("zone").notNull(),
    minutes: integer("minutes").notNull(),
    setUpMin: integer("set_up_min").notNull(),
    tearDownMin: integer("tear_down_min").notNull(),
    heads: text("heads", { mode: "json" }).$type<HeadsModel>().notNull(),
    cancelled: integer("cancelled", { mode: "boolean" }).notNull(),
    revision: integer("revision").notNull(),
  },
  (t) => [index("session_run").on(t.runId), index("session_room").on(t.roomId, t.startAt)],
);

export const entry = sqliteTable(
  "entry",
  {
    /** In the order of arrival: what versions and consents hang on, so that new ones go in at the end. */
    key: integer("key").primaryKey(),
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
    said: text("said").notNull(),
    source: text("source", { enum: ["home", "keyed in", "house trial"] }).notNull(),
    state: text("state", { enum: ["waiting", "accepted", "set aside", "withdrawn", "house trial"] }).notNull(),
    sentAt: integer("sent_at").notNull(),
    revision: integer("revision").notNull(),
  },
  (t) => [index("entry_run").on(t.runId, t.state), uniqueIndex("entry_alias").on(t.runId, t.alias)],
);

export const version = sqliteTable(
  "version",
  {
    id: integer("id").primaryKey(),
    entryKey: integer("entry_key")
      .notNull()
      .references(() => entry.key, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    role: text("role", { enum: ["build", "control"] }).notNull(),
    changed: text("changed").notNull(),
    madeOf: text("made_of").notNull(),
    variables: text("variables", { mode: "json" }).$type<Readonly<Record<string, number | string>>>().notNull(),
    guessRaw: text("guess_raw"),
    guessValue: real("guess_value"),
    place: text("place", { enum: ["indoors", "outdoors"] }),
  },
  (t) => [uniqueIndex("version_number").on(t.entryKey, t.number)],
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
    atLeast: integer("at_least", { mode: "boolean" }).notNull(),
    kept: integer("kept", { mode: "boolean" }).notNull(),
  },
  (t) => [uniqueIndex("trial_number").on(t.versionId, t.number)],
);

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
  tried: text("tried", { mode: "json" }).$type<BriefDoc>().notNull(),
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
    decision: text("decision", { enum: ["accepted", "set aside"] }).notNull(),
    why: text("why").notNull(),
    staffId: text("staff_id").references(() => staff.id),
    at: integer("at").notNull(),
  },
  (t) => [index("sift_entry").on(t.entryId)],
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
      enum: ["house trial", "session count", "brief", "settings", "session added", "session changed", "session removed", "decision"],
    }).notNull(),
    subject: text("subject").notNull(),
    words: text("words").notNull(),
    before: text("before", { mode: "json" }).$type<unknown>(),
    revisionBefore: integer("revision_before").notNull(),
    /** Revision the thing had after this step; another one now means somebody has changed it since. */
    revisionAfter: integer("revision_after").notNull(),
    at: integer("at").notNull(),
    undone: integer("undone", { mode: "boolean" }).notNull(),
  },
  (t) => [index("undo_run").on(t.runId, t.staffId)],
);

/** Mail that would be sent: nothing ever leaves the application. */
export const outbox = sqliteTable("outbox", {
  id: integer("id").primaryKey({ autoIncrement: true }),
  to: text("to").notNull(),
  subject: text("subject").notNull(),
  body: text("body").notNull(),
  at: integer("at").notNull(),
});
