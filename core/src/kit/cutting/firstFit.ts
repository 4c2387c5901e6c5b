import { seedOf, uniformAt } from "../../random/stream.ts";
import type { Filled, SheetPiece } from "./filler.ts";

/** A free rectangle of a sheet: whatever is cut from it, is cut edge to edge. */
interface Free {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

interface Sheet {
  readonly free: Free[];
  readonly placed: Filled["placed"][number][];
}

export interface FirstFitJob {
  readonly pieces: readonly SheetPiece[];
  readonly needs: readonly number[];
  readonly width: number;
  readonly height: number;
  readonly rotate: boolean;
}

/** Pieces beyond this are left to patterns that are used many times over. */
const mostPieces = 400;
/** Pieces placed in all tries together. */
const mostPlacings = 60_000;

/**
 * The fewest sheets of many tries, each placing every piece once: largest first, in the free rectangle it wastes least
 * of, cut edge to edge; tries differ in what "largest" is, in how the rest is cut, and by a little chance. Knows how
 * many of each are wanted, so that the last sheets are full too. Empty where there are too many pieces.
 */
export function firstFit(job: FirstFitJob): readonly Filled[] {
  const total = job.needs.reduce((sum, need) => sum + need, 0);
  if (total === 0 || total > mostPieces) return [];
  const list = job.needs.flatMap((need, of) => Array.from({ length: need }, () => of));
  const tries = Math.max(8, Math.min(600, Math.floor(mostPlacings / total)));
  const area = job.pieces.reduce((sum, { w, h }, i) => sum + w * h * (job.needs[i] ?? 0), 0);
  const least = Math.ceil(area / (job.width * job.height) - 1e-9);
  let best: readonly Sheet[] = [];
  for (let t = 0; t < tries; t += 1) {
    const sheets = oneTry(job, inOrder(job.pieces, list, t), t);
    if (best.length === 0 || sheets.length < best.length) best = sheets;
    if (best.length <= least) break;
  }
  return best.map(({ placed }) => ({
    placed,
    counts: job.pieces.map((_, of) => placed.filter((piece) => piece.of === of).length),
    worth: 1,
  }));
}

type Size = (piece: SheetPiece) => number;
const sizes: readonly Size[] = [
  ({ w, h }) => w * h,
  ({ w, h }) => Math.max(w, h),
  ({ h }) => h,
  ({ w }) => w,
  ({ w, h }) => Math.min(w, h),
];

/** Largest first, by one of several sizes; after the plain tries with some chance. */
function inOrder(pieces: readonly SheetPiece[], list: readonly number[], t: number): readonly number[] {
  const size = sizes[t % sizes.length] ?? (({ w, h }) => w * h);
  const sway = t < sizes.length * 4 ? 0 : 0.1 + 0.5 * uniformAt(seedOf("sway"), t, 0);
  const key = list.map((of, i) => size(pieces[of] ?? { w: 0, h: 0 }) * (1 + sway * (uniformAt(seedOf("order"), t, i) - 0.5)));
  return list
    .map((_, i) => i)
    .sort((a, b) => (key[b] ?? 0) - (key[a] ?? 0) || a - b)
    .map((i) => list[i] ?? 0);
}

function oneTry({ pieces, width, height, rotate }: FirstFitJob, order: readonly number[], t: number): readonly Sheet[] {
  const sheets: Sheet[] = [];
  const [closest, split] = [Math.floor(t / sizes.length) % 2 === 0, Math.floor(t / (2 * sizes.length)) % 3];
  for (const of of order) {
    const piece = pieces[of] ?? { w: 0, h: 0 };
    const ways = rotate && piece.w !== piece.h ? [piece, { w: piece.h, h: piece.w }] : [piece];
    let found: { readonly sheet: Sheet; readonly at: number; readonly way: SheetPiece } | null = null;
    let least = Number.POSITIVE_INFINITY;
    for (const sheet of sheets) {
      for (const [at, free] of sheet.free.entries())
        for (const way of ways) {
          if (way.w > free.w || way.h > free.h) continue;
          const waste = closest ? Math.min(free.w - way.w, free.h - way.h) : free.w * free.h - way.w * way.h;
          if (waste >= least) continue;
          [found, least] = [{ sheet, at, way }, waste];
        }
    }
    if (!found) {
      const sheet: Sheet = { free: [{ x: 0, y: 0, w: width, h: height }], placed: [] };
      const way = ways.find(({ w, h }) => w <= width && h <= height) ?? piece;
      sheets.push(sheet);
      found = { sheet, at: 0, way };
    }
    place(found.sheet, found.at, found.way, of, split);
  }
  return sheets;
}

/** Puts a piece in the corner of a free rectangle and cuts the rest in two. */
function place({ free, placed }: Sheet, at: number, { w, h }: SheetPiece, of: number, split: number): void {
  const [of_] = free.splice(at, 1);
  if (!of_) return;
  placed.push({ of, x: of_.x, y: of_.y, w, h });
  const [right, above] = [of_.w - w, of_.h - h];
  // The longer rest whole, the shorter, or whichever leaves the larger rectangle.
  const upright = split === 0 ? right > above : split === 1 ? right <= above : right * of_.h > above * of_.w;
  const rests: readonly Free[] = upright
    ? [
        { x: of_.x + w, y: of_.y, w: right, h: of_.h },
        { x: of_.x, y: of_.y + h, w, h: above },
      ]
    : [
        { x: of_.x, y: of_.y + h, w: of_.w, h: above },
        { x: of_.x + w, y: of_.y, w: right, h },
      ];
  for (const rest of rests) if (rest.w > 0 && rest.h > 0) free.push(rest);
}
