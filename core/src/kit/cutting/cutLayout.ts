import type { CutPlan } from "./cut.ts";
import { sumsThatFit } from "./sums.ts";

/** A rectangle in the parent, whole units, from its lower left corner. */
export interface Placed {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** One straight separation, in the order in which it is made: from edge to edge of the piece in hand. */
export interface Cut {
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
}

/** How one parent is cut: the pieces where they lie, the cuts that free them, and what is left over, largest first. */
export interface CutLayout {
  readonly pieces: readonly Placed[];
  readonly cuts: readonly Cut[];
  readonly offcuts: readonly Placed[];
}

/** A layout while it is being laid. */
interface Laying {
  readonly pieces: Placed[];
  readonly cuts: Cut[];
  readonly offcuts: Placed[];
}

/** More cells than this would take longer than a picture is worth. */
const mostSteps = 40_000_000;

/** A layout with the most pieces, by the same program as the count; null for a parent too long to draw whole. */
export function cutLayout(plan: CutPlan): CutLayout | null {
  const [w, h] = [plan.pieceW + plan.kerf, plan.pieceH + plan.kerf];
  const [width, height] = [plan.parentW - plan.trimW + plan.kerf, plan.parentH - plan.trimH + plan.kerf];
  const xs = sumsThatFit(width, plan.rotate ? [w, h] : [w]);
  const ys = sumsThatFit(height, plan.rotate ? [w, h] : [h]);
  if ((xs.length * ys.length * (xs.length + ys.length)) / 2 > mostSteps) return null;
  const table = new Table(xs, ys, w, h, plan.rotate);
  const layout: Laying = { pieces: [], cuts: [], offcuts: [] };
  trimCuts(plan, layout.cuts);
  table.lay({ x: plan.trimW, y: plan.trimH, w: width, h: height }, plan.kerf, layout);
  layout.offcuts.sort((a, b) => b.w * b.h - a.w * a.h);
  return layout;
}

function trimCuts({ trimW, trimH, parentW, parentH }: CutPlan, cuts: Cut[]): void {
  if (trimW > 0) cuts.push({ from: [trimW, 0], to: [trimW, parentH] });
  if (trimH > 0) cuts.push({ from: [trimW, trimH], to: [parentW, trimH] });
}

/** Best counts of every rectangle with sides among the sums, and how each is reached. */
class Table {
  private readonly best: Int32Array;

  constructor(
    private readonly xs: readonly number[],
    private readonly ys: readonly number[],
    private readonly w: number,
    private readonly h: number,
    private readonly rotate: boolean,
  ) {
    this.best = new Int32Array(xs.length * ys.length);
    for (let i = 1; i < xs.length; i += 1)
      for (let j = 1; j < ys.length; j += 1)
        this.best[i * ys.length + j] = this.split(xs[i] ?? 0, ys[j] ?? 0)?.count ?? this.single(xs[i] ?? 0, ys[j] ?? 0);
  }

  /** Lays a rectangle out: the split that gives most, each half in its turn; a lone piece is freed from its offcuts. */
  lay(at: Placed, kerf: number, into: Laying): void {
    const count = this.countOf(at.w, at.h);
    if (count === 0) return leave(at, kerf, into);
    if (count === 1) return this.layPiece(at, kerf, into);
    const found = this.split(at.w, at.h);
    if (!found) return;
    const { upright, size } = found;
    if (upright) {
      into.cuts.push({ from: [at.x + size, at.y], to: [at.x + size, at.y + at.h - kerf] });
      this.lay({ ...at, w: size }, kerf, into);
      this.lay({ ...at, x: at.x + size, w: at.w - size }, kerf, into);
    } else {
      into.cuts.push({ from: [at.x, at.y + size], to: [at.x + at.w - kerf, at.y + size] });
      this.lay({ ...at, h: size }, kerf, into);
      this.lay({ ...at, y: at.y + size, h: at.h - size }, kerf, into);
    }
  }

  private layPiece(at: Placed, kerf: number, into: Laying): void {
    const lies = at.w >= this.w && at.h >= this.h;
    const [w, h] = lies ? [this.w, this.h] : [this.h, this.w];
    if (at.w > w + kerf) into.cuts.push({ from: [at.x + w, at.y], to: [at.x + w, at.y + at.h - kerf] });
    if (at.h > h + kerf) into.cuts.push({ from: [at.x, at.y + h], to: [at.x + w - kerf, at.y + h] });
    leave({ ...at, x: at.x + w, w: at.w - w }, kerf, into);
    leave({ ...at, y: at.y + h, w, h: at.h - h }, kerf, into);
    into.pieces.push({ x: at.x, y: at.y, w: w - kerf, h: h - kerf });
  }

  private single(x: number, y: number): number {
    return (x >= this.w && y >= this.h) || (this.rotate && x >= this.h && y >= this.w) ? 1 : 0;
  }

  private countOf(x: number, y: number): number {
    return this.best[indexBelow(this.xs, x) * this.ys.length + indexBelow(this.ys, y)] ?? 0;
  }

  /** The cut of a rectangle that gives most pieces, more than one; null when none does. */
  private split(x: number, y: number): { readonly count: number; readonly upright: boolean; readonly size: number } | null {
    let found: { count: number; upright: boolean; size: number } | null = null;
    const better = (count: number, upright: boolean, size: number): void => {
      if (count > Math.max(1, found?.count ?? 1)) found = { count, upright, size };
    };
    for (const cut of this.xs) {
      if (cut * 2 > x) break;
      if (cut > 0) better(this.countOf(cut, y) + this.countOf(x - cut, y), true, cut);
    }
    for (const cut of this.ys) {
      if (cut * 2 > y) break;
      if (cut > 0) better(this.countOf(x, cut) + this.countOf(x, y - cut), false, cut);
    }
    return found;
  }
}

/** What is left over, less what its last cut took. */
function leave({ x, y, w, h }: Placed, kerf: number, into: Laying): void {
  if (w > kerf && h > kerf) into.offcuts.push({ x, y, w: w - kerf, h: h - kerf });
}

/** Index of the greatest point not above a value. */
function indexBelow(points: readonly number[], value: number): number {
  let [low, high] = [0, points.length - 1];
  while (low < high) {
    const half = (low + high + 1) >> 1;
    if ((points[half] ?? 0) <= value) low = half;
    else high = half - 1;
  }
  return low;
}
