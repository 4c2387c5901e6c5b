import { follow } from "../../numeric/ode.ts";
import { gravity } from "../physical.ts";

/** The ball: radius m, rolling resistance. */
export interface Ball {
  readonly radiusM: number;
  readonly resistance: number;
}

/** One piece of track; θ (`slope`) positive downhill, radians. `grip` is κ: 1 on a floor, less in a V or on rails. */
export type Segment =
  | { readonly kind: "slope"; readonly lengthM: number; readonly slope: number; readonly grip?: number }
  | {
      readonly kind: "curve";
      readonly radiusM: number;
      /** Angle turned. */
      readonly turn: number;
      readonly slope?: number;
      readonly bank?: number;
      readonly wallM: number;
      readonly grip?: number;
    }
  | { readonly kind: "drop"; readonly dropM: number; readonly keep?: number }
  | { readonly kind: "obstacle"; readonly keep?: number };

export interface Passed {
  readonly timeS: number;
  readonly speedOut: number;
  /** m from the segment's start; null when it passes. */
  readonly stallsAtM: number | null;
  /** [t, s, v] along it, for drawing. */
  readonly course: readonly (readonly [number, number, number])[];
}

const wallRub = 0.1;

/** Part of its weight's pull that speeds the ball up; the rest spins it. */
const energyPart = (grip: number): number => 1 / (1 + 0.4 / grip ** 2);

/** How long a ball takes over a segment and how fast it leaves it (time ×÷1.3, speed ×÷1.2, stalling distance ×÷1.5). */
export function passSegment(segment: Segment, speedIn: number, ball: Ball): Passed {
  switch (segment.kind) {
    case "slope":
      return passSlope(segment.lengthM, slopePush(segment.slope, segment.grip ?? 1, ball), speedIn);
    case "curve":
      return passCurve(segment, speedIn, ball);
    case "drop": {
      const timeS = Math.sqrt((2 * segment.dropM) / gravity);
      return {
        timeS,
        speedOut: (segment.keep ?? 0.5) * speedIn,
        stallsAtM: null,
        course: [
          [0, 0, speedIn],
          [timeS, 0, speedIn],
        ],
      };
    }
    case "obstacle":
      return { timeS: 0, speedOut: (segment.keep ?? 0.7) * speedIn, stallsAtM: null, course: [[0, 0, speedIn]] };
  }
}

/** Acceleration down a slope, m/s²: rolling, or sliding where it is too steep to grip. */
function slopePush(slope: number, grip: number, ball: Ball): number {
  if (Math.tan(slope) > 1.4) return gravity * (Math.sin(slope) - 0.4 * Math.cos(slope));
  return energyPart(grip) * gravity * (Math.sin(slope) - (ball.resistance / grip) * Math.cos(slope));
}

function passSlope(lengthM: number, push: number, speedIn: number): Passed {
  const square = speedIn ** 2 + 2 * push * lengthM;
  const along = (timeS: number): Passed["course"] =>
    Array.from({ length: 9 }, (_, i) => {
      const t = (timeS * i) / 8;
      return [t, speedIn * t + (push * t * t) / 2, Math.max(0, speedIn + push * t)] as const;
    });
  if (square > 0) {
    const speedOut = Math.sqrt(square);
    const timeS = (2 * lengthM) / (speedIn + speedOut);
    return { timeS, speedOut, stallsAtM: null, course: along(timeS) };
  }
  if (speedIn === 0 || push >= 0) return { timeS: 0, speedOut: 0, stallsAtM: 0, course: [[0, 0, 0]] };
  const timeS = speedIn / -push;
  return { timeS, speedOut: 0, stallsAtM: speedIn ** 2 / (2 * -push), course: along(timeS) };
}

function passCurve({ radiusM, turn, slope = 0, bank = 0, grip = 1 }: Segment & { kind: "curve" }, speedIn: number, ball: Ball): Passed {
  const lengthM = radiusM * turn;
  const q = energyPart(grip);
  const pull = gravity * (Math.sin(slope) - (ball.resistance / grip) * Math.cos(slope));
  const held = gravity * Math.tan(bank);
  if (speedIn === 0 && pull <= 0) return { timeS: 0, speedOut: 0, stallsAtM: 0, course: [[0, 0, 0]] };
  const { points, reached } = follow(
    (y, dy) => {
      const v = Math.max(0, y[1] ?? 0);
      dy[0] = y[1] ?? 0;
      dy[1] = q * (pull - wallRub * Math.max(0, (v * v) / radiusM - held));
    },
    [0, speedIn],
    { until: (y) => Math.min(lengthM - (y[0] ?? 0), (y[0] ?? 0) === 0 ? 1 : (y[1] ?? 0)), maxS: 120, maxStepS: 0.1, tolerance: 1e-10 },
  );
  const course = points.map(([t = 0, s = 0, v = 0]) => [t, s, Math.max(0, v)] as const);
  const [timeS, at, speed] = course.at(-1) ?? [0, 0, 0];
  const passed = reached && at >= lengthM * (1 - 1e-9);
  return { timeS, speedOut: passed ? speed : 0, stallsAtM: passed ? null : at, course };
}

/** Angle of the wall's top as the ball's middle sees it. */
const wallAngle = (wallM: number, ballM: number): number => (wallM < ballM ? Math.acos(1 - wallM / ballM) : Math.PI / 2);

/** Speed above which the ball climbs over the outer wall, m/s (×÷1.2); null: never. */
export function flyOffSpeed(radiusM: number, bank: number, wallM: number, ballM: number): number | null {
  const lean = bank + wallAngle(wallM, ballM);
  return lean >= Math.PI / 2 - 1e-12 ? null : Math.sqrt(gravity * radiusM * Math.tan(lean));
}

/** Height of wall that holds the ball at this speed, m. */
export function wallNeeded(speed: number, radiusM: number, bank: number, ballM: number): number {
  return ballM * (1 - Math.cos(Math.max(0, Math.atan(speed ** 2 / (gravity * radiusM)) - bank)));
}

/** Bank that holds the ball at this speed behind such a wall, radians. */
export function bankNeeded(speed: number, radiusM: number, wallM: number, ballM: number): number {
  return Math.max(0, Math.atan(speed ** 2 / (gravity * radiusM)) - wallAngle(wallM, ballM));
}
