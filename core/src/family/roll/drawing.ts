import { alongCourse, angleGrip, floorMark, lineMark } from "../scene.ts";
import type { Grip, Mark, Scene, Told } from "../shape.ts";
import type { Part } from "./layout.ts";
import { descentOf, lengthOf, type Rolled } from "./track.ts";

type Point = readonly [number, number];

interface Laid {
  readonly from: Point;
  readonly to: Point;
}

/**
 * The track unrolled from the side: level run to the right, height up; curves and spirals are drawn as long as the
 * ball's path, so that every length is true.
 */
export function rollScene(parts: readonly Part[], rolled: Rolled, ballM: number, verdict: Told): Scene {
  const laid: Laid[] = [];
  let at: Point = [0, 0];
  for (const { segment } of parts) {
    const down = descentOf(segment);
    const along = Math.sqrt(Math.max(0, lengthOf(segment) ** 2 - (segment.kind === "drop" ? 0 : down ** 2)));
    const to: Point = [at[0] + (segment.kind === "obstacle" ? ballM * 4 : along), at[1] - down];
    laid.push({ from: at, to });
    at = to;
  }
  const lowest = Math.min(0, ...laid.map((piece) => piece.to[1]));
  const level = Math.max(at[0], 0.2);
  const edge = level * 0.1 + 0.05;
  const cup = Math.max(0.06, ballM * 4);
  const lift = cup * 0.9 - lowest;
  const shift = ([x, y]: Point): Point => [edge + x, lift + y];
  const width = level + 2 * edge + cup;
  const end = shift(at);
  const size = Math.max(ballM, width * 0.012);
  const course = courseOf(laid, rolled).map(([t, x, y]) => [t, ...shift([x, y])] as const);
  const last = course.at(-1) ?? [0, edge, lift];
  const ball = (x: number, y: number): Mark => ({ kind: "disc", role: "load", x, y: y + size, r: size });
  const stop = rolled.finishes ? null : ([last[1], last[2]] as const);
  return {
    width,
    height: lift + width * 0.1 + 0.08,
    describe: "The track unrolled from the side, its parts in order, down to the cup.",
    marks: [
      ball(edge, lift),
      floorMark(width, width * 0.008),
      ...parts.flatMap((part, i) => pieceMarks(part, laid[i] ?? { from: [0, 0], to: [0, 0] }, shift, i, width)),
      {
        kind: "path",
        role: "tub",
        points: [
          [end[0] + cup * 0.1, cup * 0.7],
          [end[0] + cup * 0.2, 0],
          [end[0] + cup * 0.8, 0],
          [end[0] + cup * 0.9, cup * 0.7],
        ],
      },
      { kind: "measure", from: [edge * 0.45, lift + lowest], to: [edge * 0.45, lift], valueSi: -lowest },
      {
        kind: "note",
        x: width * 0.52,
        y: lift + width * 0.06,
        words: verdict.words,
        fill: verdict.fill,
        tone: "predicted",
        anchor: "middle",
      },
      ...(stop ? [{ kind: "disc", role: "support", x: stop[0], y: stop[1] + size, r: size * 1.6 } as const] : []),
    ],
    grips: parts.flatMap((part, i) => slopeGrip(part, laid[i], shift)),
    motion: {
      durationS: Math.max(0.2, last[0]) + 0.3,
      told: verdict,
      replaces: [0],
      at: (t) => {
        const [x = edge, y = lift] = alongCourse(course, t);
        if (rolled.finishes && t > last[0]) return [ball(end[0] + cup * 0.5, 0)];
        return [ball(x, y)];
      },
    },
  };
}

/** The lower end of a sloping part: drawn down, it slopes more. */
function slopeGrip({ segment, place }: Part, laid: Laid | undefined, shift: (p: Point) => Point): readonly Grip[] {
  if (segment.kind !== "slope" || segment.slope <= 0 || !laid) return [];
  return [angleGrip("design", `slope${place}`, shift(laid.from), segment.lengthM, segment.slope, -1)];
}

function pieceMarks({ kind }: Part, { from, to }: Laid, shift: (p: Point) => Point, index: number, width: number): readonly Mark[] {
  const [a, b] = [shift(from), shift(to)];
  const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const note: Mark = { kind: "note", x: middle[0], y: middle[1] - width * 0.035, words: `${index + 1}`, anchor: "middle" };
  if (kind === "drop") return [{ kind: "arrow", role: "path", from: a, to: b }, note];
  if (kind === "bump") return [lineMark("build", [a, [middle[0], middle[1] + width * 0.012], b]), note];
  const track = lineMark("build", [a, b]);
  if (kind === "covered") {
    const roof = width * 0.035;
    return [track, lineMark("support", [a, [a[0], a[1] + roof], [b[0], b[1] + roof], b]), note];
  }
  if (kind === "curve" || kind === "spiral") {
    const posts = Array.from({ length: 5 }, (_, i): Mark => {
      const u = i / 4;
      const [x, y] = [a[0] + (b[0] - a[0]) * u, a[1] + (b[1] - a[1]) * u];
      return lineMark("support", [
        [x, y],
        [x, y + width * 0.022],
      ]);
    });
    return [track, ...posts, note];
  }
  return [track, note];
}

/** [t, x, y] of the ball over the pieces it passes. */
function courseOf(laid: readonly Laid[], rolled: Rolled): readonly (readonly [number, number, number])[] {
  const course: (readonly [number, number, number])[] = [];
  let clock = 0;
  for (const [i, passed] of rolled.passed.entries()) {
    const piece = laid[i];
    if (!piece) break;
    const whole = Math.max(passed.course.at(-1)?.[1] ?? 0, 1e-9);
    const stalled = passed.stallsAtM !== null;
    const [dx, dy] = [piece.to[0] - piece.from[0], piece.to[1] - piece.from[1]];
    const length = Math.hypot(dx, dy);
    for (const [t, s] of passed.course) {
      const part = stalled
        ? Math.min(1, s / Math.max(length, 1e-9))
        : passed.timeS === 0
          ? 1
          : whole > 1e-8
            ? s / whole
            : (t / passed.timeS) ** 2;
      course.push([clock + t, piece.from[0] + dx * part, piece.from[1] + dy * part]);
    }
    clock += passed.timeS;
    if (passed.timeS === 0 && !stalled) course.push([clock, piece.to[0], piece.to[1]]);
  }
  return course.length > 0 ? course : [[0, 0, 0]];
}
