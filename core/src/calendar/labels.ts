/** Words that belong to a point on a line, px. */
export interface Label {
  readonly key: string;
  readonly x: number;
  readonly width: number;
  /** Which part of the words stands at the point. */
  readonly align: "start" | "middle" | "end";
}

/** Where words begin, and in which lane: 0 is nearest to the line. */
export interface PlacedLabel {
  readonly key: string;
  readonly left: number;
  readonly lane: number;
}

/**
 * Places words along a line so that no two lie on each other and none leaves [from, to]: each stays where it belongs,
 * or gives way to its neighbour by at most `give`, or moves to the next lane. In order of their points.
 */
export function placeLabels(
  labels: readonly Label[],
  from: number,
  to: number,
  { gap = 8, give = 30 }: { readonly gap?: number; readonly give?: number } = {},
): readonly PlacedLabel[] {
  const ends: number[] = [];
  const inOrder = [...labels].sort((a, b) => a.x - b.x || a.key.localeCompare(b.key));
  return inOrder.map(({ key, x, width, align }) => {
    const before = align === "start" ? 0 : align === "middle" ? width / 2 : width;
    const wanted = Math.max(from, Math.min(x - before, to - width));
    for (let lane = 0; ; lane += 1) {
      const end = ends[lane];
      const left = end === undefined ? wanted : Math.max(wanted, end + gap);
      if (end !== undefined && (left - wanted > give || left + width > to)) continue;
      ends[lane] = left + width;
      return { key, left, lane };
    }
  });
}
