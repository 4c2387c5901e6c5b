import { normalQuantile } from "../../random/normal.ts";

/** 90th percentile of the standard normal. */
const z90 = 1.2815516;

/**
 * The median strength of the weakest of n joints, as a share of the middle joint's: 8 of 10 joints lie within ×÷ `factor`,
 * log-normal (order statistics: the least of n is below x where not all are above it).
 */
export function weakestShare(joints: number, factor: number): number {
  return Math.exp((normalQuantile(1 - 0.5 ** (1 / joints)) * Math.log(factor)) / z90);
}

/** Joints of a frame that bear the most when it is loaded in the middle: the loaded node, its neighbours, and the chord above. */
export const bearingJoints = 4;

/** How much one joint differs from the next: ×÷3 for 8 of 10. */
export const jointFactor = 3;

/** How much one strut differs from the next, bent and nicked as they come out of the box: ×÷1.6 for 8 of 10. Our own guess, as is the number that bears. */
export const strutFactor = 1.6;
