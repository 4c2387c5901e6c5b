import type { Served } from "../served.ts";
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

/** How often changes are looked for, ms; and entries taken in at a time, so that nobody waits long behind them. */
const freshEveryMs = 1000;
const freshAtOnce = 300;

/** Has entries that came in checked before anybody asks for findings; gives what ends it. */
function keepFresh({ db, reckon, log }: Served): () => Promise<void> {
  const changes = db.$client.prepare("select total_changes()").pluck();
  let [seen, ended] = [-1, false];
  let under: Promise<void> = Promise.resolve();
  const refresh = async (): Promise<void> => {
    const now = changes.get() as number;
    if (now === seen) return;
    seen = now;
    while (!ended && !(await reckon.ask("refresh", { most: freshAtOnce })));
  };
  const timer = setInterval(() => {
    under = under.then(refresh).catch((error: Error) => log.error({ error: error.message }, "checking entries ahead failed"));
  }, freshEveryMs).unref();
  return async () => {
    ended = true;
    clearInterval(timer);
    await under;
  };
}

/** Begins what the server does by itself, at once and every hour; gives what ends it. */
export function startUpkeep(deps: Served, _settings: UpkeepSettings): () => Promise<void> {
  const watch = new ClockWatch(deps);
  const hourly = (): void => {
    void runJob(deps, "retention", () => keepPromises(deps, watch));
  };
  hourly();
  const timer = setInterval(hourly, hourMs).unref();
  const endRefreshing = keepFresh(deps);
  return async () => {
    clearInterval(timer);
    await endRefreshing();
  };
}
