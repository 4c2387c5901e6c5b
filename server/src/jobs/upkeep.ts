import { resolve } from "node:path";
import type { Served } from "../served.ts";
import { newestBackup } from "../upkeep/backup.ts";
import { keepErasureLists } from "../upkeep/erasureList.ts";
import type { LookedAfter } from "../upkeep/health.ts";
import { replicaAddress } from "../upkeep/litestream.ts";
import { Replica } from "../upkeep/replica.ts";
import { ClockWatch } from "./clockWatch.ts";
import { runJob } from "./job.ts";
import { keepFresh } from "./keepFresh.ts";
import { keepPromises } from "./keepPromises.ts";
import { keepWriting } from "./keepWriting.ts";

const hourMs = 3600_000;

/** What a house is looked after with. */
export interface UpkeepSettings {
  /** Folder of the daily copies; none are made without it (LAMPCRATE_BACKUPS). */
  readonly backups?: string | undefined;
  /** Where the file is replicated to: a folder, or an address that Litestream knows (LAMPCRATE_REPLICA). */
  readonly replica?: string | undefined;
}

/** What the server does by itself. */
export interface Upkeep extends LookedAfter {
  readonly end: () => Promise<void>;
}

/** Begins what the server does by itself, at once and every hour. */
export function startUpkeep(deps: Served, settings: UpkeepSettings): Upkeep {
  const watch = new ClockWatch(deps);
  const backups = settings.backups === undefined ? undefined : resolve(settings.backups);
  const replica = settings.replica === undefined ? undefined : new Replica(deps.data, replicaAddress(settings.replica, resolve), deps.log);
  const hourly = (): void => {
    keepErasureLists(deps, { whole: true });
    void runJob(deps, "retention", () => keepPromises(deps, watch));
    if (backups !== undefined && isDue(backups, deps.clock())) void runJob(deps, "backup", () => daily(deps, backups));
  };
  hourly();
  const timer = setInterval(hourly, hourMs).unref();
  const endRefreshing = keepFresh(deps);
  const endWriting = keepWriting(deps, watch);
  void replica?.start();
  return {
    backups,
    replica,
    end: async () => {
      clearInterval(timer);
      await Promise.all([endRefreshing(), endWriting(), replica?.stop()]);
    },
  };
}

/** A little less than a day: an hourly look would otherwise let it slip an hour each day. */
const isDue = (folder: string, now: number): boolean => now - (newestBackup(folder) ?? 0) > 23.5 * hourMs;

async function daily(deps: Served, folder: string): Promise<string> {
  const { file, entries, removed } = await deps.reckon.ask("backup", { into: folder, now: deps.clock() });
  return `Copied to ${file}, ${entries} entries, looked through and whole; ${removed.length} old ${removed.length === 1 ? "copy" : "copies"} let go.`;
}
