import type { Band } from "../band.ts";
import { gravity } from "../physical.ts";
import { alongCourse, floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene } from "../shape.ts";

export interface DrivePicture {
  readonly kind: "band" | "sail" | "gravity";
  readonly distance: Band | null;
  readonly goalM: number;
  readonly wheelM: number;
  readonly sailM: number;
  readonly rampM: number;
  readonly runM: number;
  readonly rolling: number;
  /** [t, x, v] of a sail cart. */
  readonly sailing: readonly (readonly [number, number, number])[] | null;
  readonly timeS: number | null;
  readonly footSpeed: number;
}

/** The lane from the side with the cart, where it should stop, and the goal. */
export function driveScene(p: DrivePicture): Scene {
  const far = p.distance?.mid ?? p.goalM;
  const reach = Math.max(p.distance?.high ?? 0, p.goalM, 0.5);
  const back = p.kind === "gravity" ? p.runM + 0.2 : reach * 0.1 + 0.2;
  const width = back + reach * 1.12;
  const size = Math.max(p.wheelM * 0.9, width * 0.022);
  const body = size * 3;
  const thick = width * 0.008;
  const course = courseOf(p, far).map(([t, x, y]) => [t, back + x, y] as const);
  const cart = (x: number, y: number): readonly Mark[] => [
    { kind: "block", role: "load", x: x - body, y: y + size * 0.55, w: body, h: size * 0.35 },
    { kind: "disc", role: "support", x: x - body * 0.82, y: y + size / 2, r: size / 2 },
    { kind: "disc", role: "support", x: x - body * 0.18, y: y + size / 2, r: size / 2 },
    ...(p.kind === "sail"
      ? [
          lineMark("build", [
            [x - body * 0.5, y + size * 0.9],
            [x - body * 0.5, y + size * 0.9 + Math.max(p.sailM, width * 0.05)],
          ]),
        ]
      : []),
  ];
  const start = course[0] ?? [0, back, 0];
  const last = course.at(-1) ?? start;
  const still = cart(start[1], start[2]);
  const atGoal = back + p.goalM;
  return {
    width,
    height: Math.max(p.kind === "gravity" ? p.rampM : 0, p.kind === "sail" ? p.sailM + size * 2 : 0, size * 3) + width * 0.12,
    describe: "The lane from the side: the cart at the line, the band in which it should stop, and the goal.",
    marks: [
      ...still,
      floorMark(width, thick),
      ...(p.kind === "gravity"
        ? [
            lineMark(
              "support",
              [
                [back - p.runM, 0],
                [back - p.runM, p.rampM],
                [back, 0],
              ],
              true,
            ),
          ]
        : []),
      ...(p.distance
        ? [
            {
              kind: "block",
              role: "water",
              x: back + p.distance.low,
              y: 0,
              w: Math.max(thick, p.distance.high - p.distance.low),
              h: thick * 1.4,
            } as const,
          ]
        : []),
      lineMark("build", [
        [atGoal, 0],
        [atGoal, width * 0.05],
      ]),
      { kind: "note", x: atGoal, y: 0, below: true, words: "goal {}", fill: [[p.goalM, "length"]], anchor: "middle" },
      ...(p.distance
        ? [
            {
              kind: "note",
              x: back + Math.min(far, reach) * 0.55,
              y: width * 0.09,
              words: "stops at about {}",
              fill: [[far, "length"]],
              tone: "predicted",
              anchor: "middle",
            } as const,
          ]
        : [
            {
              kind: "note",
              x: back + p.goalM * 0.5,
              y: width * 0.09,
              ...(p.timeS === null ? { words: "does not get there" } : { words: "there after {}", fill: [[p.timeS, "time"] as const] }),
              tone: "predicted",
              anchor: "middle",
            } as const,
          ]),
    ],
    grips: [
      lengthGrip("spec", "goalM", [atGoal, width * 0.05], [1, 0]),
      ...(p.kind === "gravity" ? [lengthGrip("spec", "rampM", [back - p.runM, p.rampM], [0, 1])] : []),
    ],
    motion: {
      durationS: Math.max(0.3, last[0]) + 0.3,
      told: {
        words: "It goes {} in {}.",
        fill: [
          [Math.max(0, last[1] - back), "length"],
          [last[0], "time"],
        ],
      },
      replaces: still.map((_, i) => i),
      at: (t) => {
        const [x = back, y = 0] = alongCourse(course, t);
        return cart(x, y);
      },
    },
  };
}

/** [t, x, y]: x from the line. A band gives its work over a third of the way; then, as after a ramp, it coasts to a stop. */
function courseOf(p: DrivePicture, far: number): readonly (readonly [number, number, number])[] {
  if (p.sailing) return p.sailing.map(([t, x]) => [t, x, 0] as const);
  const slow = p.rolling * gravity;
  if (p.kind === "band") {
    const pushed = far / 3;
    const top = Math.sqrt(2 * slow * (far - pushed));
    const pushS = top > 0 ? (2 * pushed) / top : 0;
    return coast(
      pushS,
      pushed,
      top,
      slow,
      Array.from({ length: 9 }, (_, i) => [(pushS * i) / 8, pushed * (i / 8) ** 2, 0] as const),
    );
  }
  const length = Math.hypot(p.runM, p.rampM);
  const downS = p.footSpeed > 0 ? (2 * length) / p.footSpeed : 0;
  const down = Array.from({ length: 9 }, (_, i) => {
    const part = (i / 8) ** 2;
    return [(downS * i) / 8, -p.runM * (1 - part), p.rampM * (1 - part)] as const;
  });
  const coastSlow = far > 0 ? p.footSpeed ** 2 / (2 * far) : slow;
  return coast(downS, 0, p.footSpeed, coastSlow, down);
}

function coast(
  fromS: number,
  fromM: number,
  speed: number,
  slow: number,
  before: readonly (readonly [number, number, number])[],
): readonly (readonly [number, number, number])[] {
  const whole = speed / slow;
  return [
    ...before,
    ...Array.from({ length: 12 }, (_, i) => {
      const t = (whole * (i + 1)) / 12;
      return [fromS + t, fromM + speed * t - (slow * t * t) / 2, 0] as const;
    }),
  ];
}
