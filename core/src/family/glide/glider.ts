import { gravity } from "../physical.ts";

export type GliderKind = "dart" | "wide";

/** Metres forward for each metre down, and gliding speed of 5 g, m/s. */
const gliders: Readonly<Record<GliderKind, { readonly glide: number; readonly speed: number }>> = {
  dart: { glide: 4, speed: 4 },
  wide: { glide: 6.3, speed: 2.5 },
};

export interface GlideThrow {
  readonly kind: GliderKind;
  readonly heightM: number;
  /** m/s */
  readonly speed: number;
  readonly massKg?: number;
}

/** Speed at which it glides, m/s: as for 5 g, × √(m/0.005). */
export function glidingSpeed({ kind, massKg = 0.005 }: Pick<GlideThrow, "kind" | "massKg">): number {
  return gliders[kind].speed * Math.sqrt(massKg / 0.005);
}

/** Height the glide starts from, m: half of a surplus of speed is lost to the swoop; a slow throw dives first. */
export function effectiveHeight(thrown: GlideThrow): number {
  const surplus = (thrown.speed ** 2 - glidingSpeed(thrown) ** 2) / (2 * gravity);
  return Math.max(0, thrown.heightM + (surplus >= 0 ? 0.5 * surplus : surplus));
}

/** Distance, m (×÷1.5). */
export function glideRange(thrown: GlideThrow): number {
  return gliders[thrown.kind].glide * effectiveHeight(thrown);
}

/** Time aloft, s (×÷1.5). */
export function glideTime(thrown: GlideThrow): number {
  return (effectiveHeight(thrown) * Math.sqrt(1 + gliders[thrown.kind].glide ** 2)) / glidingSpeed(thrown);
}

/** Room that the throw asks for, m: 1.2 × the high range, 0.3 of it to each side, and the height of the swoop. */
export function glideLane(thrown: GlideThrow): { readonly lengthM: number; readonly halfWidthM: number; readonly clearHeightM: number } {
  const high = glideRange(thrown) * 1.5;
  return { lengthM: 1.2 * high, halfWidthM: 0.3 * high, clearHeightM: thrown.heightM + thrown.speed ** 2 / (4 * gravity) + 0.5 };
}
