/** Sums of any number of these sizes that fit, ascending, 0 first: where cuts may lie (Herz, 1972). */
export function sumsThatFit(limit: number, sizes: readonly number[]): readonly number[] {
  const found = new Set<number>([0]);
  for (const sum of found) for (const size of sizes) if (sum + size <= limit) found.add(sum + size);
  return [...found].sort((a, b) => a - b);
}

/** For each point and each cut of it up to its half, the index of the greatest point not above what is left. */
export function restsOf(points: readonly number[]): readonly Int32Array[] {
  return points.map((point) => {
    const row = new Int32Array(points.length);
    let at = points.length - 1;
    for (let k = 0; k < points.length && (points[k] ?? 0) * 2 <= point; k += 1) {
      while ((points[at] ?? 0) > point - (points[k] ?? 0)) at -= 1;
      row[k] = at;
    }
    return row;
  });
}
