/**
 * Whole parts of a total in proportion to weights, by largest remainder (ties: the earlier), each at least 1: what would
 * come below 1 gets 1 and the others share the rest. Weights above 0; the total at least their number.
 */
export function wholeShares(weights: readonly number[], total: number): readonly number[] {
  const given: (number | null)[] = weights.map(() => null);
  for (;;) {
    const open = weights.flatMap((weight, i) => (given[i] === null ? [{ i, weight }] : []));
    const left = total - given.reduce<number>((sum, one) => sum + (one ?? 0), 0);
    const sum = open.reduce((all, { weight }) => all + weight, 0);
    const quotas = open.map(({ i, weight }) => ({ i, quota: (weight * left) / sum }));
    const small = quotas.filter(({ quota }) => quota < 1);
    if (small.length > 0 && small.length < open.length) {
      for (const { i } of small) given[i] = 1;
      continue;
    }
    const floors = quotas.map(({ i, quota }) => ({ i, floor: Math.floor(quota + 1e-9), rest: quota - Math.floor(quota + 1e-9) }));
    let more = left - floors.reduce((all, { floor }) => all + floor, 0);
    // Rests that differ by a rounding alone are equal: the earlier goes first.
    for (const one of [...floors].sort((a, b) => (Math.abs(a.rest - b.rest) < 1e-9 ? a.i - b.i : b.rest - a.rest))) {
      given[one.i] = one.floor + (more > 0 ? 1 : 0);
      more -= 1;
    }
    return given.map((one) => one ?? 0);
  }
}
