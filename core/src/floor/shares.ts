export const roundTo = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits;

/** Shares in thousandths that sum to 1: what rounding leaves goes to the greatest. */
export function sharesOf(exact: readonly number[]): readonly number[] {
  const shares = exact.map((share) => roundTo(share, 3));
  const rest = 1 - shares.reduce((all, one) => all + one, 0);
  const top = shares.indexOf(Math.max(...shares));
  return shares.map((share, i) => (i === top ? roundTo(share + rest, 3) : share));
}

/** A profile as it is drawn: its highest quarter hour is 10, in tenths. */
export function asProfile(counts: readonly number[]): readonly number[] {
  const top = Math.max(...counts, 1e-9);
  return counts.map((n) => roundTo((10 * n) / top, 1));
}
