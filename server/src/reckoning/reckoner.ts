import { existsSync } from "node:fs";
import { join } from "node:path";
import type { ProblemDoc } from "@lampcrate/contract";
import Piscina from "piscina";
import type { Database } from "../db/open.ts";
import { Problem } from "../http/problem.ts";
import { Digests } from "../services/findings/digests.ts";
import { doTask, type TaskArg, type TaskName, type TaskResult } from "./tasks.ts";

/** Has tasks done. */
export interface Reckoner {
  readonly ask: <N extends TaskName>(name: N, arg: TaskArg<N>) => Promise<TaskResult<N>>;
  readonly end: () => Promise<void>;
}

/** What a thread answers: a value, or the problem that was thrown. */
export type Answered<T> =
  | { readonly value: T }
  | { readonly problem: ProblemDoc; readonly headers: Readonly<Record<string, string>> }
  | { readonly failed: string };

/** Does tasks on the spot: for tests and scripts. */
export function reckonHere(db: Database, data: string): Reckoner {
  const reading = { db, data, digests: new Digests(db) };
  return { ask: (name, arg) => doTask(reading, name, arg), end: async () => {} };
}

/** Papers wait for papers, not findings for papers. */
const onPaper: readonly TaskName[] = ["labels", "packingList", "templates", "order", "trialsCsv", "mailbox", "backup"];

const printerIdleMs = 30_000;

/** Tasks that may wait for a thread; more are turned away. */
const mostWaiting = 500;

/** Does tasks in two threads that read the file beside the server; on the spot where no thread was built. */
export function reckonBeside(db: Database, data: string, dist: string): Reckoner {
  const filename = join(dist, "reckonThread.js");
  if (!existsSync(filename)) return reckonHere(db, data);
  const thread = (minThreads: number, idleTimeout: number, maxOldGenerationSizeMb: number): Piscina =>
    new Piscina({
      filename,
      name: "answer",
      minThreads,
      maxThreads: 1,
      idleTimeout,
      maxQueue: mostWaiting,
      workerData: { data },
      resourceLimits: { maxOldGenerationSizeMb, maxYoungGenerationSizeMb: 8 },
    });
  // What was reckoned stays with its thread; one that only prints goes when nobody has printed for a while.
  const [papers, numbers] = [thread(0, printerIdleMs, 96), thread(1, Number.POSITIVE_INFINITY, 192)];
  return {
    ask: async (name, arg) => {
      const pool = onPaper.includes(name) ? papers : numbers;
      if (pool.queueSize >= mostWaiting)
        throw new Problem(503, "Busy", "Very much is being asked at this moment. Try again in a few seconds.", {}, { "retry-after": "5" });
      const answered = (await pool.run({ name, arg })) as Answered<TaskResult<typeof name>>;
      if ("value" in answered) return answered.value;
      if ("problem" in answered) throw Problem.from(answered.problem, answered.headers);
      throw new Error(answered.failed);
    },
    end: async () => {
      await Promise.all([papers.destroy(), numbers.destroy()]);
    },
  };
}
