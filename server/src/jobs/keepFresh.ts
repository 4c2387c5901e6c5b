import type { Served } from "../served.ts";

/** How often changes are looked for, ms; and entries taken in at a time, so that nobody waits long behind them. */
const everyMs = 1000;
const atOnce = 300;

/** Rows written between two looks that make a burst: some 250 entries a second. */
const burstRows = 3000;

/** Has entries that came in checked before anybody asks for findings; gives what ends it. */
export function keepFresh({ db, reckon, log }: Served): () => Promise<void> {
  const changes = db.$client.prepare("select total_changes()").pluck();
  let [seen, last, ended] = [-1, 0, false];
  let under: Promise<void> = Promise.resolve();
  const refresh = async (): Promise<void> => {
    const now = changes.get() as number;
    const since = now - last;
    last = now;
    // In a burst every processor is for those who send: what they sent is taken in once it ebbs.
    if (now === seen || since > burstRows) return;
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
