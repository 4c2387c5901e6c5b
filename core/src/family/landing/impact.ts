import { gravity } from "../physical.ts";

/** How what crushes pushes back: evenly, or harder the farther it is pressed. */
export type Cushion = "even" | "springy";

/** Speed at first touch, no air drag, m/s: √(2 g h). */
export function touchSpeed(heightM: number): number {
  return Math.sqrt(2 * gravity * heightM);
}

/** Peak deceleration in units of g when stopping over `crushM` below first touch: h/s, or 2h/s + 1 (×÷2). */
export function peakG(heightM: number, crushM: number, cushion: Cushion): number {
  return cushion === "even" ? heightM / crushM : (2 * heightM) / crushM + 1;
}

/** Least crush that keeps a payload of tolerance `toleranceG` whole, m (×÷2). */
export function leastCrush(heightM: number, toleranceG: number, cushion: Cushion): number {
  return cushion === "even" ? heightM / toleranceG : (2 * heightM) / (toleranceG - 1);
}

/** Greatest drop that the crush makes good, m (×÷2). */
export function greatestDrop(crushM: number, toleranceG: number, cushion: Cushion): number {
  return cushion === "even" ? crushM * toleranceG : (crushM * (toleranceG - 1)) / 2;
}

/** How high a rider bounces above the cabin floor, m (×÷1.5): e² h. */
export function rebound(heightM: number, bounce: number): number {
  return bounce ** 2 * heightM;
}

/** True when the cabin wall is higher than the bounce. */
export function staysIn(heightM: number, bounce: number, wallM: number): boolean {
  return wallM > rebound(heightM, bounce);
}
