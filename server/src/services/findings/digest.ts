import { isDeepStrictEqual } from "node:util";
import type { BriefDoc, EntryDoc } from "@lampcrate/contract";
import {
  comparedGuess,
  type EntryFound,
  entryFindings,
  type Family,
  type FindingEntry,
  familyOfBrief,
  mean,
  type Outcomes,
  type OwnClass,
  ownClass,
  type Values,
} from "@lampcrate/core";
import { inArray } from "drizzle-orm";
import type { Database } from "../../db/open.ts";
import { entry } from "../../db/schema/index.ts";
import { entryDocs, outcomesOf } from "../entries/entryDoc.ts";
import { familyOfEntry } from "../entries/readVersions.ts";
import { frozenVersion, loadBrief } from "../runs/briefs.ts";
import type { RunRow } from "../runs/runs.ts";

/** What is kept of one entry once its trials have been checked: its values that count, and what they show. */
export interface Digested {
  readonly revision: number;
  readonly state: EntryDoc["state"];
  readonly briefVersion: number;
  readonly entry: FindingEntry;
  /** What it shows by the sheet it was built from; null unless it is accepted. */
  found: EntryFound | null;
}

/** Entries read at a time. */
const chunk = 300;

/** What tells that none of a run's entries known so far has changed: each change moves a revision up, and none comes in below the last. */
interface Known {
  readonly last: number;
  readonly entries: number;
  readonly revisions: number;
}

/**
 * A run's entries in short, kept while the process lives and brought up to date by what has changed: a check of
 * twenty thousand entries costs seconds, of the one that came in since, nothing.
 */
export class RunDigest {
  private readonly kept = new Map<number, Digested>();
  private order: number[] = [];
  private judgedBy: RunGoal | null = null;
  private counted = 0;
  private waiting = 0;
  private seen = "";
  private known: Known | null = null;
  /** Keys of entries that are to be taken in yet. */
  private left: readonly number[] = [];

  constructor(private readonly runId: string) {}

  /** Takes in at most `most` changed entries; true when all are in. */
  refresh(db: Database, run: RunRow, most = Number.POSITIVE_INFINITY): boolean {
    const seen = `${dataStamp(db)} ${run.revision} ${run.publishedVersion}`;
    if (seen === this.seen) return true;
    // At one instant: what comes in between would be summed up and never listed.
    db.$client.transaction(() => {
      if (this.known !== null && isDeepStrictEqual(sumUp(db, this.runId, this.known.last), this.known)) this.lookAtNew(db, this.known.last);
      else this.lookAtAll(db);
      this.known = sumUp(db, this.runId);
      const taken = this.left.slice(0, most);
      for (let i = 0; i < taken.length; i += chunk) this.take(db, run, taken.slice(i, i + chunk));
      this.left = this.left.slice(taken.length);
    })();
    const goal = goalOf(db, run);
    if (goal.key !== this.judgedBy?.key) this.counted += 1;
    this.judgedBy = goal;
    if (this.left.length > 0) return false;
    this.seen = seen;
    return true;
  }

  /** None of those that were known has changed: what came after them is left to be taken in. */
  private lookAtNew(db: Database, last: number): void {
    const keys = listed(db, this.runId, last).map(([key]) => key);
    for (const key of keys) this.order.push(key);
    this.left = [...this.left, ...keys];
  }

  /** Finds, among all, those that have changed or gone. */
  private lookAtAll(db: Database): void {
    const now = listed(db, this.runId, 0);
    this.order = now.map(([key]) => key);
    const there = new Set(this.order);
    for (const key of [...this.kept.keys()].filter((key) => !there.has(key))) this.drop(key);
    this.left = now.flatMap(([key, revision]) => (this.kept.get(key)?.revision === revision ? [] : [key]));
  }

  /** Another number whenever what is counted has changed: accepted entries, or what the run is judged by. Those that come in and wait change nothing. */
  get stamp(): number {
    return this.counted;
  }

  /** Entries that wait, as at the last refresh. */
  get waits(): number {
    return this.waiting;
  }

  /** Every entry that is sifted or waits, in order of arrival, as at the last refresh. */
  all(): readonly Digested[] {
    return this.order.flatMap((key) => this.kept.get(key) ?? []);
  }

  /** What the run is judged by, as at the last refresh. */
  get goal(): RunGoal {
    if (this.judgedBy === null) throw new Error("a digest is refreshed before it is asked");
    return this.judgedBy;
  }

  /** What accepted entries show, in order of arrival, as at the last refresh. */
  accepted(): readonly EntryFound[] {
    return this.all().flatMap((one) => (one.state === "accepted" && one.found ? [one.found] : []));
  }

  private take(db: Database, run: RunRow, keys: readonly number[]): void {
    const rows = db
      .select()
      .from(entry)
      .where(inArray(entry.key, [...keys]))
      .all();
    const docs = entryDocs(db, run, rows);
    const briefs = new Map([...new Set(docs.map((doc) => doc.briefVersion))].map((n) => [n, frozenVersion(db, run.briefId, n).brief]));
    for (const [i, row] of rows.entries()) {
      const [doc, brief] = [docs[i], briefs.get(row.briefVersion)];
      if (!doc || !brief) continue;
      const own = ownClassOf(brief, doc);
      const counted = findingEntry(doc, own);
      this.drop(row.key);
      this.kept.set(row.key, {
        revision: row.revision,
        state: doc.state,
        briefVersion: doc.briefVersion,
        entry: counted,
        found: doc.state === "accepted" ? foundOf(brief, counted, own) : null,
      });
      this.tally(doc.state, 1);
    }
  }

  private drop(key: number): void {
    const known = this.kept.get(key);
    if (known) this.tally(known.state, -1);
    this.kept.delete(key);
  }

