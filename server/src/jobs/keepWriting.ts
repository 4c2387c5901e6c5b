import type { Deps } from "../deps.ts";
import { writeLetters } from "../services/outbox/writeLetters.ts";
import type { ClockWatch } from "./clockWatch.ts";

const everyMs = 60_000;

/** Has the letters written that are due, at once and every minute; gives what ends it. */
export function keepWriting(deps: Pick<Deps, "db" | "clock" | "log">, watch: ClockWatch): () => Promise<void> {
  let under: Promise<unknown> = Promise.resolve();
  const write = (): void => {
    under = under
      .then(() => {
        // What it sees keeps letters from being written, as long as it stands.
        watch.look();
        return writeLetters(deps);
      })
      .catch((error: Error) => deps.log.error({ error: error.message }, "letters could not be written"));
  };
  write();
  const timer = setInterval(write, everyMs).unref();
  return async () => {
    clearInterval(timer);
    await under;
  };
}
