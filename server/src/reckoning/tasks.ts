import type { LabelSheetId, LetterKind } from "@lampcrate/contract";
import { inLanguage } from "@lampcrate/core";
import type { LanguageId } from "@lampcrate/words";
import { allLanguages } from "@lampcrate/words/all";
import type { Database } from "../db/open.ts";
import { calendarPdf } from "../print/calendar.ts";
import { labelsPdf } from "../print/labels.ts";
import { orderPdf } from "../print/orderList.ts";
import { packingListPdf } from "../print/packingList.ts";
import { runSheetPdf } from "../print/runSheet.ts";
import { templatesPdf } from "../print/templates.ts";
import { trialsCsvPart } from "../services/findings/csv.ts";
import type { Digests } from "../services/findings/digests.ts";
import { entryPage } from "../services/findings/entryPages.ts";
import { evidenceDoc } from "../services/findings/evidence.ts";
import { builderPage, findingsAhead, findingsDoc } from "../services/findings/findings.ts";
import { learnedDoc } from "../services/findings/learned.ts";
import { qualifiersOf } from "../services/findings/qualifiers.ts";
import { revealOf, revealPage } from "../services/findings/reveal.ts";
import { houseDoc } from "../services/house/house.ts";
import { mailboxPart } from "../services/outbox/mail.ts";
import { outboxPage } from "../services/outbox/outbox.ts";
import { calendarPapers } from "../services/runs/calendarPapers.ts";
import { runSheetPapers } from "../services/runs/runSheetPapers.ts";
import { cratePapers } from "../services/store/cratePapers.ts";
import { materialList } from "../services/store/materials.ts";
import { orderDoc } from "../services/store/purchases.ts";
import { backUp } from "../upkeep/backup.ts";

/** What a task reads. */
export interface Reading {
  readonly db: Database;
  readonly digests: Digests;
  /** Folder of the house's file. */
  readonly data: string;
}

type OfRun = { readonly runId: string };
type OfCrate = OfRun & { readonly session: string | null };

/** Everything that takes longer than an answer may: it only reads, and runs beside the server. */
export const tasks = {
  entries: ({ db }: Reading, { runId, from }: OfRun & { readonly from: number }) => entryPage(db, runId, from),
  evidence: ({ db, digests }: Reading, { runId, entryId }: OfRun & { readonly entryId: string }) =>
    evidenceDoc(db, digests, runId, entryId),
  findings: ({ db, digests }: Reading, { runId }: OfRun) => findingsDoc(db, digests, runId),
  builders: ({ db, digests }: Reading, { runId, from }: OfRun & { readonly from: number }) => builderPage(db, digests, runId, from),
  reveal: ({ db, digests }: Reading, { runId, language }: OfRun & { readonly language: LanguageId }) =>
    inLanguage(allLanguages[language], () => revealOf(db, digests, runId)),
  revealPage: ({ db, digests }: Reading, { runId, from, find }: OfRun & { readonly from: number; readonly find: string }) =>
    revealPage(db, digests, runId, from, find),
  learned: ({ db, digests }: Reading, { runId }: OfRun) => learnedDoc(db, digests, runId),
  qualifiers: ({ db, digests }: Reading, { runId }: OfRun) => qualifiersOf(db, digests, runId),
  ahead: ({ db, digests }: Reading, _: Readonly<Record<string, never>>) => findingsAhead(db, digests),
  refresh: ({ digests }: Reading, { most }: { readonly most: number }) => digests.refreshSome(most),
  trialsCsv: ({ db }: Reading, { runId, after }: OfRun & { readonly after: number }) => trialsCsvPart(db, runId, after),
  outbox: ({ db }: Reading, { runId, from, kind }: OfRun & { readonly from: number; readonly kind: LetterKind | null }) =>
    outboxPage(db, runId, from, kind),
  mailbox: ({ db }: Reading, { runId, after }: OfRun & { readonly after: number }) => mailboxPart(db, runId, after),
  labels: ({ db }: Reading, { runId, session, sheet, skip }: OfCrate & { readonly sheet: LabelSheetId; readonly skip: number }) =>
    labelsPdf(cratePapers(db, runId, session), sheet, skip),
  packingList: ({ db }: Reading, { runId, session }: OfCrate) => packingListPdf(cratePapers(db, runId, session)),
  calendar: ({ db }: Reading, range: { readonly from: string; readonly to: string }) => calendarPdf(calendarPapers(db, range)),
  runSheet: ({ db }: Reading, { runId, session }: OfCrate) => runSheetPdf(runSheetPapers(db, runId, session)),
  templates: ({ db }: Reading, { runId, session }: OfCrate) => templatesPdf(cratePapers(db, runId, session)),
  backup: ({ data }: Reading, { into, now }: { readonly into: string; readonly now: number }) => backUp(data, into, now),
  order: ({ db }: Reading, { orderId }: { readonly orderId: string }) => orderPdf(orderDoc(db, orderId), materialList(db), houseDoc(db)),
} as const;

export type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
export type TaskArg<N extends TaskName> = Parameters<Tasks[N]>[1];
export type TaskResult<N extends TaskName> = Awaited<ReturnType<Tasks[N]>>;

/** Does a task by its name. */
export function doTask<N extends TaskName>(reading: Reading, name: N, arg: TaskArg<N>): Promise<TaskResult<N>> {
  const task = tasks[name] as (reading: Reading, arg: TaskArg<N>) => TaskResult<N> | Promise<TaskResult<N>>;
  return Promise.resolve(task(reading, arg));
}
