import type { Advice, AdviceAsked } from "@lampcrate/core";
import { proxy, wrap } from "comlink";
import { beside } from "./beside.ts";
import { LatestDoor } from "./latestDoor.ts";
import type { Rehearsed, RehearseInput, RehearseWorker, Replayed, ReplayInput } from "./rehearse.worker.ts";

const open = (): Worker => new Worker(new URL("./rehearse.worker.ts", import.meta.url), { type: "module" });

/** The door to the worker that rehearses a day. */
export function rehearseDoor(): LatestDoor<RehearseInput, Rehearsed> {
  return new LatestDoor(() => beside<RehearseWorker, RehearseInput, Rehearsed>(open(), (remote, input) => remote.rehearse(input)));
}

/** The door to the worker that plays a typical day again. */
export function replayDoor(): LatestDoor<ReplayInput, Replayed> {
  return new LatestDoor(() => beside<RehearseWorker, ReplayInput, Replayed>(open(), (remote, input) => remote.replay(input)));
}

/** A search of the adviser's under way: its answer, and how to end it before. */
export interface Advising {
  readonly answer: Promise<Advice>;
  readonly end: () => void;
}

/** Asks the adviser in a worker of its own, which is ended with the search. */
export function askAdviser(asked: AdviceAsked, seed: string, tell: (part: number) => void): Advising {
  const worker = open();
  const answer = wrap<RehearseWorker>(worker).advise(asked, seed, proxy(tell));
  const end = (): void => worker.terminate();
  return { answer: answer.finally(end), end };
}
