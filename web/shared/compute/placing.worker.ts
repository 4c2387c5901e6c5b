import {
  type HeldHouse,
  type HeldSession,
  type PlaceAsked,
  type Placement,
  type PlacingStep,
  placeSteps,
  wantedPlacing,
} from "@lampcrate/core";
import { expose } from "comlink";
import { solver } from "./solver.ts";

/** What is to be placed, in which house, beside what stands. */
export interface PlacingInput {
  readonly asked: PlaceAsked;
  readonly house: HeldHouse;
  readonly standing: readonly HeldSession[];
}

const placing = {
  /** Searches to the end, and tells before each step what it looks for. */
  async place({ asked, house, standing }: PlacingInput, tell: (step: PlacingStep) => unknown): Promise<Placement> {
    const solve = await solver();
    const search = placeSteps(wantedPlacing(asked, house, standing).placing, solve);
    for (;;) {
      const step = search.next();
      if (step.done) return step.value;
      await tell(step.value);
    }
  },
};

export type PlacingWorker = typeof placing;

expose(placing);
