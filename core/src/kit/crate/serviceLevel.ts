import { rankedDraws } from "../draws/rankedDraws.ts";
import { ceiling, quantileOf } from "../draws/rounding.ts";

/** One line's draws, its price of one and the step its quantity is rounded up to. */
export interface RankedLine {
  readonly id: string;
  readonly draws: ArrayLike<number>;
  /** Cents for one piece, mm, g or ml. */
  readonly price: number;
  /** 1 for pieces. */
  readonly step: number;
}

/** Quantities at which no line runs out with the chosen chance. */
export interface ServiceLevel {
  /** Common rank, counted from 1. */
  readonly rank: number;
  /** Common rank over draws. */
  readonly level: number;
  /** Share of draws in which no line runs out. */
  readonly covered: number;
  readonly quantities: Readonly<Record<string, number>>;
  /** What each line would need if only it could run out. */
  readonly alone: Readonly<Record<string, number>>;
  /** Of the draws not covered, the share in which only this line is short. */
  readonly onlyShort: Readonly<Record<string, number>>;
  /** The line whose endless supply would cover most of them; null when all are covered. */
  readonly drives: string | null;
  /** Σ quantity × price, cents. */
  readonly cost: number;
  readonly costOfOnePointMore: number;
}

/**
 * Whole-crate service level: each draw's rank in a line is 1 + the number of draws strictly smaller; the common
 * rank is the target's quantile of each draw's greatest rank. Ties take the lowest rank, so a constant line asks
 * for no more than itself.
 */
export function commonRank(lines: readonly RankedLine[], target: number): ServiceLevel {
  const n = lines[0]?.draws.length ?? 0;
  const rankedLines = lines.map((line) => rankedDraws(line.draws));
  const sorted = rankedLines.map((line) => line.sorted);
  const ranks = rankedLines.map((line) => line.ranks);
  const greatest = greatestOf(ranks, n);
  const order = rankedDraws(greatest).sorted;
  const rank = n === 0 ? 0 : quantileOf(order, target);
  const quantitiesAt = (r: number): number[] => lines.map((line, l) => stepUp(sorted[l]?.[r - 1] ?? 0, line.step));
  const costAt = (r: number): number => quantitiesAt(r).reduce((sum, q, l) => sum + q * (lines[l]?.price ?? 0), 0);
  const { only, short } = shortages(ranks, greatest, rank);
  const byLine = (value: (l: number) => number): Record<string, number> => Object.fromEntries(lines.map((line, l) => [line.id, value(l)]));
  const quantities = quantitiesAt(rank);
  const next = target < 0.99 ? target + 0.01 : target + (1 - target) / 2;
  const most = Math.max(0, ...only);
  return {
    rank,
    level: n === 0 ? 1 : rank / n,
    covered: n === 0 ? 1 : (n - short) / n,
    quantities: byLine((l) => quantities[l] ?? 0),
    alone: byLine((l) => stepUp(quantileOf(sorted[l] ?? [], target), lines[l]?.step ?? 1)),
    onlyShort: byLine((l) => (short === 0 ? 0 : (only[l] ?? 0) / short)),
    drives: most === 0 ? null : (lines[only.indexOf(most)]?.id ?? null),
    cost: costAt(rank),
    costOfOnePointMore: n === 0 ? 0 : costAt(quantileOf(order, next)) - costAt(rank),
  };
}

/** Σ quantity × price at the common rank of each target, cents. */
export function costsAt(lines: readonly RankedLine[], targets: readonly number[]): readonly number[] {
  const n = lines[0]?.draws.length ?? 0;
  if (n === 0) return targets.map(() => 0);
  const rankedLines = lines.map((line) => rankedDraws(line.draws));
  const sorted = rankedLines.map((line) => line.sorted);
  const order = rankedDraws(
    greatestOf(
      rankedLines.map((line) => line.ranks),
      n,
    ),
  ).sorted;
  return targets.map((target) => {
    const rank = quantileOf(order, target);
    return lines.reduce((sum, line, l) => sum + stepUp(sorted[l]?.[rank - 1] ?? 0, line.step) * line.price, 0);
  });
}

/** Each draw's greatest rank over the lines. */
function greatestOf(ranks: readonly Float64Array[], n: number): Float64Array {
  const greatest = new Float64Array(n);
  for (const rank of ranks)
    for (let i = 0; i < n; i += 1) {
      const of = rank[i] ?? 0;
      if (of > (greatest[i] ?? 0)) greatest[i] = of;
    }
  return greatest;
}

function stepUp(quantity: number, step: number): number {
  return ceiling(quantity / step) * step;
}

/** Draws not covered, and for each line how many of those it alone is short in. */
function shortages(ranks: readonly Float64Array[], greatest: Float64Array, rank: number): { only: number[]; short: number } {
  const only = ranks.map(() => 0);
  let short = 0;
  for (let i = 0; i < greatest.length; i += 1) {
    if ((greatest[i] ?? 0) <= rank) continue;
    short += 1;
    let [lines, single] = [0, 0];
    for (let l = 0; l < ranks.length; l += 1) {
      if ((ranks[l]?.[i] ?? 0) <= rank) continue;
      lines += 1;
      single = l;
    }
    if (lines === 1) only[single] = (only[single] ?? 0) + 1;
  }
  return { only, short };
}

/** Target when costs decide: C_u/(C_u + C_o), C_o at least 0, at most 0.999. Costs in cents. */
export function targetFromCosts(turnedAwayCost: number, leftOverCost: number): number {
  return Math.min(0.999, turnedAwayCost / (turnedAwayCost + Math.max(0, leftOverCost)));
}
