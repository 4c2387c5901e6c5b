import type { Flight } from "../flight.ts";
import { alongCourse, angleGrip, floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene } from "../shape.ts";

export interface LanePicture {
  readonly flight: Flight;
  readonly releaseM: number;
  readonly angle: number;
  readonly goalM: number;
  /** Half width of the target; null when the goal is distance alone. */
  readonly withinM: number | null;
  readonly laneM: number;
  readonly clearM: number;
  readonly band: readonly [low: number, high: number];
  readonly describe: string;
  /** What stands at the line. */
  readonly launcher: (foot: number) => readonly Mark[];
  readonly notes?: readonly Mark[];
}

/** A launch lane from the side: the arc, where it should land, the goal, and how far the lane must stay clear. */
export function laneScene(p: LanePicture): Scene {
  const reach = Math.max(p.flight.rangeM, p.goalM, p.band[1]);
  const back = reach * 0.1 + 0.15;
  const width = back + Math.max(reach * 1.12, Math.min(p.laneM, reach * 1.3));
  const high = Math.max(p.flight.apexM, p.releaseM) + reach * 0.14 + 0.1;
  const size = Math.max(0.012, reach * 0.012);
  const thick = reach * 0.012;
  const shifted = p.flight.path.map(([t, x, z]) => [t, back + x, z] as const);
  const laneEnd = Math.min(width - size, back + p.laneM);
  const atGoal = back + p.goalM;
  const ball = (x: number, y: number): Mark => ({ kind: "disc", role: "load", x, y: Math.max(size, y), r: size });
  return {
    width,
    height: high,
    describe: p.describe,
    marks: [
      ball(back, p.releaseM),
      { kind: "block", role: "lane", x: back, y: -thick, w: laneEnd - back, h: thick },
      floorMark(width, thick * 0.4),
      ...p.launcher(back),
      lineMark(
        "path",
        shifted.map(([, x, z]) => [x, z] as const),
      ),
      { kind: "block", role: "water", x: back + p.band[0], y: 0, w: Math.max(size, p.band[1] - p.band[0]), h: thick * 1.2 },
      lineMark("build", [
        [atGoal, 0],
        [atGoal, reach * 0.09],
      ]),
      {
        kind: "note",
        x: atGoal,
        y: reach * 0.1,
        words: p.withinM === null ? "goal {}" : "target at {}",
        fill: [[p.goalM, "length"]],
        anchor: "middle",
      },
      {
        kind: "note",
        x: back * 0.2,
        y: Math.max(p.flight.apexM, p.releaseM) + reach * 0.045,
        words: "lands at about {} after {}",
        fill: [
          [p.flight.rangeM, "length"],
          [p.flight.timeS, "time"],
        ],
        tone: "predicted",
        anchor: "start",
      },
      {
        kind: "note",
        x: back,
        y: 0,
        below: true,
        words: laneEnd < back + p.laneM - 0.01 ? "lane kept clear to {} →" : "lane kept clear to {}",
        fill: [[p.laneM, "length"]],
        anchor: "start",
      },
      ...(p.notes ?? []),
    ],
    grips: [
      lengthGrip("spec", "goalM", [atGoal, reach * 0.09], [1, 0]),
      angleGrip("design", "angle", [back, p.releaseM], reach * 0.13, p.angle, 1),
    ],
    motion: {
      durationS: p.flight.timeS + 0.25,
      told: {
        words: "It flies for {}, at its highest {} above the floor, and first touches {} away.",
        fill: [
          [p.flight.timeS, "time"],
          [p.flight.apexM, "length"],
          [p.flight.rangeM, "length"],
        ],
      },
      replaces: [0],
      at: (t) => {
        const [x = back, z = 0] = alongCourse(shifted, t);
        return [ball(x, z)];
      },
    },
  };
}
