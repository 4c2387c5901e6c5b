import { proxy, type Remote } from "comlink";
import { beside } from "./beside.ts";

/** A search under way: its answer, and how to end it before. */
export interface Search<Answer> {
  readonly answer: Promise<Answer>;
  readonly end: () => void;
}

/** Searches in a worker of its own, which is ended with the search; it may tell how far it is. */
export function searchBeside<Offers, Step, Answer>(
  worker: Worker,
  call: (remote: Remote<Offers>, tell: (step: Step) => void) => Promise<Answer>,
  tell: (step: Step) => void,
): Search<Answer> {
  const { run, end } = beside<Offers, (step: Step) => void, Answer>(worker, call);
  return { answer: run(proxy(tell)).finally(end), end };
}
