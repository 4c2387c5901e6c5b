import { advise, type DropIn, usualPrices } from "@lampcrate/core";
import { tallyOf } from "../../core/src/floor/rehearse.ts";

const takes = (meanMin: number, cv: number) => ({ meanMin, cv, shape: "log-normal" as const });

/** A Saturday of about 150 builders, each alone: seats and rigs both press. */
const saturday: DropIn = {
  expectedParties: 56,
  weights: [1, 2, 3, 4, 5, 6, 6, 5, 4, 4, 4, 5, 5, 5, 4, 3, 2, 1],
  partySizeShares: [0.15, 0.35, 0.25, 0.17, 0.05, 0.03],
  unit: "builder",
  lastEntryMin: 270,
  closingMin: 300,
  graceMin: 15,
  seats: 40,
  kits: 180,
  hosts: 2,
  rigs: 3,
  patienceMeanMin: 12,
  welcome: takes(4, 0.4),
  build: takes(18, 0.35),
  trials: 3,
  trial: takes(0.7, 0.5),
  rebuildChance: 0.5,
  mostRebuilds: 2,
  rebuildFraction: 0.4,
};

/** Simulated days a second, and how long the adviser takes over 4 × 6 × 4 rooms of which none will do. */
export function benchFloor(): { readonly daysPerS: number; readonly adviseS: number } {
  tallyOf(saturday, 500, 1);
  const from = performance.now();
  const days = 3000;
  tallyOf(saturday, days, 2);
  const daysPerS = (1000 * days) / (performance.now() - from);
  const asked = {
    day: saturday,
    bounds: { seats: { from: 16, to: 28, step: 4 }, rigs: { from: 1, to: 6 }, hosts: { from: 1, to: 4 } },
    prices: usualPrices,
    targets: [
      { what: "rigWait" as const, minutes: 5, atLeast: 0.9 },
      { what: "turnedAway" as const, atMost: 0.02 },
    ],
  };
  const asking = performance.now();
  advise(asked, 3);
  return { daysPerS, adviseS: (performance.now() - asking) / 1000 };
}
