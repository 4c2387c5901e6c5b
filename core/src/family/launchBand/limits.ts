import { type Flight, farthest } from "../flight.ts";
import { type Fling, flingSpeed } from "./fling.ts";

/** What flies, and from how high. */
export interface Flyer {
  readonly massKg: number;
  /** Diameter, m. */
  readonly acrossM: number;
  readonly heightM: number;
}

/** The farthest flight that the strongest build allowed can reckon on: η 0.8, nothing left at release, C_d 0.4. */
export function strongestFling(fling: Fling, { acrossM, heightM, massKg }: Flyer): Flight {
  const speed = flingSpeed({ ...fling, massKg, efficiency: 0.8, leftM: 0 });
  return farthest({ speed, massKg, acrossM, heightM, drag: 0.4 });
}

/** A distance that no fling of these bands passes, m: all of the energy of bands up to twice as stiff as listed (η 2), C_d 0.2. */
export function neverFlung(fling: Fling, { acrossM, heightM, massKg }: Flyer): number {
  const speed = flingSpeed({ ...fling, massKg, efficiency: 2, leftM: 0 });
  return farthest({ speed, massKg, acrossM, heightM, drag: 0.2 }).rangeM;
}
