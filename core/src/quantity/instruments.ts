import type { Dimension } from "./units.ts";

/** What measured a trial. */
export interface Instrument {
  readonly id: string;
  readonly words: string;
  readonly dimension: Dimension;
  /** Smallest step it shows, SI. */
  readonly resolution: number;
  /** Spread of one reading, SI. */
  readonly sigma: number;
  /** sd by which bounds yield in the builder's favour, SI. */
  readonly boundSd: number;
}

/** The instruments of the model, with resolution, spread and the sd used in bounds. */
export const instruments: readonly Instrument[] = [
  { id: "hand stopwatch", words: "stopwatch by hand", dimension: "time", resolution: 0.01, sigma: 0.12, boundSd: 0.12 },
  { id: "frame count", words: "frames of a film", dimension: "time", resolution: 1 / 60, sigma: 1 / 60 / Math.sqrt(12), boundSd: 0.02 },
  { id: "tape", words: "tape measure", dimension: "length", resolution: 0.005, sigma: 0.005, boundSd: 0.02 },
  { id: "ruler", words: "ruler", dimension: "length", resolution: 0.001, sigma: 0.001, boundSd: 0.002 },
  { id: "kitchen scale", words: "kitchen scale", dimension: "mass", resolution: 0.001, sigma: 0.001, boundSd: 0.001 },
  { id: "pocket scale", words: "pocket scale", dimension: "mass", resolution: 0.0001, sigma: 0.0001, boundSd: 0.0001 },
  { id: "bathroom scale", words: "bathroom scale", dimension: "mass", resolution: 0.1, sigma: 0.1, boundSd: 0.1 },
  { id: "token count", words: "counted one by one", dimension: "count", resolution: 1, sigma: 0, boundSd: 0 },
];

/** An instrument by its id; null when we know none of that name. */
export function instrumentById(id: string): Instrument | null {
  return instruments.find((instrument) => instrument.id === id) ?? null;
}
