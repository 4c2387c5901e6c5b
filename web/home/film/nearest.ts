/** The last frame shown at a time or before it, by when each is shown, s, in order; the first where none is. */
export function frameAt(times: readonly number[], seconds: number): number {
  let [low, high] = [0, times.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((times[middle] ?? 0) <= seconds + 1e-6) low = middle;
    else high = middle - 1;
  }
  return Math.max(0, low);
}

/** How far frames lie apart around one, s: the longer of the gaps before and after it. */
export function gapAround(times: readonly number[], frame: number): number {
  const gap = (at: number): number => {
    const [from, to] = [times[at], times[at + 1]];
    return from === undefined || to === undefined ? 0 : to - from;
  };
  return Math.max(gap(frame - 1), gap(frame));
}
