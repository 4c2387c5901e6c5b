import { restsOf } from "./sums.ts";

/** Cutting works in whole units of 1/80 mm: 0.1 mm = 8 and 1/16 in = 127, both exact. */
export const cutUnitsPerM = 80_000;

/** One size of piece from one size of parent, all in the same whole units. */
export interface CutPlan {
  readonly parentW: number;
  readonly parentH: number;
  readonly pieceW: number;
  readonly pieceH: number;
  readonly rotate: boolean;
  /** Width lost per cut. */
  readonly kerf: number;
  /** First edges squared off, once. */
  readonly trimW: number;
  readonly trimH: number;
  /** Pieces that share a rectangle: 2 for right triangles; 1 unless set. */
  readonly perRectangle?: 1 | 2 | undefined;
}

/** Work the exact program may take, about a tenth of a second; a longer parent is cut into lengths first. */
const mostSteps = 6e7;

/** Counts already worked out: a crate asks for the same plan at every move of a dial. */
const known = new Map<string, CutCount>();
const mostKnown = 200;

/** Pieces from one parent; `exact` is false where lengths were cut first and a few more might be had. */
export interface CutCount {
  readonly count: number;
  readonly exact: boolean;
}

/**
 * Most pieces of one size that guillotine cuts give from one parent, any number of stages.
 * Exact: a dynamic program over the sums i·w + j·h that fit on each axis, remainders rounded down to such a sum
 * (after Beasley, 1985, and Herz' discretisation, 1972). A parent too long for that is first cut across into equal
 * lengths; the count may then be below the best by a few and `exact` is false.
 */
export function rectangleCount(plan: CutPlan): CutCount {
  const key = [plan.parentW, plan.parentH, plan.pieceW, plan.pieceH, plan.rotate, plan.kerf, plan.trimW, plan.trimH].join(" ");
  const found = known.get(key);
  if (found) return found;
  const width = plan.parentW - plan.trimW + plan.kerf;
  const height = plan.parentH - plan.trimH + plan.kerf;
  const counted = countIn(Math.min(width, height), Math.max(width, height), piece(plan, width <= height));
  if (known.size >= mostKnown) known.clear();
  known.set(key, counted);
  return counted;
}

/** Pieces from one parent, triangles in pairs: two share a rectangle. */
export function piecesFrom(plan: CutPlan): CutCount {
  const { count, exact } = rectangleCount(plan);
  return { count: count * (plan.perRectangle ?? 1), exact };
}

interface Piece {
  readonly w: number;
  readonly h: number;
  readonly rotate: boolean;
}

/** The piece with its kerf, lying as the parent does: short side first. */
function piece({ pieceW, pieceH, kerf, rotate }: CutPlan, upright: boolean): Piece {
  const [w, h] = [pieceW + kerf, pieceH + kerf];
  return upright ? { w, h, rotate } : { w: h, h: w, rotate };
}

function countIn(short: number, long: number, of: Piece): CutCount {
  const exact = countExactly(short, long, of);
  if (exact !== null) return { count: exact, exact: true };
  let length = long;
  let each: number | null = null;
  while (each === null) {
    length = Math.floor(length / 2);
    each = countExactly(short, length, of);
  }
  const whole = Math.floor(long / length);
  return { count: whole * each + (countExactly(short, long - whole * length, of) ?? 0), exact: false };
}

/** The program's answer; null when it would take too long. */
function countExactly(width: number, height: number, { w, h, rotate }: Piece): number | null {
  const xs = sums(width, rotate ? [w, h] : [w]);
  const ys = sums(height, rotate ? [w, h] : [h]);
  if (xs === null || ys === null) return null;
  if (xs.length <= 1 || ys.length <= 1) return 0;
  if ((xs.length * ys.length * (xs.length + ys.length)) / 2 > mostSteps) return null;
  return program(xs, ys, w, h, rotate);
}

/** More pairs i, j than this, and the sums alone would take too long. */
const mostPairs = 500_000;

/** All sums i·a + j·b that fit in `limit`, ascending, 0 first; null when there are too many. */
function sums(limit: number, sizes: readonly number[]): number[] | null {
  const found = new Set<number>();
  const [a = 1, b] = sizes;
  if (b !== undefined && (limit / a) * (limit / b) > 2 * mostPairs) return null;
  for (let i = 0; i <= limit; i += a) {
    found.add(i);
    if (b !== undefined) for (let j = i; j <= limit; j += b) found.add(j);
  }
  return [...found].sort((x, y) => x - y);
}

/** F(x,y) = the best of one piece if it fits and F(x₁,y) + F(x − x₁,y), x₁ ≤ x/2, and the same in y. */
function program(xs: readonly number[], ys: readonly number[], w: number, h: number, rotate: boolean): number {
  const rows = ys.length;
  const best = new Int32Array(xs.length * rows);
  const restX = restsOf(xs);
  const restY = restsOf(ys);
  for (let i = 1; i < xs.length; i += 1) {
    const x = xs[i] ?? 0;
    for (let j = 1; j < rows; j += 1) {
      const y = ys[j] ?? 0;
      let most = (x >= w && y >= h) || (rotate && x >= h && y >= w) ? 1 : 0;
      for (let k = 1; k < i && (xs[k] ?? 0) * 2 <= x; k += 1) {
        const sum = (best[k * rows + j] ?? 0) + (best[(restX[i]?.[k] ?? 0) * rows + j] ?? 0);
        if (sum > most) most = sum;
      }
      for (let k = 1; k < j && (ys[k] ?? 0) * 2 <= y; k += 1) {
        const sum = (best[i * rows + k] ?? 0) + (best[i * rows + (restY[j]?.[k] ?? 0)] ?? 0);
        if (sum > most) most = sum;
      }
      best[i * rows + j] = most;
    }
  }
  return best[best.length - 1] ?? 0;
}
