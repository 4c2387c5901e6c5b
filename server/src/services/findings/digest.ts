import type { EntryDoc } from "@lampcrate/contract";
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

/**
 * A run's entries in short, kept while the process lives and brought up to date by what has changed: a check of
 * twenty thousand entries costs seconds, of the one that came in since, nothing.
 */
export class RunDigest {
  private readonly kept = new Map<number, Digested>();
  private order: readonly number[] = [];
  private judgedBy: RunGoal | null = null;
  private counted = 0;
  private seen = "";

  constructor(private readonly runId: string) {}

  /** Takes in at most `most` changed entries; true when all are in. */
  refresh(db: Database, run: RunRow, most = Number.POSITIVE_INFINITY): boolean {
    const seen = `${dataStamp(db)} ${run.revision} ${run.publishedVersion}`;
    if (seen === this.seen) return true;
    const now = this.listed(db);
    const there = new Set(now.map(([key]) => key));
    const gone = [...this.kept.keys()].filter((key) => !there.has(key));
    if (gone.some((key) => this.kept.get(key)?.state === "accepted")) this.counted += 1;
    for (const key of gone) this.kept.delete(key);
    const changed = now.filter(([key, revision]) => this.kept.get(key)?.revision !== revision);
    this.order = [...there];
    const taken = changed.slice(0, most);
    for (let i = 0; i < taken.length; i += chunk) this.take(db, run, taken.slice(i, i + chunk));
    const goal = goalOf(db, run);
    if (goal.key !== this.judgedBy?.key) this.counted += 1;
    this.judgedBy = goal;
    const whole = taken.length === changed.length;
    if (whole) this.seen = seen;
    return whole;
  }

  /** Another number whenever what is counted has changed: accepted entries, or what the run is judged by. Those that come in and wait change nothing. */
  get stamp(): number {
    return this.counted;
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

  /** By an index alone: whatever changes an entry moves its revision. */
  private listed(db: Database): readonly (readonly [key: number, revision: number])[] {
    const rows = db.$client
      .prepare("select key, revision from entry where run_id = ? and state in ('waiting', 'accepted', 'set aside') order by key")
      .raw()
      .all(this.runId);
    return rows as [number, number][];
  }

  private take(db: Database, run: RunRow, changed: readonly (readonly [key: number, revision: number])[]): void {
    const keys = changed.map(([key]) => key);
    const rows = db.select().from(entry).where(inArray(entry.key, keys)).all();
    const docs = entryDocs(db, run, rows);
    for (const [i, row] of rows.entries()) {
      const doc = docs[i];
      if (!doc) continue;
      if (doc.state === "accepted" || this.kept.get(row.key)?.state === "accepted") this.counted += 1;
      const own = ownClassOf(db, run, doc);
      const counted = findingEntry(doc, own);
      this.kept.set(row.key, {
        revision: row.revision,
        state: doc.state,
        briefVersion: doc.briefVersion,
        entry: counted,
        found: doc.state === "accepted" ? foundOf(db, run, doc.briefVersion, counted, own) : null,
      });
    }
  }
}

/** Another text whenever the file may have changed, by this connection or another one. */
function dataStamp(db: Database): string {
  const changes = db.$client.prepare("select total_changes()").pluck().get();
  return `${changes} ${db.$client.pragma("data_version", { simple: true })}`;
}

/** What an entry shows by the brief its family built from. */
function foundOf(db: Database, run: RunRow, briefVersion: number, counted: FindingEntry, own: OwnClass | null): EntryFound {
  const { brief } = frozenVersion(db, run.briefId, briefVersion);
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
function ownClassOf(db: Database, run: RunRow, doc: EntryDoc): OwnClass | null {
  const trials = doc.versions.flatMap((version) => version.trials);
  // Only what was typed and has no value can be such a count: few entries are looked at twice.
  if (!trials.some(({ raw, value, broke, brokeValue }) => (raw !== null && value === null) || (broke !== null && brokeValue === null)))
    return null;
  const { brief } = frozenVersion(db, run.briefId, doc.briefVersion);
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
