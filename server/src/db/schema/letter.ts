import { sql } from "drizzle-orm";
import { check, index, integer, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
import { entry, groupSheet } from "./entry.ts";
import { run } from "./run.ts";

/* What a house writes to the families of a run: nothing of it ever leaves the application. A sifter's questions are told of by `ask`. */

/** What many are written, in one language, word for word. */
export const letter = sqliteTable(
  "letter",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    runId: text("run_id")
      .notNull()
      .references(() => run.id),
    kind: text("kind", { enum: ["thanks", "reminder", "reveal", "won"] }).notNull(),
    /** The day that it is for; "" for thanks, which go out as entries come in; of a draw its seed, which tells it from one before. */
    dueOn: text("due_on").notNull(),
    language: text("language").notNull(),
    subject: text("subject").notNull(),
    body: text("body").notNull(),
  },
  (t) => [uniqueIndex("letter_once").on(t.runId, t.kind, t.dueOn, t.language)],
);

/** Whom it was written to: an entry's family, or whoever leads a group. */
export const letterTo = sqliteTable(
  "letter_to",
  {
    id: integer("id").primaryKey({ autoIncrement: true }),
    letterId: integer("letter_id")
      .notNull()
      .references(() => letter.id, { onDelete: "cascade" }),
    entryKey: integer("entry_key").references(() => entry.key, { onDelete: "cascade" }),
    groupId: text("group_id").references(() => groupSheet.id, { onDelete: "cascade" }),
    at: integer("at").notNull(),
  },
  (t) => [
    uniqueIndex("letter_to_entry").on(t.entryKey, t.letterId),
    uniqueIndex("letter_to_group").on(t.groupId, t.letterId),
    index("letter_to_letter").on(t.letterId),
    check("letter_to_one", sql`(${t.entryKey} is null) <> (${t.groupId} is null)`),
  ],
);
