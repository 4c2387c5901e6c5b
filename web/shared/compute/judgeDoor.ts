import { wrap } from "comlink";
import type { Judged, JudgeInput, JudgeWorker } from "./judge.worker.ts";
import { LatestDoor } from "./latestDoor.ts";

/** The door to the worker that says what a test can tell. */
export function judgeDoor(): LatestDoor<JudgeInput, Judged> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<JudgeWorker>(worker);
    return { run: (input) => remote.test(input), end: () => worker.terminate() };
  });
}
