import type { CrateInput } from "@lampcrate/core";
import { wrap } from "comlink";
import { LatestDoor } from "./latestDoor.ts";
import type { Mattered, MattersWorker } from "./matters.worker.ts";

/** The door to the worker that says what moves a crate's cost. */
export function mattersDoor(): LatestDoor<CrateInput, Mattered> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./matters.worker.ts", import.meta.url), { type: "module" });
    const remote = wrap<MattersWorker>(worker);
    return { run: (input) => remote.of(input), end: () => worker.terminate() };
  });
}
