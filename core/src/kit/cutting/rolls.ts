import { coverProgram, type Solve } from "../../numeric/solver.ts";

/** Lengths to cut from rolls of one length, whole units. */
export interface RollJob {
  readonly rollLength: number;
  /** Lost per cut. */
  readonly kerf: number;
  readonly pieces: readonly { readonly length: number; readonly count: number }[];
}

/** Rolls cut alike: pieces of each length from one, and what is left of it. */
export interface RollPattern {
  readonly times: number;
  readonly counts: readonly number[];
  readonly offcut: number;
}

/** Fewest rolls; or the lengths, by their place, that no roll holds. `exact` is false where there were too many patterns to try. */
export type RollPlan =
  | { readonly feasible: false; readonly tooLong: readonly number[] }
  | {
      readonly feasible: true;
      readonly rolls: number;
      readonly bound: number;
      readonly exact: boolean;
      readonly patterns: readonly RollPattern[];
    };

/** More ways to fill a roll than this are not all listed. */
const mostPatterns = 40_000;

/**
 * Fewest rolls for at least the pieces asked: all maximal patterns, then a covering program in whole numbers
 * (Gilmore and Gomory, 1961, without the columns' generation). Bound: total length over a roll's, rounded up.
 */
export function rollPlan({ rollLength, kerf, pieces }: RollJob, solve: Solve): RollPlan {
  const usable = rollLength + kerf;
  const tooLong = pieces.flatMap((piece, i) => (piece.length > rollLength ? [i] : []));
  if (tooLong.length > 0) return { feasible: false, tooLong };
  const sizes = pieces.map((piece) => piece.length + kerf);
  const needs = pieces.map((piece) => piece.count);
  const bound = Math.ceil(sizes.reduce((sum, size, i) => sum + size * (needs[i] ?? 0), 0) / usable - 1e-9);
  const patterns = maximalPatterns(sizes, usable);
  const columns = patterns ?? firstFit(sizes, needs, usable);
  const { values } = solve(coverProgram(columns, needs, true));
  const used = columns.flatMap((counts, j) => {
    const times = Math.round(values[`x${j}`] ?? 0);
    return times > 0 ? [{ times, counts, offcut: usable - counts.reduce((sum, n, i) => sum + n * (sizes[i] ?? 0), 0) }] : [];
  });
  return { feasible: true, rolls: used.reduce((sum, pattern) => sum + pattern.times, 0), bound, exact: patterns !== null, patterns: used };
}

/** Every way to fill a roll so that no further piece fits; null when there are too many. */
function maximalPatterns(sizes: readonly number[], usable: number): number[][] | null {
  const order = sizes.map((_, i) => i).sort((a, b) => (sizes[b] ?? 0) - (sizes[a] ?? 0));
  const least = Math.min(...sizes);
  const found: number[][] = [];
  const counts = sizes.map(() => 0);
  const fill = (at: number, left: number): boolean => {
    const index = order[at];
    if (index === undefined) {
      if (left < least) found.push([...counts]);
      return found.length <= mostPatterns;
    }
    const size = sizes[index] ?? 1;
    for (let n = Math.floor(left / size); n >= 0; n -= 1) {
      counts[index] = n;
      if (!fill(at + 1, left - n * size)) return false;
    }
    counts[index] = 0;
    return true;
  };
  return fill(0, usable) ? found : null;
}

/** The patterns of first fit by falling length, and one of each length alone: a plan where all patterns are too many. */
function firstFit(sizes: readonly number[], needs: readonly number[], usable: number): number[][] {
  const order = sizes.map((_, i) => i).sort((a, b) => (sizes[b] ?? 0) - (sizes[a] ?? 0));
  const open: { left: number; counts: number[] }[] = [];
  for (const i of order) {
    const size = sizes[i] ?? 1;
    for (let n = 0; n < (needs[i] ?? 0); n += 1) {
      let roll = open.find((r) => r.left >= size);
      if (!roll) {
        roll = { left: usable, counts: sizes.map(() => 0) };
        open.push(roll);
      }
      roll.left -= size;
      roll.counts[i] = (roll.counts[i] ?? 0) + 1;
    }
  }
  return open.map((roll) => roll.counts);
}
