/** A rocket pushed off a tube by air. */
export interface Puff {
  /** Gauge pressure, Pa. */
  readonly pressure: number;
  /** Outside diameter of the launch tube: what the air pushes on, m. */
  readonly tubeM: number;
  /** Length of tube inside the rocket, m. */
  readonly overlapM: number;
  readonly massKg: number;
  readonly efficiency?: number;
}

export type Source = "breath" | "stomp";

/** Usual pressure, top of its range and what nobody passes, Pa. */
export const pressures: Readonly<Record<Source, { readonly usual: number; readonly top: number; readonly never: number }>> = {
  breath: { usual: 6500, top: 8000, never: 20_000 },
  stomp: { usual: 30_000, top: 40_000, never: 150_000 },
};

/** Speed as it leaves the tube, m/s (×÷1.4): √(2 p A L η/m). */
export function puffSpeed({ pressure, tubeM, overlapM, massKg, efficiency = 0.45 }: Puff): number {
  return Math.sqrt((2 * pressure * Math.PI * tubeM ** 2 * overlapM * efficiency) / (4 * massKg));
}
