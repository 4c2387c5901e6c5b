/** ⌈x⌉ taken of x − 1e-9, so that 30 × 0.1 stays 3; never −0. */
export function ceiling(x: number): number {
  return Math.ceil(x - 1e-9) + 0;
}

/** Half up. */
export function roundHalfUp(x: number): number {
  return Math.floor(x + 0.5);
}

/** The ⌈q n⌉-th smallest of sorted draws: the q-quantile as the models take it. */
export function quantileOf(sorted: ArrayLike<number>, q: number): number {
  const rank = Math.min(sorted.length, Math.max(1, ceiling(q * sorted.length)));
  return sorted[rank - 1] ?? Number.NaN;
}
