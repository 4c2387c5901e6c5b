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
      const xs = sums(
        lying.map((piece) => piece.w),
        width,
      );
      const ys = sums(
        lying.map((piece) => piece.h),
        height,
      );
      if ((xs.length * ys.length * (xs.length + ys.length)) / 2 <= mostSteps || measure > width / 20) {
        [this.xs, this.ys, this.sizes] = [Float64Array.from(xs), Float64Array.from(ys), lying];
        [this.restX, this.restY] = [rests(xs), rests(ys)];
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
    // Which cut gave the best: above 0 at a place of x, below 0 at a place of y, and 0 for a single piece or nothing.
    const cut = new Int32Array(best.length);
    const single = new Int32Array(best.length).fill(-1);
    for (let i = 1; i < xs.length; i += 1) {
      const [x, column] = [xs[i] ?? 0, i * rows];
      this.placeSingles(worth, x, column, best, single);
      // Cuts across x look at narrower columns alone: whole columns are added at once.
      for (let k = 1; k < i && (xs[k] ?? 0) * 2 <= x; k += 1) {
        const [left, right] = [k * rows, (restX[i]?.[k] ?? 0) * rows];
        for (let j = 1; j < rows; j += 1) {
          const value = (best[left + j] ?? 0) + (best[right + j] ?? 0);
          if (value > (best[column + j] ?? 0) + 1e-12) {
            best[column + j] = value;
            cut[column + j] = k;
          }
        }
      }
      for (let j = 1; j < rows; j += 1) {
        const y = ys[j] ?? 0;
        const rest = restY[j];
        let most = best[column + j] ?? 0;
        let at = 0;
        for (let k = 1; k < j && (ys[k] ?? 0) * 2 <= y; k += 1) {
          const value = (best[column + k] ?? 0) + (best[column + (rest?.[k] ?? 0)] ?? 0);
          if (value > most + 1e-12) {
            most = value;
            at = k;
          }
        }
        if (at > 0) {
          best[column + j] = most;
          cut[column + j] = -at;
        }
      }
    }
    return this.laidOut(best, cut, single);
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

  private laidOut(best: Float64Array, cut: Int32Array, single: Int32Array): Filled {
    const { restX, restY } = this;
    const rows = this.ys.length;
    const placed: { of: number; x: number; y: number; w: number; h: number }[] = [];
    const lay = (i: number, j: number, x: number, y: number): void => {
      const cell = i * rows + j;
      const at = cut[cell] ?? 0;
      if (at > 0) {
        lay(at, j, x, y);
        lay(restX[i]?.[at] ?? 0, j, x + (this.xs[at] ?? 0), y);
      } else if (at < 0) {
        lay(i, -at, x, y);
        lay(i, restY[j]?.[-at] ?? 0, x, y + (this.ys[-at] ?? 0));
      } else if ((best[cell] ?? 0) > 0) {
        const size = this.sizes[single[cell] ?? 0];
        if (size) placed.push(this.placedAs(size, x, y));
      }
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

/** Sums of the sizes that fit, ascending, 0 first. */
function sums(sizes: readonly number[], limit: number): readonly number[] {
  const found = new Set<number>([0]);
  for (const sum of found) for (const size of new Set(sizes)) if (sum + size <= limit) found.add(sum + size);
  return [...found].sort((a, b) => a - b);
}

/** For each point and each cut of it up to its half, the index of the greatest point not above what is left. */
function rests(points: readonly number[]): readonly Int32Array[] {
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
