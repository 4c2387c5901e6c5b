import { setTimeout as pause } from "node:timers/promises";
import { addDays, dateOf, instantOf, reminderDays, startOfDay } from "@lampcrate/core";
import { languageIds } from "@lampcrate/words";
import { and, asc, eq, gt, inArray, isNotNull, isNull, lt, notExists, type SQL, sql } from "drizzle-orm";
import type { Store } from "../../db/open.ts";
import { entry, groupSheet, letter, letterTo, prizeDrawn, prizeWin, run } from "../../db/schema/index.ts";
import type { Deps } from "../../deps.ts";
import { clockHeld } from "../../jobs/clockWatch.ts";
import { stands } from "../entries/stands.ts";
import { trail } from "../house/audit.ts";
import { houseDoc, isEmpty } from "../house/house.ts";
import type { RunRow } from "../runs/runs.ts";
import { letterOf, type ManyKind } from "./letterWords.ts";

/** Letters in one transaction, and the pause before the next, ms: whoever sends an entry meanwhile is served in between. */
const batch = 100;
const pauseMs = 20;

/** Nobody is thanked for what came longer ago than this, nor told of a reveal that has been up so long: a house that was away, or has just got letters. */
const lateDays = 14;

/** Nothing is written before this hour of its day. */
const morning = "09:00";

interface Due {
  readonly kind: ManyKind;
  /** The day that it is for; "" for thanks; the seed of a draw. */
  readonly dueOn: string;
  /** Entries sent from then on and before then, ms, are written to. */
  readonly after: number;
  readonly before: number;
}

/**
 * Writes what is due: thanks for each entry, the latest reminder before entries close, that the reveal is up, that they
 * have won. Each goes
 * to an entry's family once, in their language; for a group to its leader; to nobody who has taken theirs out. Nothing
 * is written while the clock is not trusted. Gives how many were written.
 */
export async function writeLetters(deps: Pick<Deps, "db" | "clock">): Promise<number> {
  const { db, clock } = deps;
  const now = clock();
  if (isEmpty(db) || clockHeld(db) !== null) return 0;
  const { zone, gathering } = houseDoc(db);
  const published = and(eq(run.archived, false), isNotNull(run.code), isNotNull(run.publishedVersion), sql`${run.status} <> 'cancelled'`);
  let written = 0;
  for (const row of db.select().from(run).where(published).orderBy(asc(run.createdAt), asc(run.id)).all())
    for (const due of [...dueOf(row, gathering.remindDays, zone, now), ...drawnOf(db, row, now)]) {
      const count = await writeOne(deps, row, due, now);
      written += count;
      if (count > 0 && due.kind !== "thanks")
        trail(db, now, null, "publishing", `wrote ${lettersWords(count)} of ${row.title}: ${told[due.kind]}`);
    }
  return written;
}

const told = { reminder: "entries close soon", reveal: "the reveal is up", won: "they have won" } as const;

const lettersWords = (n: number): string => `${n} ${n === 1 ? "letter" : "letters"}`;

function dueOf(row: RunRow, remindDays: readonly number[], zone: string, now: number): readonly Due[] {
  const today = dateOf(now, zone);
  const begun = (day: string): boolean => (instantOf(`${day}T${morning}`, zone) ?? Number.POSITIVE_INFINITY) <= now;
  const long = startOfDay(addDays(today, -lateDays), zone) ?? now;
  const all: Due[] = [{ kind: "thanks", dueOn: "", after: long, before: now + 1 }];
  const reminded = reminderDays(row, remindDays).filter(begun).at(-1);
  if (reminded !== undefined && today <= (row.closesOn ?? ""))
    all.push({ kind: "reminder", dueOn: reminded, after: 0, before: startOfDay(reminded, zone) ?? 0 });
  if (row.revealOn !== null && begun(row.revealOn) && addDays(row.revealOn, lateDays) >= today)
    all.push({ kind: "reveal", dueOn: row.revealOn, after: 0, before: now + 1 });
  return all;
}

/** What is due to those on whom a run's lot has fallen. */
function drawnOf(db: Store, row: RunRow, now: number): readonly Due[] {
  const drawn = db
    .select({ seed: prizeDrawn.seed })
    .from(prizeDrawn)
    .where(and(eq(prizeDrawn.runId, row.id), lt(prizeDrawn.at, now + 1)))
    .get();
  return drawn ? [{ kind: "won", dueOn: String(drawn.seed), after: 0, before: now + 1 }] : [];
}

