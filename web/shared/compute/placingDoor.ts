import type { Placement, PlacingStep } from "@lampcrate/core";
import type { PlacingInput, PlacingWorker } from "./placing.worker.ts";
import { type Search, searchBeside } from "./search.ts";

/** Places sessions in a worker of its own. */
export function askToPlace(input: PlacingInput, tell: (step: PlacingStep) => void): Search<Placement> {
  const worker = new Worker(new URL("./placing.worker.ts", import.meta.url), { type: "module" });
  return searchBeside<PlacingWorker, PlacingStep, Placement>(worker, (remote, told) => remote.place(input, told), tell);
}
