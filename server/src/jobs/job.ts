import { eq } from "drizzle-orm";
import { job } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";

/** What the server does by itself. */
export type JobName = "retention" | "backup";

const running = new WeakMap<object, Set<JobName>>();

/**
 * Does a job and keeps in words how it went. Whatever happens in it, it neither ends the server nor keeps it from
 * starting; one that still runs is not begun again. Gives true when it went well.
 */
export async function runJob(deps: Pick<Deps, "db" | "clock" | "log">, name: JobName, work: () => Promise<string>): Promise<boolean> {
  const now = running.get(deps.db) ?? new Set<JobName>();
  running.set(deps.db, now);
  if (now.has(name)) return true;
  now.add(name);
  const note = (end: { endedAt: number | null; ok: boolean | null; words: string }, startedAt: number): void => {
    deps.db
      .insert(job)
      .values({ name, startedAt, ...end })
      .onConflictDoUpdate({ target: job.name, set: { startedAt, ...end } })
      .run();
  };
  const startedAt = deps.clock();
  try {
    const before = deps.db.select().from(job).where(eq(job.name, name)).get();
    note({ endedAt: null, ok: null, words: before?.words ?? "" }, startedAt);
    const words = await work();
    note({ endedAt: deps.clock(), ok: true, words }, startedAt);
    return true;
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    deps.log.error({ job: name, error: words }, "a job failed");
    try {
      note({ endedAt: deps.clock(), ok: false, words }, startedAt);
    } catch {
      // A full disk may refuse even this note; the log has it.
    }
    return false;
  } finally {
    now.delete(name);
  }
}
