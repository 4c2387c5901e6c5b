import type { Deps } from "../deps.ts";
import { ClockWatch } from "./clockWatch.ts";
import { runJob } from "./job.ts";
import { keepPromises } from "./keepPromises.ts";

const hourMs = 3600_000;

/** What a house is looked after with. */
export interface UpkeepSettings {
  /** Folder of the daily copies; none are made without it (LAMPCRATE_BACKUPS). */
  readonly backups?: string | undefined;
  /** Where the file is replicated to (LAMPCRATE_REPLICA). */
  readonly replica?: string | undefined;
}

/** Begins what the server does by itself, at once and every hour; gives what ends it. */
export function startUpkeep(deps: Deps, _settings: UpkeepSettings): () => Promise<void> {
  const watch = new ClockWatch(deps);
  const hourly = (): void => {
    void runJob(deps, "retention", () => keepPromises(deps, watch));
  };
  hourly();
  const timer = setInterval(hourly, hourMs).unref();
  return async () => clearInterval(timer);
}
