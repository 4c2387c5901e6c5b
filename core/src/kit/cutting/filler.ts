import { restsOf, sumsThatFit } from "./sums.ts";

/** A piece with its kerf, whole units. */
export interface SheetPiece {
  readonly w: number;
  readonly h: number;
}

/** One sheet filled: pieces of each kind, where they lie, and what they are worth together. */
export interface Filled {
  readonly counts: readonly number[];
  readonly placed: readonly { readonly of: number; readonly x: number; readonly y: number; readonly w: number; readonly h: number }[];
  readonly worth: number;
}

/** Work that one filling may take; finer sums than that are rounded up to a coarser measure, which stays safe. */
const mostSteps = 12_000_000;

/**
 * Fills a sheet by guillotine cuts so that its pieces are worth most: a dynamic program over the sums of the pieces'
 * sides that fit on each axis (Gilmore and Gomory, 1966). Pieces may be used any number of times.
 */
export class Filler {
  private readonly xs: Float64Array;
  private readonly ys: Float64Array;
  private readonly restX: readonly Int32Array[];
  private readonly restY: readonly Int32Array[];
  private readonly sizes: readonly (SheetPiece & { readonly of: number })[];

  constructor(
    private readonly pieces: readonly SheetPiece[],
    private readonly width: number,
    private readonly height: number,
    private readonly rotate: boolean,
  ) {
    let measure = 1;
    for (;;) {
      const up = (size: number): number => Math.ceil(size / measure) * measure;
      const lying = pieces.flatMap(({ w, h }, of) =>
        rotate && w !== h
          ? [
              { of, w: up(w), h: up(h) },
              { of, w: up(h), h: up(w) },
            ]
          : [{ of, w: up(w), h: up(h) }],
      );
      const xs = sumsThatFit(width, [...new Set(lying.map((piece) => piece.w))]);
      const ys = sumsThatFit(height, [...new Set(lying.map((piece) => piece.h))]);
      if ((xs.length * ys.length * (xs.length + ys.length)) / 2 <= mostSteps || measure > width / 20) {
        [this.xs, this.ys, this.sizes] = [Float64Array.from(xs), Float64Array.from(ys), lying];
        [this.restX, this.restY] = [restsOf(xs), restsOf(ys)];
        return;
      }
      measure *= 2;
    }
  }

  /** The sheet with the most of one piece alone. */
  ofOne(piece: SheetPiece): Filled {
    return new Filler([piece], this.width, this.height, this.rotate).fill([1]);
  }

  /** The filling worth most when a piece of each kind is worth so much. */
  fill(worth: readonly number[]): Filled {
    const { xs, ys, restX, restY } = this;
    const rows = ys.length;
    const best = new Float64Array(xs.length * rows);
    const single = new Int32Array(best.length).fill(-1);
    // Only where a wider or taller part is worth more than the one before it need a cut be tried.
    const across = new Float64Array(best.length);
    const wider = new Int32Array(best.length);
    const widerOf = new Int32Array(rows);
    const taller = new Int32Array(rows);
    for (let i = 1; i < xs.length; i += 1) {
      const [column, rest, halfX] = [i * rows, restX[i] ?? none, (xs[i] ?? 0) / 2];
      this.placeSingles(worth, xs[i] ?? 0, column, best, single);
      let tallerOf = 0;
      for (let j = 1; j < rows; j += 1) {
        let most = best[column + j] ?? 0;
        const from = j * xs.length;
        for (let n = from, end = from + (widerOf[j] ?? 0); n < end; n += 1) {
          const k = wider[n] ?? 0;
          if ((xs[k] ?? 0) > halfX) break;
          const value = (across[from + k] ?? 0) + (across[from + (rest[k] ?? 0)] ?? 0);
          if (value > most) most = value;
        }
        const [over, halfY] = [restY[j] ?? none, (ys[j] ?? 0) / 2];
        for (let n = 0; n < tallerOf; n += 1) {
          const k = taller[n] ?? 0;
          if ((ys[k] ?? 0) > halfY) break;
          const value = (best[column + k] ?? 0) + (best[column + (over[k] ?? 0)] ?? 0);
          if (value > most) most = value;
        }
        best[column + j] = most;
        across[from + i] = most;
        if (most > (best[column + j - 1] ?? 0)) taller[tallerOf++] = j;
        if (most > (best[column - rows + j] ?? 0)) {
          wider[from + (widerOf[j] ?? 0)] = i;
          widerOf[j] = (widerOf[j] ?? 0) + 1;
        }
      }
    }
    return this.laidOut(best, single);
  }

  /** The best single piece in every rectangle of a column. */
  private placeSingles(worth: readonly number[], x: number, column: number, best: Float64Array, single: Int32Array): void {
    for (const [s, size] of this.sizes.entries()) {
      const value = worth[size.of] ?? 0;
      if (size.w > x) continue;
      for (let j = 1; j < this.ys.length; j += 1) {
        if (size.h > (this.ys[j] ?? 0) || value <= (best[column + j] ?? 0)) continue;
        best[column + j] = value;
        single[column + j] = s;
      }
    }
  }

  /** Which cut gave the best of a rectangle is found again on the way down: few rectangles are visited. */
  private laidOut(best: Float64Array, single: Int32Array): Filled {
    const { xs, ys, restX, restY } = this;
    const rows = ys.length;
    const at = (i: number, j: number): number => best[i * rows + j] ?? 0;
    const placed: { of: number; x: number; y: number; w: number; h: number }[] = [];
    const lay = (i: number, j: number, x: number, y: number): void => {
      const worth = at(i, j);
      if (worth <= 0) return;
      for (let k = 1; (xs[k] ?? 0) * 2 <= (xs[i] ?? 0); k += 1) {
        const rest = restX[i]?.[k] ?? 0;
        if (at(k, j) + at(rest, j) !== worth) continue;
        lay(k, j, x, y);
        lay(rest, j, x + (xs[k] ?? 0), y);
        return;
      }
      for (let k = 1; (ys[k] ?? 0) * 2 <= (ys[j] ?? 0); k += 1) {
        const rest = restY[j]?.[k] ?? 0;
        if (at(i, k) + at(i, rest) !== worth) continue;
        lay(i, k, x, y);
        lay(i, rest, x, y + (ys[k] ?? 0));
        return;
      }
      const size = this.sizes[single[i * rows + j] ?? 0];
      if (size) placed.push(this.placedAs(size, x, y));
    };
    lay(this.xs.length - 1, rows - 1, 0, 0);
    const counts = this.pieces.map((_, of) => placed.filter((piece) => piece.of === of).length);
    return { counts, placed, worth: best[best.length - 1] ?? 0 };
  }

  /** The piece in its own measure, lying as its size does. */
  private placedAs(size: SheetPiece & { readonly of: number }, x: number, y: number) {
    const { w = 0, h = 0 } = this.pieces[size.of] ?? {};
    const turned = size.w < w || size.h < h;
    return { of: size.of, x, y, w: turned ? h : w, h: turned ? w : h };
  }
}

const none = new Int32Array(0);
