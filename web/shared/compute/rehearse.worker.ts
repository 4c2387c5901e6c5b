import {
  type Advice,
  type AdviceAsked,
  advising,
  type DropIn,
  type DropInReport,
  dayAsCounted,
  type FloorDay,
  type Replay,
  rehearse,
  replayTypical,
  seedOf,
} from "@lampcrate/core";
import { expose } from "comlink";

/** A day to be rehearsed, and one held beside it, against the same arrivals. */
export interface RehearseInput {
  readonly day: DropIn;
  readonly beside: DropIn | null;
  readonly days: number;
  readonly seed: string;
}

export interface Rehearsed {
  readonly report: DropInReport;
  readonly beside: DropInReport | null;
  readonly tookMs: number;
}

/** A day of which one is to be played again. */
export type ReplayInput = Pick<RehearseInput, "day" | "days" | "seed">;

export interface Replayed extends Replay {
  readonly tookMs: number;
}

const floor = {
  rehearse({ day, beside, days, seed }: RehearseInput): Rehearsed {
    const from = performance.now();
    const of = (one: DropIn): DropInReport => rehearse(one, days, seedOf(seed, "drop-in"));
    const report = of(day);
    return { report, beside: beside && of(beside), tookMs: performance.now() - from };
  },

  /** A day as days that were counted on the floor have it. */
  asCounted(past: readonly FloorDay[], day: DropIn, seed: string): Partial<DropIn> {
    return dayAsCounted(past, day, seedOf(seed, "drop-in"));
  },

  /** The most ordinary of so many days, move by move. */
  replay({ day, days, seed }: ReplayInput): Replayed {
    const from = performance.now();
    return { ...replayTypical(day, days, seedOf(seed, "drop-in")), tookMs: performance.now() - from };
  },

  /** Searches to the end, and tells now and then how far it is. */
  async advise(asked: AdviceAsked, seed: string, tell: (part: number) => unknown): Promise<Advice> {
    const search = advising(asked, seedOf(seed, "drop-in"));
    let told = 0;
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
      if (performance.now() - told < 100) continue;
      told = performance.now();
      await tell(step.value.tried / step.value.of);
    }
  },
};

export type RehearseWorker = typeof floor;

expose(floor);
