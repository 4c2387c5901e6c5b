/** Bands pulled back and let go. */
export interface Fling {
  readonly bands: number;
  /** Stiffness of one, N/m. */
  readonly stiffness: number;
  /** Stretch beyond slack, m. */
  readonly stretchM: number;
  /** Stretch still left at release, m. */
  readonly leftM?: number;
  readonly massKg: number;
  /** Cup and a third of a hinged arm, kg. */
  readonly armKg?: number;
  /** Part of the energy that goes into the flight. */
  readonly efficiency?: number;
}

export const usualArmKg = 0.0015;

/** Speed at release, m/s (×÷1.25): √(η n k (x² − x₀²)/(m + m_arm)). */
export function flingSpeed({ bands, stiffness, stretchM, leftM = 0, massKg, armKg = usualArmKg, efficiency = 0.5 }: Fling): number {
  return Math.sqrt(Math.max(0, efficiency * bands * stiffness * (stretchM ** 2 - leftM ** 2)) / (massKg + armKg));
}

/** Bands that will snap over so many launches: 0.04 each a launch. */
export function bandsSnapped(bands: number, launches: number): number {
  return 0.04 * bands * launches;
}