  private tally(state: EntryDoc["state"], by: 1 | -1): void {
    if (state === "accepted") this.counted += 1;
    if (state === "waiting") this.waiting += by;
  }
}

/** Entries that are sifted or wait and came after one, in order of arrival. By an index alone: whatever changes an entry moves its revision. */
function listed(db: Database, runId: string, after: number): readonly (readonly [key: number, revision: number])[] {
  // The run is asked of the rows, not of its index, where only the newest are wanted.
  const run = after === 0 ? "run_id" : "+run_id";
  return db.$client
    .prepare(`select key, revision from entry where ${run} = ? and key > ? and state in ('waiting', 'accepted', 'set aside') order by key`)
    .raw()
    .all(runId, after) as [number, number][];
}

/** How many entries a run has up to one, whatever became of them, and the sum of their revisions. By an index alone. */
function sumUp(db: Database, runId: string, upTo = Number.MAX_SAFE_INTEGER): Known {
  const row = db.$client
    .prepare("select coalesce(max(key), 0), count(*), coalesce(sum(revision), 0) from entry where run_id = ? and key <= ?")
    .raw()
    .get(runId, upTo) as readonly [number, number, number];
  return { last: row[0], entries: row[1], revisions: row[2] };
}

/** Another text whenever the file may have changed, by this connection or another one. */
function dataStamp(db: Database): string {
  const changes = db.$client.prepare("select total_changes()").pluck().get();
  return `${changes} ${db.$client.pragma("data_version", { simple: true })}`;
}

/** What an entry shows by the brief its family built from. */
function foundOf(brief: BriefDoc, counted: FindingEntry, own: OwnClass | null): EntryFound {
  return entryFindings(familyOfBrief(brief), brief.spec, counted, own?.measure);
}

/** What a run is judged by today. */
interface RunGoal {
  /** Another text for another goal. */
  readonly key: string;
  /** As the brief asks for it. */
  readonly family: Family;
  readonly outcomes: Outcomes;
  readonly spec: Values;
  readonly design: Values;
  /** The version that is published; null for the draft. */
  readonly version: number | null;
}

/** The version that is published, or the draft while none is. */
function goalOf(db: Database, run: RunRow): RunGoal {
  const { family, outcomes, spec, design } =
    run.publishedVersion === null ? loadBrief(db, run.briefId).doc : frozenVersion(db, run.briefId, run.publishedVersion).brief;
  return {
    key: JSON.stringify([family, outcomes, spec]),
    family: familyOfBrief({ family, outcomes }),
    outcomes,
    spec,
    design,
    version: run.publishedVersion,
  };
}

/** The class of its own that an entry is, counted in a thing that nobody weighed; null for all others. */
function ownClassOf(brief: BriefDoc, doc: EntryDoc): OwnClass | null {
  const trials = doc.versions.flatMap((version) => version.trials);
  // Only what was typed and has no value can be such a count: few entries are looked at twice.
  if (!trials.some(({ raw, value, broke, brokeValue }) => (raw !== null && value === null) || (broke !== null && brokeValue === null)))
    return null;
  return ownClass(familyOfEntry(brief, doc.tokens).measures(brief.spec)[0], trials);
}

/** Values that count: accepted, read, and possible; as a count where the entry is a class of its own. */
function findingEntry(doc: EntryDoc, own: OwnClass | null): FindingEntry {
  return {
    id: doc.id,
    alias: doc.alias,
    versions: doc.versions.map((version) => {
      return {
        number: version.number,
        role: version.role,
        variables: once(JSON.stringify(version.variables), version.variables),
        place: version.place,
        instrument: once(version.trials[0]?.instrument ?? "", version.trials[0]?.instrument ?? ""),
        trials: outcomesOf(own ? version.trials.map((trial) => ({ ...trial, ...countedBy(own, trial) })) : version.trials),
        ...seenIn(version.trials),
        ...guessIn(version),
        ...furtherIn(version.trials),
      };
    }),
  };
}

function countedBy(own: OwnClass, trial: EntryDoc["versions"][number]["trials"][number]) {
  const { value, broke: brokeValue } = own.count(trial);
  return { value, brokeValue };
}

/** Symptoms seen with a version; most have none, and keep none. */
function seenIn(trials: EntryDoc["versions"][number]["trials"]): { readonly seen?: readonly string[] } {
  const seen = [...new Set(trials.flatMap((trial) => trial.seen))].sort();
  return seen.length === 0 ? {} : { seen: once(seen.join(" "), seen) };
}

/** Means of what else was measured with a version; most have none, and keep none. */
function furtherIn(trials: EntryDoc["versions"][number]["trials"]): Pick<FindingEntry["versions"][number], "further"> {
  const ids = new Set(trials.flatMap((trial) => Object.keys(trial.furtherValues)));
  if (ids.size === 0) return {};
  const meanOf = (id: string): number => mean(trials.flatMap(({ furtherValues }) => furtherValues[id] ?? []));
  return { further: Object.fromEntries([...ids].map((id) => [id, meanOf(id)])) };
}

/** What was guessed of a version; most have none, and keep none. */
function guessIn({ guess, guessValue, guessed }: EntryDoc["versions"][number]): Pick<FindingEntry["versions"][number], "guess"> {
  if (guess === null) return {};
  return { guess: { value: guessValue, compared: guessValue === null ? comparedGuess(guess) : null, made: guessed } };
}

/** What is the same in thousands of entries is kept once. */
const shared = new Map<string, unknown>();
const mostShared = 20_000;

function once<T>(key: string, value: T): T {
  const known = shared.get(key);
  if (known !== undefined) return known as T;
  if (shared.size < mostShared) shared.set(key, value);
  return value;
}
