import { follow } from "../numeric/ode.ts";
import { airDensity, gravity } from "./physical.ts";

/** Something thrown: angles in radians above level, lengths in m, speeds in m/s. */
export interface Throw {
  readonly speed: number;
  readonly angle: number;
  /** Release height above the landing floor, m. */
  readonly heightM: number;
  readonly massKg: number;
  /** Diameter that meets the air, m. */
  readonly acrossM: number;
  readonly drag: number;
}

export interface Flight {
  /** Where it first touches, m. */
  readonly rangeM: number;
  readonly apexM: number;
  readonly timeS: number;
  /** [t, x, z] along the way. */
  readonly path: readonly (readonly [number, number, number])[];
}

interface Fineness {
  readonly maxStepS: number;
  readonly tolerance: number;
}

/** Fine enough to draw, and to look for the best angle: either is well below a millimetre of range. */
const smooth: Fineness = { maxStepS: 0.05, tolerance: 1e-9 };
const searching: Fineness = { maxStepS: 1, tolerance: 1e-7 };

/**
 * Flight with quadratic drag until it first touches the floor: x″ = −c|v|v_x, z″ = −g − c|v|v_z, c = ρ C_d A/(2m),
 * adaptive steps. Range ×÷1.5, apex ×÷1.6, time ×÷1.3 for a flung ball.
 */
export function fly({ speed, angle, heightM, massKg, acrossM, drag }: Throw, fine: Fineness = smooth): Flight {
  const c = (airDensity * drag * Math.PI * acrossM ** 2) / 4 / (2 * massKg);
  const start = [0, heightM, speed * Math.cos(angle), speed * Math.sin(angle)];
  if (heightM <= 0 && (start[3] ?? 0) <= 0) return { rangeM: 0, apexM: heightM, timeS: 0, path: [[0, 0, heightM]] };
  const { points } = follow(
    (y, dy) => {
      const [vx = 0, vz = 0] = [y[2], y[3]];
      const cv = c * Math.sqrt(vx * vx + vz * vz);
      dy[0] = vx;
      dy[1] = vz;
      dy[2] = -cv * vx;
      dy[3] = -gravity - cv * vz;
    },
    start,
    // A level throw starts at 0 and rises first: below the floor only counts on the way down.
    { until: (y) => ((y[3] ?? 0) > 0 ? 1 : (y[1] ?? 0)), maxS: 60, ...fine },
  );
  const path = points.map(([t = 0, x = 0, z = 0]) => [t, x, z] as const);
  const [timeS, rangeM] = path.at(-1) ?? [0, 0];
  return { rangeM: Math.max(0, rangeM), timeS, apexM: Math.max(heightM, apexOf(points, heightM)), path };
}

/** Highest point: between the two steps around it the vertical speed falls evenly, nearly. */
function apexOf(points: readonly (readonly number[])[], heightM: number): number {
  for (let i = 1; i < points.length; i += 1) {
    const [t0 = 0, , z0 = 0, , v0 = 0] = points[i - 1] ?? [];
    const [t1 = 0, , z1 = 0, , v1 = 0] = points[i] ?? [];
    if (v0 > 0 && v1 <= 0) return hermiteTop(t1 - t0, z0, v0, z1, v1);
  }
  return heightM;
}

/** Greatest value of the cubic through two heights and their speeds. */
function hermiteTop(h: number, z0: number, v0: number, z1: number, v1: number): number {
  const at = (u: number): number =>
    (1 + 2 * u) * (1 - u) ** 2 * z0 + u * (1 - u) ** 2 * h * v0 + u * u * (3 - 2 * u) * z1 + u * u * (u - 1) * h * v1;
  const speed = (u: number): number => 6 * u * (u - 1) * (z0 - z1) + (1 - u) * (1 - 3 * u) * h * v0 + u * (3 * u - 2) * h * v1;
  let [low, high] = [0, 1];
  for (let i = 0; i < 50; i += 1) {
    const half = (low + high) / 2;
    if (speed(half) > 0) low = half;
    else high = half;
  }
  return at((low + high) / 2);
}

/** Range without air, m: (v cosθ/g)(v sinθ + √(v² sin²θ + 2 g h₀)). */
export function vacuumRange(speed: number, angle: number, heightM: number): number {
  const up = speed * Math.sin(angle);
  return ((speed * Math.cos(angle)) / gravity) * (up + Math.sqrt(up * up + 2 * gravity * heightM));
}

/** The farthest flight over 0° to 75° in whole degrees: range rises to one best angle and falls after it, so the middle third is kept. */
export function farthest(thrown: Omit<Throw, "angle">): Flight {
  const known = new Map<number, Flight>();
  const at = (degrees: number): Flight => {
    const flight = known.get(degrees) ?? fly({ ...thrown, angle: (degrees * Math.PI) / 180 }, searching);
    known.set(degrees, flight);
    return flight;
  };
  let [low, high] = [0, 75];
  while (high - low > 3) {
    const third = Math.floor((high - low) / 3);
    if (at(low + third).rangeM < at(high - third).rangeM) low += third;
    else high -= third;
  }
  let best = at(low);
  for (let degrees = low + 1; degrees <= high; degrees += 1) if (at(degrees).rangeM > best.rangeM) best = at(degrees);
  return best;
}

/** A launch lane from the farthest flight: 1.5 × its range long, a quarter of it to each side, its apex and half a metre high. */
export function laneOf(flight: Pick<Flight, "rangeM" | "apexM">): {
  readonly lengthM: number;
  readonly halfWidthM: number;
  readonly clearHeightM: number;
} {
  return { lengthM: 1.5 * flight.rangeM, halfWidthM: 0.25 * flight.rangeM, clearHeightM: flight.apexM + 0.5 };
}
