import type { HealthDoc, HealthLine } from "@lampcrate/contract";
import { eq } from "drizzle-orm";
import { job } from "../db/schema/index.ts";
import type { Deps } from "../deps.ts";
import { clockHeld } from "../jobs/clockWatch.ts";
import { isHeldBack } from "../services/entries/heldBack.ts";
import { newestBackup } from "./backup.ts";
import { freeMb } from "./disk.ts";
import type { Replica } from "./replica.ts";

const hourMs = 3600_000;
/** Less free space than this is soon too little, MB; and less than that is too little. */
const soonMb = 1024;
export const leastMb = 200;
/** A newest copy older than this is a day missed. */
export const lateBackupMs = 26 * hourMs;
/** A replica that is further behind than this has lost its way, bytes. */
const farBehind = 4 * 1024 * 1024;

/** What is looked after, and where. */
export interface LookedAfter {
  readonly backups?: string | undefined;
  readonly replica?: Replica | undefined;
  readonly unknownProxy?: { readonly seen: boolean } | undefined;
}

/** How the server stands: space, writing, jobs, copies. Each line says in words what to do. */
export async function health(
  deps: Pick<Deps, "db" | "clock" | "data">,
  { backups, replica, unknownProxy }: LookedAfter,
): Promise<HealthDoc> {
  const lines = [
    disk(deps.data),
    writing(deps),
    retention(deps),
    backup(deps, backups),
    replica ? await replicaLine(replica) : off("replica", "not asked for (LAMPCRATE_REPLICA)"),
    clock(deps),
    ...restored(deps),
    ...(unknownProxy?.seen ? [line("proxy")("soon", proxyWords)] : []),
  ];
  return { ok: lines.every((line) => line.state !== "broken"), lines };
}

const line =
  (name: HealthLine["name"]) =>
  (state: HealthLine["state"], words: string): HealthLine => ({ name, state, words });

const off = (name: HealthLine["name"], words: string): HealthLine => ({ name, state: "off", words });

function disk(data: string): HealthLine {
  const say = line("disk");
  const free = freeMb(data);
  const words = `${free >= 1024 ? `${(free / 1024).toFixed(1)} GB` : `${free.toFixed(0)} MB`} free`;
  if (free < leastMb) return say("broken", `${words}. Make room now: entries will be refused when it is full.`);
  return free < soonMb ? say("soon", `${words}. Make room soon.`) : say("fine", words);
}

function writing({ db, clock }: Pick<Deps, "db" | "clock">): HealthLine {
  const say = line("writing");
  const began = performance.now();
  try {
    const row = { name: "write test", startedAt: clock(), endedAt: clock(), ok: true, words: "" };
    db.insert(job).values(row).onConflictDoUpdate({ target: job.name, set: row }).run();
    return say("fine", `a commit takes ${(performance.now() - began).toFixed(1)} ms`);
  } catch (error) {
    return say("broken", `nothing can be written: ${error instanceof Error ? error.message : String(error)}`);
  }
}

function retention({ db, clock }: Pick<Deps, "db" | "clock">): HealthLine {
  const say = line("entries let go");
  const found = db.select().from(job).where(eq(job.name, "retention")).get();
  if (!found) return say("soon", "not looked at yet");
  const ago = agoWords(clock() - found.startedAt);
  if (found.ok === false) return say("broken", `failed ${ago}: ${found.words}`);
  if (clock() - found.startedAt > 3 * hourMs) return say("broken", `last looked at ${ago}; it should be every hour`);
  return say("fine", `looked at ${ago}. ${found.words}`);
}

function backup({ db, clock }: Pick<Deps, "db" | "clock">, folder: string | undefined): HealthLine {
  const say = line("backup");
  if (folder === undefined) return off("backup", "no daily copies are made (LAMPCRATE_BACKUPS names their folder)");
  const failed = db.select().from(job).where(eq(job.name, "backup")).get();
  const newest = newestBackup(folder);
  if (failed?.ok === false) return say("broken", `failed ${agoWords(clock() - failed.startedAt)}: ${failed.words}`);
  if (newest === null) return say("soon", "none yet");
  const words = `the newest copy was made ${agoWords(clock() - newest)}`;
  return clock() - newest > lateBackupMs ? say("broken", `${words}; it should be every day`) : say("fine", words);
}

async function replicaLine(replica: Replica): Promise<HealthLine> {
  const say = line("replica");
  const { running, behindBytes, trouble } = await replica.state();
  if (!running) return say("broken", trouble ?? "it is not running");
  if (behindBytes === null) return say("soon", "running; it does not say how far it is");
  if (behindBytes === 0) return say("fine", "up to date");
  const words = `${(behindBytes / 1024).toFixed(0)} kB behind`;
  return say(behindBytes > farBehind ? "broken" : "fine", words);
}

function clock({ db }: Pick<Deps, "db">): HealthLine {
  const held = clockHeld(db);
  return held === null ? line("clock")("fine", "goes evenly") : line("clock")("broken", held);
}

const proxyWords =
  "Requests come through a reverse proxy that the server was not told of, so all visitors count as one. Start the server with LAMPCRATE_PROXY=1.";

/** A line only while entries of a restored copy are held back. */
function restored({ db }: Pick<Deps, "db">): readonly HealthLine[] {
  if (!isHeldBack(db)) return [];
  const words =
    "This house was restored without its list of erased entries, so entries are hidden. Show them only if no family erased one since the copy was made, or restore again with the list.";
  return [line("restored entries")("broken", words)];
}

function agoWords(ms: number): string {
  if (ms < 90_000) return "just now";
  if (ms < 90 * 60_000) return `${Math.round(ms / 60_000)} min ago`;
  return ms < 48 * hourMs ? `${Math.round(ms / hourMs)} h ago` : `${Math.round(ms / (24 * hourMs))} days ago`;
}
