import { type CrateInput, certaintyCurve, type Tornado, tornadoOf } from "@lampcrate/core";
import { expose } from "comlink";

/** What moves the crate's cost, and what certainty costs. */
export interface Mattered {
  readonly tornado: Tornado;
  readonly curve: readonly (readonly [target: number, cost: number])[];
  readonly tookMs: number;
}

const targets = [0.5, 0.6, 0.7, 0.75, 0.8, 0.85, 0.875, 0.9, 0.925, 0.95, 0.96, 0.97, 0.98, 0.99, 0.995];

const matters = {
  of(input: CrateInput): Mattered {
    const from = performance.now();
    const tornado = tornadoOf(input);
    const curve = certaintyCurve(input, targets);
    return { tornado, curve, tookMs: performance.now() - from };
  },
};

export type MattersWorker = typeof matters;

expose(matters);
