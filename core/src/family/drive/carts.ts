import { follow } from "../../numeric/ode.ts";
import { airDensity, gravity } from "../physical.ts";

/** Good, usual, poor: 0.02, 0.05, 0.1. */
export const usualRolling = 0.05;

/** A cart driven by bands wound on its axle. */
export interface BandCart {
  readonly bands: number;
  readonly stiffness: number;
  readonly turns: number;
  readonly axleM: number;
  readonly massKg: number;
  /** The band's greatest stretch, m. */
  readonly mostM: number;
  readonly rolling?: number;
  readonly efficiency?: number;
}

/** Stretch of the bands, m: turns · π d, at most what they bear. */
export function woundStretch({ turns, axleM, mostM }: Pick<BandCart, "turns" | "axleM" | "mostM">): number {
  return Math.min(turns * Math.PI * axleM, mostM);
}

/** Distance of a band cart, m (×÷2): η n ½ k x²/(C_rr m g). */
export function bandDistance(cart: BandCart): number {
  const { bands, stiffness, massKg, rolling = usualRolling, efficiency = 0.4 } = cart;
  return (efficiency * bands * 0.5 * stiffness * woundStretch(cart) ** 2) / (rolling * massKg * gravity);
}

/** True when the wheels spin: the band's pull at the rim passes the grip. */
export function wheelsSlip(cart: BandCart, wheelM: number, friction = 0.4, share = 0.5): boolean {
  return (cart.bands * cart.stiffness * woundStretch(cart) * cart.axleM) / wheelM > friction * share * cart.massKg * gravity;
}

/** A cart pushed by wind. */
export interface SailCart {
  /** Wind at the start, m/s. */
  readonly wind: number;
  /** Distance over which a fan's wind halves, m; null: steady wind. */
  readonly fanM: number | null;
  readonly areaM2: number;
  readonly massKg: number;
  readonly drag?: number;
  readonly rolling?: number;
}

const wheelsPart = 0.1;
const pushOf = ({ areaM2, drag = 1.2 }: SailCart): number => 0.5 * airDensity * drag * areaM2;
const holdOf = ({ massKg, rolling = usualRolling }: SailCart): number => rolling * massKg * gravity;

/** True when the wind overcomes half as much again as rolling. */
export function sailStarts(cart: SailCart): boolean {
  return pushOf(cart) * cart.wind ** 2 > 1.5 * holdOf(cart);
}

/** Speed it settles to in a steady wind, m/s (×÷1.3). */
export function terminalSail(cart: SailCart): number {
  return Math.max(0, cart.wind - Math.sqrt(holdOf(cart) / pushOf(cart)));
}

/** How a sail cart goes: [t, x, v] until it creeps or comes to the end of the track. */
export interface Sailed {
  readonly stopM: number | null;
  readonly timeS: number | null;
  readonly course: readonly (readonly [number, number, number])[];
}

/**
 * From rest: (1 + j) m v′ = ½ρ C_d A (u − v)|u − v| − C_rr m g, u(x) = u₀/(1 + x/x_f). Ends where v has fallen back to
 * 0.02 m/s, or never reached it (`stopM`, ×÷2), or at `trackM` (`timeS`, ×÷1.5).
 */
export function sail(cart: SailCart, trackM?: number): Sailed {
  const push = pushOf(cart);
  const hold = holdOf(cart);
  const inertia = (1 + wheelsPart) * cart.massKg;
  const wind = (x: number): number => (cart.fanM === null ? cart.wind : cart.wind / (1 + x / cart.fanM));
  if (push * cart.wind ** 2 <= hold) return { stopM: 0, timeS: null, course: [[0, 0, 0]] };
  let moving = false;
  const { points, reached } = follow(
    (y, dy) => {
      const [x = 0, v = 0] = [y[0], y[1]];
      const slip = wind(x) - v;
      dy[0] = v;
      dy[1] = (push * slip * Math.abs(slip) - hold) / inertia;
    },
    [0, 0],
    {
      until: (y) => {
        const [x = 0, v = 0] = [y[0], y[1]];
        const slip = wind(x) - v;
        if (v > 0.02) moving = true;
        const slowing = push * slip * Math.abs(slip) < hold;
        const creeping = moving && slowing ? v - 0.02 : 1;
        return Math.min(trackM === undefined ? 1 : trackM - x, creeping);
      },
      maxS: 240,
      maxStepS: 0.5,
      tolerance: 1e-8,
    },
  );
  const course = points.map(([t = 0, x = 0, v = 0]) => [t, x, Math.max(0, v)] as const);
  const [t, x, v] = course.at(-1) ?? [0, 0, 0];
  const arrived = trackM !== undefined && x >= trackM * (1 - 1e-9);
  // One that never goes faster than a creep stops where it has crept to.
  const stopped = !arrived && (reached || v <= 0.02);
  return { stopM: stopped ? x : null, timeS: arrived ? t : null, course };
}

/** Speed at the foot of a ramp, m/s: √(2 g (h − C_rr run)/(1 + j)). */
export function footSpeed(heightM: number, runM: number, rolling = usualRolling): number {
  return Math.sqrt(Math.max(0, (2 * gravity * (heightM - rolling * runM)) / (1 + wheelsPart)));
}

/** Distance beyond the foot, m (×÷1.5): h/C_rr − run, never below 0. */
export function rampDistance(heightM: number, runM: number, rolling = usualRolling): number {
  return Math.max(0, heightM / rolling - runM);
}
