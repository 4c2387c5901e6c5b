import { waterDensity } from "../physical.ts";

/** Density against water, and what it will do: between 0.95 and 1.05 nobody can tell. */
export function floats(massKg: number, outerM3: number): { readonly ratio: number; readonly says: "floats" | "sinks" | "cannot tell" } {
  const ratio = massKg / outerM3 / waterDensity;
  return { ratio, says: ratio < 0.95 ? "floats" : ratio > 1.05 ? "sinks" : "cannot tell" };
}
