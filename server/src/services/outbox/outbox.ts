import type { LetterDoc, LetterKind, OutboxLine, OutboxPage } from "@lampcrate/contract";
import { and, desc, eq, isNull } from "drizzle-orm";
import type { Database, Store } from "../../db/open.ts";
import { letter, letterTo } from "../../db/schema/index.ts";
import { notFound } from "../../http/problem.ts";
import { nextPage } from "../findings/page.ts";
import { runRow } from "../runs/runs.ts";
import { questionLetter } from "./letterWords.ts";

/** Letters on one page. */
const pageSize = 60;

/** All letters of a run (@run): questions to families, and what many were written. */
const letters = `
  select 'question-' || ask.id as id, 'question' as kind, ask.at as at, entry.alias as alias, null as groupId,
    entry.language as language, '' as subject, ask.words as body
  from ask join entry on entry.key = ask.entry_key where entry.run_id = @run
  union all
  select 'letter-' || letter_to.id, letter.kind, letter_to.at, entry.alias, letter_to.group_id,
    letter.language, letter.subject, letter.body
  from letter join letter_to on letter_to.letter_id = letter.id left join entry on entry.key = letter_to.entry_key
  where letter.run_id = @run`;

type Row = Omit<OutboxLine, "builders"> & { readonly groupId: string | null };

/** A run's letters, the newest first, from a place on; of one kind, or of all. */
export function outboxPage(db: Database, runId: string, from: number, kind: LetterKind | null): OutboxPage {
  runRow(db, runId);
  const counts = countsOf(db, runId);
  const total = kind === null ? Object.values(counts).reduce((sum, n) => sum + n, 0) : counts[kind];
  const rows = db.$client
    .prepare(`select * from (${letters}) where @kind is null or kind = @kind order by at desc, id desc limit ${pageSize} offset @from`)
    .all({ run: runId, kind, from }) as Row[];
  return { lines: rows.map((row) => lineOf(db, row)), total, next: nextPage(from, pageSize, total), counts };
}

function countsOf(db: Database, runId: string): OutboxPage["counts"] {
  const counts = { question: 0, thanks: 0, reminder: 0, reveal: 0, won: 0 };
  const rows = db.$client.prepare(`select kind, count(*) as n from (${letters}) group by kind`).all({ run: runId });
  for (const { kind, n } of rows as { kind: LetterKind; n: number }[]) counts[kind] = n;
  return counts;
}

/** Some of a run's letters, the oldest first, past so many. */
export function lettersAfter(db: Database, runId: string, after: number, most: number): readonly OutboxLine[] {
  const rows = db.$client
    .prepare(`select * from (${letters}) order by at, id limit @most offset @after`)
    .all({ run: runId, most, after }) as Row[];
  return rows.map((row) => lineOf(db, row));
}

/** One letter of a run; throws 404. */
export function letterWithId(db: Database, runId: string, id: string): OutboxLine {
  const row = db.$client.prepare(`select * from (${letters}) where id = @id`).get({ run: runId, id }) as Row | undefined;
  if (!row) throw notFound("letter", "letter");
  return lineOf(db, row);
}

function lineOf(db: Database, { groupId, ...row }: Row): OutboxLine {
  const builders =
    groupId === null ? null : (db.$client.prepare("select count(*) from entry where group_id = ?").pluck().get(groupId) as number);
  const words = row.kind === "question" ? questionLetter(row.body, row.language) : { subject: row.subject, body: row.body };
  return { ...row, builders, ...words };
}

const asRead = { id: letterTo.id, kind: letter.kind, at: letterTo.at, subject: letter.subject, body: letter.body };

/** What an entry's family was written, the newest first; what it was asked stands with the entry. */
export function lettersToEntry(db: Store, entryKey: number): readonly LetterDoc[] {
  return lettersTo(db, and(eq(letterTo.entryKey, entryKey), isNull(letterTo.groupId)));
}

/** What a group's leader was written, the newest first. */
export function lettersToGroup(db: Store, groupId: string): readonly LetterDoc[] {
  return lettersTo(db, eq(letterTo.groupId, groupId));
}

function lettersTo(db: Store, whose: ReturnType<typeof and>): readonly LetterDoc[] {
  return db
    .select(asRead)
    .from(letterTo)
    .innerJoin(letter, eq(letter.id, letterTo.letterId))
    .where(whose)
    .orderBy(desc(letterTo.at), desc(letterTo.id))
    .all()
    .map(({ id, ...one }) => ({ id: `letter-${id}`, ...one }));
}
