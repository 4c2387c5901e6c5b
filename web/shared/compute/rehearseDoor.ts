import type { Advice, AdviceAsked, DropIn, FloorDay } from "@lampcrate/core";
import { beside } from "./beside.ts";
import { LatestDoor } from "./latestDoor.ts";
import type { Rehearsed, RehearseInput, RehearseWorker, Replayed, ReplayInput } from "./rehearse.worker.ts";
import { type Search, searchBeside } from "./search.ts";

const open = (): Worker => new Worker(new URL("./rehearse.worker.ts", import.meta.url), { type: "module" });

/** The door to the worker that rehearses a day. */
export function rehearseDoor(): LatestDoor<RehearseInput, Rehearsed> {
  return new LatestDoor(() => beside<RehearseWorker, RehearseInput, Rehearsed>(open(), (remote, input) => remote.rehearse(input)));
}

/** The door to the worker that plays a typical day again. */
export function replayDoor(): LatestDoor<ReplayInput, Replayed> {
  return new LatestDoor(() => beside<RehearseWorker, ReplayInput, Replayed>(open(), (remote, input) => remote.replay(input)));
}

/** A day as counted ones have it, in a worker of its own: who left is held against many simulated days. */
export function askCounted(past: readonly FloorDay[], day: DropIn, seed: string): Search<Partial<DropIn>> {
  return searchBeside<RehearseWorker, never, Partial<DropIn>>(
    open(),
    (remote) => remote.asCounted(past, day, seed),
    () => undefined,
  );
}

/** Asks the adviser in a worker of its own. */
export function askAdviser(asked: AdviceAsked, seed: string, tell: (part: number) => void): Search<Advice> {
  return searchBeside<RehearseWorker, number, Advice>(open(), (remote, told) => remote.advise(asked, seed, told), tell);
}
