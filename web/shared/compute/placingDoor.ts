import type { Placement, PlacingStep } from "@lampcrate/core";
import { proxy, wrap } from "comlink";
import type { PlacingInput, PlacingWorker } from "./placing.worker.ts";

/** A search under way: its answer, and how to end it before. */
export interface PlacingSearch {
  readonly answer: Promise<Placement>;
  readonly end: () => void;
}

/** Places sessions in a worker of its own, which is ended with the search. */
export function askToPlace(input: PlacingInput, tell: (step: PlacingStep) => void): PlacingSearch {
  const worker = new Worker(new URL("./placing.worker.ts", import.meta.url), { type: "module" });
  const broken = new Promise<never>((_, fail) => {
    worker.onerror = ({ message }) => fail(new Error(message));
  });
  const answer = Promise.race([wrap<PlacingWorker>(worker).place(input, proxy(tell)), broken]);
  const end = (): void => worker.terminate();
  return { answer: answer.finally(end), end };
}
