import { drawnAmong } from "@lampcrate/contract";
import { index, integer, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { entry } from "./entry.ts";
import { staff } from "./house.ts";
import { run } from "./run.ts";

/* Who won what one may win in a run. */

/** A run's draw, with all that repeats it. */
export const prizeDrawn = sqliteTable("prize_drawn", {
  runId: text("run_id")
    .primaryKey()
    .references(() => run.id),
  at: integer("at").notNull(),
  staffId: text("staff_id").references(() => staff.id),
  among: text("among", { enum: drawnAmong }).notNull(),
  seed: integer("seed").notNull(),
  /** Those who qualified, by the hashes of their ids, sorted by id. */
  list: text("list", { mode: "json" }).$type<readonly string[]>().notNull(),
});

export const prizeWin = sqliteTable(
  "prize_win",
  {
    entryKey: integer("entry_key")
      .primaryKey()
      .references(() => entry.key, { onDelete: "cascade" }),
    runId: text("run_id")
      .notNull()
      .references(() => run.id),
    /** From 0, in the order drawn. */
    place: integer("place").notNull(),
    /** What its family shows at the house. */
    code: text("code").notNull().unique(),
    claimedAt: integer("claimed_at"),
    claimedBy: text("claimed_by").references(() => staff.id),
  },
  (t) => [index("prize_win_run").on(t.runId)],
);
