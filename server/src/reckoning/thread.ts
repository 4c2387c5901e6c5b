import Sqlite from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { workerData } from "piscina";
import { houseFile } from "../db/open.ts";
import * as schema from "../db/schema/index.ts";
import { Problem } from "../http/problem.ts";
import { Digests } from "../services/findings/digests.ts";
import type { Answered } from "./reckoner.ts";
import { doTask, type TaskArg, type TaskName } from "./tasks.ts";

/** A thread's own way into the file: it only reads. */
const { data } = workerData as { readonly data: string };
const client = new Sqlite(houseFile(data), { readonly: true });
client.pragma("cache_size = -8000");
const db = drizzle(client, { schema });
const digests = new Digests(db);

/** Does one task and answers what came of it. */
export async function answer({ name, arg }: { readonly name: TaskName; readonly arg: TaskArg<TaskName> }): Promise<Answered<unknown>> {
  try {
    return { value: await doTask({ db, digests, data }, name, arg) };
  } catch (error) {
    if (error instanceof Problem) return { problem: error.doc, headers: error.headers };
    return { failed: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
}
