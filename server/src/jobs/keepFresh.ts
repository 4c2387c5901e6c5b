import type { Served } from "../served.ts";

/** How often changes are looked for, ms; and entries taken in at a time, so that nobody waits long behind them. */
const everyMs = 1000;
const atOnce = 300;

/** Looks without anything new after which findings are reckoned ahead: they take a second of a run of twenty thousand, and whoever sifts changes them with each press. */
const quietLooks = 4;

/** Rows written between two looks that make a burst: some 250 entries a second. */
const burstRows = 3000;

/** Has entries that came in checked, and then findings reckoned, before anybody asks for them; gives what ends it. */
export function keepFresh({ db, reckon, log }: Served): () => Promise<void> {
  const changes = db.$client.prepare("select total_changes()").pluck();
  let [seen, last, quiet, ended] = [-1, 0, 0, false];
  let under: Promise<void> = Promise.resolve();
  const refresh = async (): Promise<void> => {
    const now = changes.get() as number;
    const since = now - last;
    last = now;
    // In a burst every processor is for those who send: what they sent is taken in once it ebbs.
    if (since > burstRows) return;
    quiet = now === seen ? quiet + 1 : 0;
    if (quiet === quietLooks) await reckon.ask("ahead", {});
    if (quiet > 0) return;
    seen = now;
    while (!ended && !(await reckon.ask("refresh", { most: atOnce })));
  };
  const timer = setInterval(() => {
    under = under.then(refresh).catch((error: Error) => log.error({ error: error.message }, "checking entries ahead failed"));
  }, everyMs).unref();
  return async () => {
    ended = true;
    clearInterval(timer);
    await under;
  };
}
