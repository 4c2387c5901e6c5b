import type { Mark, Scene } from "@lampcrate/core";

/** A scene with nothing but its shapes, as small as they are. */
export function bareOf(scene: Scene): Scene {
  const shapes = scene.marks.flatMap((mark) =>
    mark.kind === "note" || mark.kind === "measure" ? [] : mark.kind === "block" ? [blockOf(mark)] : [mark],
  );
  const points = shapes.flatMap(cornersOf);
  const [left, right] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))];
  const top = Math.max(...points.map(([, y]) => y));
  return { ...scene, width: right - left, height: top, marks: shapes.map((mark) => movedBy(mark, -left)) };
}

type Shape = Exclude<Mark, { readonly kind: "note" | "measure" }>;

const blockOf = ({ massKg: _, ...block }: Mark & { kind: "block" }): Shape => block;

function cornersOf(mark: Shape): readonly (readonly [number, number])[] {
  switch (mark.kind) {
    case "block":
      return [
        [mark.x, mark.y],
        [mark.x + mark.w, mark.y + mark.h],
      ];
    case "disc":
      return [
        [mark.x - mark.r, mark.y],
        [mark.x + mark.r, mark.y + mark.r],
      ];
    case "arrow":
      return [mark.from, mark.to];
    case "path":
      return mark.points;
  }
}

function movedBy(mark: Shape, by: number): Shape {
  const point = ([x, y]: readonly [number, number]) => [x + by, y] as const;
  switch (mark.kind) {
    case "block":
    case "disc":
      return { ...mark, x: mark.x + by };
    case "arrow":
      return { ...mark, from: point(mark.from), to: point(mark.to) };
    case "path":
      return { ...mark, points: mark.points.map(point) };
  }
}
