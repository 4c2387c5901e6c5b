/** Draws in ascending order, and for each draw 1 + the number of draws strictly smaller. */
export interface RankedDraws {
  readonly sorted: Float64Array;
  readonly ranks: Float64Array;
}

/** Sorts and ranks draws: whole numbers close together by counting them, others by sorting. */
export function rankedDraws(draws: ArrayLike<number>): RankedDraws {
  return counted(draws) ?? compared(draws);
}

/** By a table of how often each number comes; null for numbers that are not whole or lie too far apart. */
function counted(draws: ArrayLike<number>): RankedDraws | null {
  const n = draws.length;
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i < n; i += 1) {
    const value = draws[i] ?? 0;
    if (value !== Math.floor(value)) return null;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  const span = most - least;
  if (n === 0 || !(span <= 8 * n)) return n === 0 ? { sorted: new Float64Array(), ranks: new Float64Array() } : null;
  const begins = new Int32Array(span + 2);
  for (let i = 0; i < n; i += 1) {
    const at = (draws[i] ?? 0) - least + 1;
    begins[at] = (begins[at] ?? 0) + 1;
  }
  for (let v = 1; v < begins.length; v += 1) begins[v] = (begins[v] ?? 0) + (begins[v - 1] ?? 0);
  const sorted = new Float64Array(n);
  for (let v = 0; v <= span; v += 1) sorted.fill(least + v, begins[v] ?? 0, begins[v + 1] ?? 0);
  const ranks = new Float64Array(n);
  for (let i = 0; i < n; i += 1) ranks[i] = 1 + (begins[(draws[i] ?? 0) - least] ?? 0);
  return { sorted, ranks };
}

/** Equal parts of the range, to begin each search near its end. */
const parts = 2048;

function compared(draws: ArrayLike<number>): RankedDraws {
  const n = draws.length;
  const sorted = new Float64Array(n);
  sorted.set(draws);
  sorted.sort();
  const [least, most] = [sorted[0] ?? 0, sorted[n - 1] ?? 0];
  const scale = most > least ? (parts - 1) / (most - least) : 0;
  // For each part of the range, the first place whose value lies in it or above.
  const begins = new Int32Array(parts + 1);
  let place = 0;
  for (let part = 0; part <= parts; part += 1) {
    while (place < n && Math.floor(((sorted[place] ?? 0) - least) * scale) < part) place += 1;
    begins[part] = place;
  }
  const ranks = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    const value = draws[i] ?? 0;
    let at = begins[Math.floor((value - least) * scale)] ?? 0;
    while ((sorted[at] ?? 0) < value) at += 1;
    ranks[i] = at + 1;
  }
  return { sorted, ranks };
}
