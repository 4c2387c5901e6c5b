import { type Remote, wrap } from "comlink";
import type { Beside } from "./latestDoor.ts";

/** Calls what a worker offers; a worker that can't be loaded or breaks off fails the call instead of leaving it open. */
export function beside<Offers, Input, Output>(
  worker: Worker,
  call: (remote: Remote<Offers>, input: Input) => Promise<Output>,
): Beside<Input, Output> {
  const remote = wrap<Offers>(worker);
  const broken = new Promise<never>((_, fail) => {
    worker.addEventListener("error", ({ message }) => fail(new Error(message || "it could not be loaded")));
    worker.addEventListener("messageerror", () => fail(new Error("its answer could not be read")));
  });
  // Nobody may be waiting when it breaks: whoever asks next is told.
  broken.catch(() => {});
  return { run: (input) => Promise.race([call(remote, input), broken]), end: () => worker.terminate() };
}
