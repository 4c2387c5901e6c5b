import { setImmediate as nextTurn } from "node:timers/promises";
import { keptUntil } from "@lampcrate/core";
import { and, asc, count, eq, isNotNull, like, ne, sql } from "drizzle-orm";
import type { Store } from "../db/open.ts";
import {
  ask,
  correction,
  entry,
  erasingNotice,
  house,
  letterTo,
  picture,
  prizeWin,
  run,
  siftDecision,
  undoStep,
  version,
} from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { dropEmptyGroups, eraseEntries, finishErasing } from "../services/entries/erasing.ts";
import { goFrom } from "../services/entries/retention.ts";
import { trail } from "../services/house/audit.ts";
import type { RunRow } from "../services/runs/runs.ts";
import type { ClockWatch } from "./clockWatch.ts";

const dayMs = 86_400_000;

/** How long a notice stands before entries go without anybody having seen it. */
export const noticeMs = 7 * dayMs;

/** Entries in one transaction: what was done stays done if the server is killed, and others are served in between. */
const batch = 50;

/**
 * Does what the consent says, on its day: entries are erased, or lose alias, link and all words while the numbers
 * stay. A notice stands from seven days before; nothing goes before it was seen or has stood seven days, and nothing
 * while the clock is not trusted. Gives what was done, in words.
 */
export async function keepPromises(deps: Pick<Deps, "db" | "clock" | "erasureFolders" | "log">, watch: ClockWatch): Promise<string> {
  const { db } = deps;
  const held = watch.look();
  if (held !== null) return held;
  const home = db.select().from(house).get();
  if (!home) return "There is no house yet.";
  const done: string[] = [];
  for (const row of db.select().from(run).orderBy(asc(run.createdAt), asc(run.id)).all()) {
    const from = goFrom(row, home.keepingDays, home.zone);
    const left = from === null ? 0 : stillThere(db, row);
    if (from === null || left === 0 || deps.clock() < from - noticeMs) continue;
    const mayGo = announced(db, row, keptUntil(row, home.keepingDays) ?? "", deps.clock());
    if (!mayGo || deps.clock() < from) continue;
    const gone = await letGo(deps, row);
    const words = row.afterwards === "erase" ? `erased ${entriesWords(gone)}` : `made ${entriesWords(gone)} anonymous`;
    trail(db, deps.clock(), null, "erasing", `${words} of ${row.title}, as their consent says`);
    done.push(`${words} of ${row.title}`);
  }
  if (done.length === 0) return "Nothing was due.";
  finishErasing(deps);
  const [first = "", ...rest] = done;
  return `${[first[0]?.toUpperCase() + first.slice(1), ...rest].join("; ")}.`;
}

const entriesWords = (n: number): string => `${n} ${n === 1 ? "entry" : "entries"}`;

/** What of a run has not been let go yet. An entry without a link is one that has been made anonymous; a house trial holds nobody's data. */
function remaining(row: RunRow) {
  const ofRun = and(eq(entry.runId, row.id), ne(entry.state, "house trial"));
  return row.afterwards === "erase" ? ofRun : and(ofRun, isNotNull(entry.linkHash));
}

function stillThere(db: Store, row: RunRow): number {
  return db.select({ n: count() }).from(entry).where(remaining(row)).get()?.n ?? 0;
}

/** Gives notice where none is given for this day; true once it was seen or has stood long enough. */
function announced(db: Store, row: RunRow, dueOn: string, now: number): boolean {
  const found = db.select().from(erasingNotice).where(eq(erasingNotice.runId, row.id)).get();
  if (found?.dueOn === dueOn && found.announcedAt <= now) return found.seenAt !== null || found.announcedAt <= now - noticeMs;
  const notice = { dueOn, announcedAt: now, seenAt: null };
  db.insert(erasingNotice)
    .values({ runId: row.id, ...notice })
    .onConflictDoUpdate({ target: erasingNotice.runId, set: notice })
    .run();
  return false;
}

async function letGo(deps: Pick<Deps, "db" | "clock">, row: RunRow): Promise<number> {
  const { db } = deps;
  let sum = 0;
  for (;;) {
    const gone = db.transaction((tx) => {
      const rows = tx
        .select({ id: entry.id, key: entry.key })
        .from(entry)
        .where(remaining(row))
        .orderBy(asc(entry.sentAt), asc(entry.id))
        .limit(batch)
        .all();
      if (row.afterwards === "erase") eraseEntries(tx, rows, deps.clock());
      else anonymise(tx, row.id, rows);
      return rows.length;
    });
    sum += gone;
    if (gone < batch) return sum;
    await nextTurn();
  }
}

function anonymise(db: Store, runId: string, rows: readonly { readonly id: string; readonly key: number }[]): void {
  let number = lastBuilder(db, runId);
  for (const { id, key } of rows) {
    number += 1;
    db.update(entry)
      .set({
        alias: `Builder ${number}`,
        linkHash: null,
        groupId: null,
        groupRow: null,
        ageBand: null,
        said: "",
        revision: sql`${entry.revision} + 1`,
      })
      .where(eq(entry.key, key))
      .run();
    db.update(version).set({ changed: "", madeOf: "", pictures: [] }).where(eq(version.entryKey, key)).run();
    db.delete(ask).where(eq(ask.entryKey, key)).run();
    db.delete(letterTo).where(eq(letterTo.entryKey, key)).run();
    db.delete(prizeWin).where(eq(prizeWin.entryKey, key)).run();
    db.delete(picture).where(eq(picture.entryKey, key)).run();
    db.update(siftDecision).set({ why: "" }).where(eq(siftDecision.entryId, id)).run();
    db.delete(correction).where(eq(correction.entryId, id)).run();
    // Words such as "accepted Misty Heron" would keep the alias.
    db.delete(undoStep).where(eq(undoStep.subject, id)).run();
  }
  dropEmptyGroups(db);
}

/** The number of the last builder who was made anonymous in a run; later ones count on from it. */
function lastBuilder(db: Store, runId: string): number {
  const names = db
    .select({ alias: entry.alias })
    .from(entry)
    .where(and(eq(entry.runId, runId), like(entry.alias, "Builder %")))
    .all();
  return names.reduce((most, { alias }) => Math.max(most, Number(alias.slice(8)) || 0), 0);
}
