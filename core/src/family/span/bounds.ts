import { gravity } from "../physical.ts";

/** No structure of this much material holds more, N: 2 σ_t V / L (2 for spread). */
export function greatestLoad(tensilePa: number, volumeM3: number, gapM: number): number {
  return (2 * tensilePa * volumeM3) / gapM;
}

/** The same as a mass, kg. */
export function greatestLoadKg(tensilePa: number, volumeM3: number, gapM: number): number {
  return greatestLoad(tensilePa, volumeM3, gapM) / gravity;
}
