import { beside } from "./beside.ts";
import type { Judged, JudgeInput, JudgeWorker } from "./judge.worker.ts";
import { LatestDoor } from "./latestDoor.ts";

/** The door to the worker that says what a test can tell. */
export function judgeDoor(): LatestDoor<JudgeInput, Judged> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./judge.worker.ts", import.meta.url), { type: "module" });
    return beside<JudgeWorker, JudgeInput, Judged>(worker, (remote, input) => remote.test(input));
  });
}
