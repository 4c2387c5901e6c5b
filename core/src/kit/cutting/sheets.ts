import { coverProgram, type Solve } from "../../numeric/solver.ts";
import { seedOf, uniformAt } from "../../random/stream.ts";
import { closingIn } from "./closeIn.ts";
import type { Placed } from "./cutLayout.ts";
import { type Filled, Filler, type SheetPiece } from "./filler.ts";
import { firstFit } from "./firstFit.ts";

/** Several sizes of piece from one size of sheet, whole units. */
export interface SheetJob {
  readonly parentW: number;
  readonly parentH: number;
  readonly rotate: boolean;
  readonly kerf: number;
  readonly trimW: number;
  readonly trimH: number;
  readonly pieces: readonly { readonly w: number; readonly h: number; readonly count: number }[];
}

/** Sheets cut alike, with where each piece lies; `of` is the piece's place in the job. */
export interface SheetPattern {
  readonly times: number;
  readonly placed: readonly (Placed & { readonly of: number })[];
}

/** A plan for at least the pieces asked, with how far it may be from the fewest sheets; or the pieces that no sheet holds. */
export type SheetPlan =
  | { readonly feasible: false; readonly tooLarge: readonly number[] }
  | {
      readonly feasible: true;
      readonly parents: number;
      readonly areaBound: number;
      /** No plan has fewer: by area, or by what the patterns' prices show. */
      readonly bound: number;
      /** 100 (parents − bound)/bound. */
      readonly gapPercent: number;
      /** Pieces over what was asked, by their place. */
      readonly surplus: readonly number[];
      readonly patterns: readonly SheetPattern[];
    };

const mostRounds = 60;
const variations = 4;
/** Tried before anything is known but the area. */
const aFewPrices = 5;

/**
 * Guillotine patterns by column generation (Gilmore and Gomory, 1965): the linear program's shadow prices value each
 * piece, a dynamic program fills a sheet worth most, until no sheet is worth more than itself; then whole numbers over
 * the patterns found, with some made by greedy filling and by prices a little off, so that few pieces are served too.
 */
export function sheetPlan(job: SheetJob, solve: Solve): SheetPlan {
  const { kerf } = job;
  const [width, height] = [job.parentW - job.trimW + kerf, job.parentH - job.trimH + kerf];
  const pieces: SheetPiece[] = job.pieces.map(({ w, h }) => ({ w: w + kerf, h: h + kerf }));
  const needs = job.pieces.map((piece) => piece.count);
  const fits = ({ w, h }: SheetPiece): boolean => (w <= width && h <= height) || (job.rotate && h <= width && w <= height);
  const tooLarge = pieces.flatMap((piece, i) => (fits(piece) ? [] : [i]));
  if (tooLarge.length > 0) return { feasible: false, tooLarge };
  const filler = new Filler(pieces, width, height, job.rotate);
  const singly = firstFit({ pieces, needs, width, height, rotate: job.rotate });
  const sheetArea = width * height;
  const areaBound = Math.ceil(pieces.reduce((sum, { w, h }, i) => sum + w * h * (needs[i] ?? 0), 0) / sheetArea - 1e-9);
  const closeIn = closingIn({ filler, pieces, needs, area: sheetArea });
  const { columns, least } = columnsOf(filler, pieces, needs, singly, areaBound, closeIn, solve);
  const { values } = solve(
    coverProgram(
      columns.map((column) => column.counts),
      needs,
      true,
      least,
    ),
  );
  const used = columns.flatMap((column, j) => {
    const times = Math.round(values[`x${j}`] ?? 0);
    return times > 0 ? [{ times, column }] : [];
  });
  const parents = used.reduce((sum, { times }) => sum + times, 0);
  const bound = Math.max(areaBound, Math.min(least, parents));
  return {
    feasible: true,
    parents,
    areaBound,
    bound,
    gapPercent: bound > 0 ? (100 * (parents - bound)) / bound : 0,
    surplus: needs.map((need, i) => used.reduce((sum, { times, column }) => sum + times * (column.counts[i] ?? 0), 0) - need),
    patterns: used.map(({ times, column }) => ({
      times,
      placed: column.placed.map(({ of, x, y, w, h }) => ({ of, x: x + job.trimW, y: y + job.trimH, w: w - kerf, h: h - kerf })),
    })),
  };
}

