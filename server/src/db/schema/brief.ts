import {
  type AddedCaution,
  type AddedHint,
  type AddedRule,
  type BriefDoc,
  type MaterialDoc,
  openAtOnce,
  type TierDoc,
} from "@lampcrate/contract";
import {
  asFamily,
  builtBy,
  type kitCut,
  type LineBind,
  lineKinds,
  lineSources,
  type Outcomes,
  pers,
  unbound,
  type Values,
} from "@lampcrate/core";
import { check, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { within } from "./checks.ts";
import { staff } from "./house.ts";
import { material } from "./material.ts";

/* What is built: briefs with their lines, and the versions families see. */

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
  buildBy: text("build_by", { enum: builtBy }).notNull(),
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
  prize: text("prize").notNull().default(""),
  rules: text("rules", { mode: "json" }).$type<readonly AddedRule[]>().notNull().default([]),
  outcomes: text("outcomes", { mode: "json" }).$type<Outcomes>().notNull().default(asFamily),
  hints: text("hints", { mode: "json" }).$type<readonly AddedHint[]>().notNull().default([]),
  hintsOpen: text("hints_open", { mode: "json" }).$type<BriefDoc["hintsOpen"]>().notNull().default(openAtOnce),
  translations: text("translations", { mode: "json" }).$type<BriefDoc["translations"]>().notNull().default({}),
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
    per: text("per", { enum: pers }).notNull(),
    kind: text("kind", { enum: lineKinds }).notNull(),
    amount: real("amount").notNull(),
    perRebuild: real("per_rebuild").notNull(),
    spoilRate: real("spoil_rate").notNull(),
    spread: real("spread").notNull(),
    share: real("share").notNull(),
    unitsPerItem: real("units_per_item").notNull(),
    loss: real("loss").notNull(),
    source: text("source", { enum: lineSources }).notNull(),
    standIn: text("stand_in").notNull(),
    standInRatio: real("stand_in_ratio").notNull().default(1),
    tier: text("tier"),
    cut: text("cut", { mode: "json" }).$type<Parameters<typeof kitCut>[0] | null>(),
    bind: text("bind", { mode: "json" }).$type<LineBind>().notNull().default(unbound),
  },
  (t) => [primaryKey({ columns: [t.briefId, t.id] }), check("brief_line_amount", within(t.amount, 0, 1e6))],
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
        readonly unit: MaterialDoc["unit"];
        readonly allergens: readonly string[];
        readonly smallPart: boolean;
        readonly latex: boolean;
        readonly hazards: MaterialDoc["hazards"];
      }
    >
  >;
}
