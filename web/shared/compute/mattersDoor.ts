import type { CrateInput } from "@lampcrate/core";
import { beside } from "./beside.ts";
import { LatestDoor } from "./latestDoor.ts";
import type { Mattered, MattersWorker } from "./matters.worker.ts";

/** The door to the worker that says what moves a crate's cost. */
export function mattersDoor(): LatestDoor<CrateInput, Mattered> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./matters.worker.ts", import.meta.url), { type: "module" });
    return beside<MattersWorker, CrateInput, Mattered>(worker, (remote, input) => remote.of(input));
  });
}