/** Patterns worth having, and how many sheets are needed at least by what the program says. */
function columnsOf(
  filler: Filler,
  pieces: readonly SheetPiece[],
  needs: readonly number[],
  singly: readonly Filled[],
  areaBound: number,
  closeIn: ReturnType<typeof closingIn>,
  solve: Solve,
): { readonly columns: readonly Filled[]; readonly least: number } {
  const columns = new Map<string, Filled>();
  const add = (filled: Filled): boolean => {
    const key = filled.counts.join(" ");
    if (columns.has(key)) return false;
    columns.set(key, filled);
    return true;
  };
  for (const [i, piece] of pieces.entries()) add(ofOneKind(filler.ofOne(piece), i, pieces.length));
  for (const filled of singly) add(filled);
  const known = Math.min(greedy(filler, pieces, needs, add), singly.length > 0 ? singly.length : Number.POSITIVE_INFINITY);
  const full = known > areaBound ? closeIn(areaBound, aFewPrices) : null;
  if (full) return { columns: full, least: areaBound };
  let least = 0;
  for (let round = 0; round < mostRounds; round += 1) {
    const counts = [...columns.values()].map((column) => column.counts);
    const { prices, objective } = solve(coverProgram(counts, needs, false));
    const worth = pieces.map((_, i) => prices[`r${i}`] ?? 0);
    const best = filler.fill(worth);
    // No plan is below the program's value over the best sheet's (Farley, 1990): one already there may be as few as can be.
    least = Math.max(least, Math.ceil(objective / Math.max(1, best.worth) - 1e-6));
    if (least >= known) break;
    if (best.worth > 1 + 1e-7 && add(best)) continue;
    // Whole numbers of the patterns at hand may reach it; if not, some like them may.
    const closed = closeIn(least);
    if (closed) return { columns: closed, least };
    if (wholeSheets(columns, needs, solve, least) > least + 0.5)
      for (let v = 0; v < variations; v += 1)
        add(filler.fill(worth.map((value, i) => value * (0.7 + 0.6 * uniformAt(seedOf("sheets"), v, i)))));
    break;
  }
  return { columns: [...columns.values()], least };
}

function wholeSheets(columns: ReadonlyMap<string, Filled>, needs: readonly number[], solve: Solve, least: number): number {
  const counts = [...columns.values()].map((column) => column.counts);
  return solve(coverProgram(counts, needs, true, least)).objective;
}

/** A sheet of one kind of piece, as one of several kinds. */
function ofOneKind({ counts, placed, worth }: Filled, of: number, kinds: number): Filled {
  return {
    counts: Array.from({ length: kinds }, (_, i) => (i === of ? (counts[0] ?? 0) : 0)),
    placed: placed.map((p) => ({ ...p, of })),
    worth,
  };
}

/** Fills sheet after sheet with what is still wanted, most area first; its patterns serve the last few pieces. Gives how many sheets that takes. */
function greedy(filler: Filler, pieces: readonly SheetPiece[], needs: readonly number[], add: (filled: Filled) => boolean): number {
  const left = [...needs];
  let sheets = 0;
  for (let round = 0; round < 200 && left.some((n) => n > 0); round += 1) {
    const filled = filler.fill(pieces.map(({ w, h }, i) => ((left[i] ?? 0) > 0 ? w * h : 0)));
    const counts = filled.counts.map((n, i) => Math.min(n, Math.max(0, left[i] ?? 0)));
    if (counts.every((n) => n === 0)) return Number.POSITIVE_INFINITY;
    add(filled);
    const most = Math.max(1, Math.min(...counts.flatMap((n, i) => (n > 0 ? [Math.floor((left[i] ?? 0) / n)] : []))));
    sheets += most;
    for (const [i, n] of counts.entries()) left[i] = (left[i] ?? 0) - n * most;
  }
  return sheets;
}
