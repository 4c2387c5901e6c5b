import { type Flight, farthest } from "../flight.ts";
import { pressures, puffSpeed, type Source } from "./puff.ts";

/** A rocket on its tube, as far as its reach depends on it. SI. */
export interface Rocket {
  readonly source: Source;
  readonly tubeM: number;
  readonly overlapM: number;
  readonly massKg: number;
  /** Outside diameter of the body. */
  readonly bodyM: number;
  readonly heightM: number;
}

const reach = ({ tubeM, overlapM, massKg, bodyM, heightM }: Rocket, pressure: number, efficiency: number, drag: number): Flight =>
  farthest({ speed: puffSpeed({ pressure, tubeM, overlapM, massKg, efficiency }), massKg, acrossM: bodyM, heightM, drag });

/** The farthest flight to reckon on: pressure at the top of its range, η 0.6, C_d 0.4. */
export function strongestPuff(rocket: Rocket): Flight {
  return reach(rocket, pressures[rocket.source].top, 0.6, 0.4);
}

/** A distance that no puff passes, m: all the energy of 20 kPa of breath or 150 kPa of a stomp, C_d 0.2. */
export function neverPuffed(rocket: Rocket): number {
  return reach(rocket, pressures[rocket.source].never, 1, 0.2).rangeM;
}
