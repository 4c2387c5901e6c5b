/** A bar of the profile, and how high it is. */
export interface StrokePoint {
  readonly bin: number;
  readonly weight: number;
}

/** Bars that a stroke passes from where it was to where it is, the first left out: on a straight line, however quick the pointer is. */
export function strokeBins(from: StrokePoint | null, to: StrokePoint): readonly StrokePoint[] {
  if (from === null || from.bin === to.bin) return [to];
  const bars = Math.abs(to.bin - from.bin);
  return Array.from({ length: bars }, (_, i) => {
    const part = (i + 1) / bars;
    return { bin: from.bin + Math.sign(to.bin - from.bin) * (i + 1), weight: from.weight + part * (to.weight - from.weight) };
  });
}
