import { and, asc, desc, eq, exists } from "drizzle-orm";
import type { Database } from "../../db/open.ts";
import { entry, run } from "../../db/schema/index.ts";
import type { RunRow } from "../runs/runs.ts";
import { RunDigest } from "./digest.ts";

/** Runs whose entries are kept in short at a time. */
const mostRuns = 200;

/** What is kept of all runs' entries, and of what was reckoned from them. */
export class Digests {
  private readonly runs = new Map<string, RunDigest>();
  private readonly answers = new Map<string, { readonly stamp: string; readonly answer: unknown }>();

  constructor(private readonly db: Database) {}

  /** A run's entries in short, as they are now. */
  of(row: RunRow): RunDigest {
    const digest = this.kept(row.id);
    digest.refresh(this.db, row);
    return digest;
  }

  /** What was answered while `stamp` was the same, or a new answer. */
  answer<T>(key: string, stamp: string, reckon: () => T): T {
    const known = this.answers.get(key);
    if (known?.stamp === stamp) return known.answer as T;
    const answer = reckon();
    this.answers.delete(key);
    this.answers.set(key, { stamp, answer });
    const [oldest] = this.answers.keys();
    if (this.answers.size > mostRuns && oldest !== undefined) this.answers.delete(oldest);
    return answer;
  }

  /** Takes in some of what has changed since, so that nobody waits for it; true when nothing is left. */
  refreshSome(most: number): boolean {
    return this.gathering().every((row) => this.kept(row.id).refresh(this.db, row, most));
  }

  /** Runs that gather, the newest first, as many as are kept in short. */
  gathering(): readonly RunRow[] {
    return this.db
      .select()
      .from(run)
      .where(and(eq(run.archived, false), exists(this.db.select({ key: entry.key }).from(entry).where(eq(entry.runId, run.id)))))
      .orderBy(desc(run.createdAt), asc(run.id))
      .limit(mostRuns)
      .all();
  }

  private kept(runId: string): RunDigest {
    const known = this.runs.get(runId) ?? new RunDigest(runId);
    this.runs.delete(runId);
    this.runs.set(runId, known);
    const [oldest] = this.runs.keys();
    if (this.runs.size > mostRuns && oldest !== undefined) this.runs.delete(oldest);
    return known;
  }
}
