import { gravity } from "../physical.ts";
import { type Ball, flyOffSpeed, type Passed, passSegment, type Segment } from "./segment.ts";

/** How a ball fares over a whole track. */
export interface Rolled {
  readonly timeS: number;
  readonly speedEnd: number;
  readonly finishes: boolean;
  /** Counted from 0; null when it finishes. */
  readonly stopSegment: number | null;
  /** m from that segment's start. */
  readonly stopAtM: number | null;
  readonly reason: "stall" | "fly-off" | null;
  readonly passed: readonly Passed[];
}

/** Rolls from rest through the segments in order; fly-off is tested at a curve's entry and exit. */
export function rollTrack(segments: readonly Segment[], ball: Ball): Rolled {
  let [timeS, speed] = [0, 0];
  const passed: Passed[] = [];
  for (const [index, segment] of segments.entries()) {
    const most = segment.kind === "curve" ? flyOffSpeed(segment.radiusM, segment.bank ?? 0, segment.wallM, ball.radiusM) : null;
    if (most !== null && speed > most) return stopped(timeS, speed, index, 0, "fly-off", passed);
    const over = passSegment(segment, speed, ball);
    passed.push(over);
    timeS += over.timeS;
    if (over.stallsAtM !== null) return stopped(timeS, 0, index, over.stallsAtM, "stall", passed);
    speed = over.speedOut;
    if (most !== null && speed > most) return stopped(timeS, speed, index, lengthOf(segment), "fly-off", passed);
  }
  return { timeS, speedEnd: speed, finishes: true, stopSegment: null, stopAtM: null, reason: null, passed };
}

function stopped(
  timeS: number,
  speedEnd: number,
  stopSegment: number,
  stopAtM: number,
  reason: "stall" | "fly-off",
  passed: readonly Passed[],
): Rolled {
  return { timeS, speedEnd, finishes: false, stopSegment, stopAtM, reason, passed };
}

/** Length along a segment, m; a drop has none. */
export function lengthOf(segment: Segment): number {
  if (segment.kind === "slope") return segment.lengthM;
  return segment.kind === "curve" ? segment.radiusM * segment.turn : 0;
}

/** How far a segment goes down, m; below 0 for a rise. */
export function descentOf(segment: Segment): number {
  switch (segment.kind) {
    case "slope":
      return segment.lengthM * Math.sin(segment.slope);
    case "curve":
      return segment.radiusM * segment.turn * Math.sin(segment.slope ?? 0);
    case "drop":
      return segment.dropM;
    case "obstacle":
      return 0;
  }
}

/**
 * Nothing that isn't pushed is faster, s: max(√(2H/g), S/√(2 g H)), H to the lowest point, S the track's length without
 * drops. Where H is only known to lie between two heights, the lower one bounds the fall, the higher one the speed.
 */
export function leastTime(fallM: number, lengthM: number, mostFallM = fallM): number {
  if (mostFallM <= 0) return 0;
  return Math.max(Math.sqrt((2 * Math.max(0, fallM)) / gravity), lengthM / Math.sqrt(2 * gravity * mostFallM));
}