async function writeOne({ db }: Pick<Deps, "db">, row: RunRow, due: Due, now: number): Promise<number> {
  let sum = 0;
  for (const language of languageIds) {
    for (let last: number | null = 0; last !== null; ) {
      const some: { count: number; last: number | null } = db.transaction((tx) =>
        writeToFamilies(tx, row, due, { language, now, after: last ?? 0 }),
      );
      sum += some.count;
      last = some.last;
      if (last !== null) await pause(pauseMs);
    }
    sum += db.transaction((tx) => writeToLeaders(tx, row, due, language, now));
  }
  return sum;
}

interface Batch {
  readonly language: string;
  readonly now: number;
  /** The place of the entry after which it begins. */
  readonly after: number;
}

/** Writes to some families who have no such letter yet; gives how many, and where the next begin, null after the last. */
function writeToFamilies(db: Store, row: RunRow, due: Due, { language, now, after }: Batch): { count: number; last: number | null } {
  const families = db
    .select({ entryKey: entry.key })
    .from(entry)
    .where(
      and(
        eq(entry.runId, row.id),
        gt(entry.key, after),
        stands,
        isNotNull(entry.linkHash),
        isNull(entry.groupId),
        eq(entry.language, language),
        sentFor(due),
        isMeant(db, row, due),
        hasNone(db, row, due, eq(letterTo.entryKey, entry.key)),
      ),
    )
    .orderBy(asc(entry.key))
    .limit(batch)
    .all();
  writeTo(db, row, due, language, families, now);
  return { count: families.length, last: families.length === batch ? (families.at(-1)?.entryKey ?? null) : null };
}

/** Writes to leaders of groups who have no such letter yet; gives how many. */
function writeToLeaders(db: Store, row: RunRow, due: Due, language: string, now: number): number {
  const leaders = db
    .select({ groupId: groupSheet.id })
    .from(groupSheet)
    .innerJoin(entry, eq(entry.groupId, groupSheet.id))
    .where(
      and(
        eq(groupSheet.runId, row.id),
        stands,
        isNotNull(groupSheet.linkHash),
        eq(entry.language, language),
        sentFor(due),
        isMeant(db, row, due),
        hasNone(db, row, due, eq(letterTo.groupId, groupSheet.id)),
      ),
    )
    .groupBy(groupSheet.id)
    .all();
  writeTo(db, row, due, language, leaders, now);
  return leaders.length;
}

const sentFor = ({ after, before }: Due): SQL | undefined => and(gt(entry.sentAt, after - 1), lt(entry.sentAt, before));

/** Whether an entry is one that such a letter is for: that they have won is for winners. */
const isMeant = (db: Store, row: RunRow, { kind }: Due): SQL | undefined =>
  kind === "won" ? inArray(entry.key, db.select({ key: prizeWin.entryKey }).from(prizeWin).where(eq(prizeWin.runId, row.id))) : undefined;

function hasNone(db: Store, row: RunRow, { kind, dueOn }: Due, whose: SQL): SQL {
  const alike = db
    .select({ id: letter.id })
    .from(letter)
    .where(and(eq(letter.runId, row.id), eq(letter.kind, kind), eq(letter.dueOn, dueOn)));
  return notExists(
    db
      .select({ one: sql`1` })
      .from(letterTo)
      .where(and(whose, inArray(letterTo.letterId, alike))),
  );
}

type Addressee = { readonly entryKey: number } | { readonly groupId: string };

function writeTo(db: Store, row: RunRow, due: Due, language: string, to: readonly Addressee[], now: number): void {
  if (to.length === 0) return;
  const letterId = letterFor(db, row, due, language);
  db.insert(letterTo)
    .values(to.map((one) => ({ letterId, at: now, ...one })))
    .run();
}

/** The letter's id; it is worded when the first is written, and stays so. */
function letterFor(db: Store, row: RunRow, { kind, dueOn }: Pick<Due, "kind" | "dueOn">, language: string): number {
  const of = { runId: row.id, kind, dueOn, language };
  const known = db
    .select({ id: letter.id })
    .from(letter)
    .where(and(eq(letter.runId, row.id), eq(letter.kind, kind), eq(letter.dueOn, dueOn), eq(letter.language, language)))
    .get();
  return (
    known?.id ??
    db
      .insert(letter)
      .values({ ...of, ...letterOf(db, row, kind, language) })
      .returning({ id: letter.id })
      .get().id
  );
}
