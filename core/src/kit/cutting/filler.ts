import { seedOf, uniformAt } from "../../random/stream.ts";
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
    const { best, single } = this.valued(worth);
    return this.laidOut(best, single);
  }

  /** Many fillings worth nearly the most: given what part of a sheet may be lost in all, and a number, always the same one. */
  likes(worth: readonly number[]): (slack: number, number: number) => Filled {
    const { best } = this.valued(worth);
    const ways = new Ways(Math.max(this.xs.length, this.ys.length) * 2 + this.sizes.length);
    return (slack, number) => this.laidLike(best, worth, slack, number, ways);
  }

  /** What the best filling of every rectangle is worth, and its piece where that is a single one. */
  private valued(worth: readonly number[]): { readonly best: Float64Array; readonly single: Int32Array } {
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
    return { best, single };
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

  /** Cuts on the way down as chance has it, among those that lose no more than is left to lose. */
  private laidLike(best: Float64Array, worth: readonly number[], slack: number, number: number, ways: Ways): Filled {
    const { xs, ys, restX, restY, sizes } = this;
    const rows = ys.length;
    const placed: Filled["placed"][number][] = [];
    const counts = this.pieces.map(() => 0);
    let [left, drawn] = [slack, 0];
    const lay = (i: number, j: number, x: number, y: number): void => {
      const most = best[i * rows + j] ?? 0;
      if (most <= 0) return;
      ways.begin(most - left - 1e-9);
      for (let k = 1; (xs[k] ?? 0) * 2 <= (xs[i] ?? 0); k += 1)
        ways.offer(k, (best[k * rows + j] ?? 0) + (best[(restX[i]?.[k] ?? 0) * rows + j] ?? 0));
      const tall = ways.count;
      for (let k = 1; (ys[k] ?? 0) * 2 <= (ys[j] ?? 0); k += 1)
        ways.offer(k, (best[i * rows + k] ?? 0) + (best[i * rows + (restY[j]?.[k] ?? 0)] ?? 0));
      const whole = ways.count;
      for (const [s, size] of sizes.entries()) if (size.w <= (xs[i] ?? 0) && size.h <= (ys[j] ?? 0)) ways.offer(s, worth[size.of] ?? 0);
      if (ways.count === 0) return;
      const chosen = Math.floor(uniformAt(likeSeed, number, drawn++) * ways.count);
      const [at, loses] = [ways.at[chosen] ?? 0, most - (ways.worth[chosen] ?? 0)];
      left -= loses;
      if (chosen < tall) {
        lay(at, j, x, y);
        lay(restX[i]?.[at] ?? 0, j, x + (xs[at] ?? 0), y);
      } else if (chosen < whole) {
        lay(i, at, x, y);
        lay(i, restY[j]?.[at] ?? 0, x, y + (ys[at] ?? 0));
      } else {
        const size = sizes[at];
        if (!size) return;
        counts[size.of] = (counts[size.of] ?? 0) + 1;
        placed.push(this.placedAs(size, x, y));
      }
    };
    lay(xs.length - 1, rows - 1, 0, 0);
    return { counts, placed, worth: (best[best.length - 1] ?? 0) - slack + left };
  }

  /** The piece in its own measure, lying as its size does. */
  private placedAs(size: SheetPiece & { readonly of: number }, x: number, y: number) {
    const { w = 0, h = 0 } = this.pieces[size.of] ?? {};
    const turned = size.w < w || size.h < h;
    return { of: size.of, x, y, w: turned ? h : w, h: turned ? w : h };
  }
}

/** Ways to go on that are worth at least so much; made once and filled anew at every step. */
class Ways {
  readonly at: Int32Array;
  readonly worth: Float64Array;
  count = 0;
  private least = 0;

  constructor(most: number) {
    this.at = new Int32Array(most);
    this.worth = new Float64Array(most);
  }

  begin(least: number): void {
    this.count = 0;
    this.least = least;
  }

  offer(at: number, worth: number): void {
    if (worth < this.least) return;
    this.at[this.count] = at;
    this.worth[this.count] = worth;
    this.count += 1;
  }
}

const likeSeed = seedOf("like");

const none = new Int32Array(0);
