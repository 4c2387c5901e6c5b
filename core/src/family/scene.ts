import type { Grip, Mark } from "./shape.ts";

type Point = readonly [number, number];

/** A strip of floor under a scene. */
export function floorMark(width: number, thick: number): Mark {
  return { kind: "block", role: "floor", x: 0, y: -thick, w: width, h: thick };
}

/** An open line through points. */
export function lineMark(role: "build" | "path" | "tub" | "support", points: readonly Point[], closed = false): Mark {
  return { kind: "path", role, points, closed };
}

/** Where a course of [t, …values] is at a time: linear between its points, still at its ends. */
export function alongCourse(course: readonly (readonly [number, ...number[]])[], timeS: number): readonly number[] {
  const [first] = course;
  const last = course.at(-1);
  if (!first || !last) return [];
  if (timeS <= first[0]) return first.slice(1);
  if (timeS >= last[0]) return last.slice(1);
  let [low, high] = [0, course.length - 1];
  while (high - low > 1) {
    const half = (low + high) >> 1;
    if ((course[half]?.[0] ?? 0) <= timeS) low = half;
    else high = half;
  }
  const [a, b] = [course[low] ?? first, course[high] ?? last];
  const part = b[0] > a[0] ? (timeS - a[0]) / (b[0] - a[0]) : 0;
  return a.slice(1).map((value, i) => value + ((b[i + 1] ?? value) - value) * part);
}

/** A length or height that ends here: a metre in the drawing is a metre. */
export function lengthGrip(of: Grip["of"], field: string, at: Point, toward: Point): Grip {
  return { of, field, at, toward, perM: 1 };
}

/** The end of an arm that turns about its foot: up is more where `turns` is 1, down where it is −1. Angles in rad. */
export function angleGrip(of: Grip["of"], field: string, foot: Point, armM: number, angle: number, turns: 1 | -1): Grip {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle) * turns];
  return { of, field, at: [foot[0] + armM * cos, foot[1] + armM * sin], toward: [-sin * turns, cos * turns], perM: 1 / armM };
}
