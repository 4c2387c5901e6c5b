import { piecesFrom } from "../cutting/cut.ts";
import type { LineDraws } from "../draws/demand.ts";
import { ceiling, quantileOf } from "../draws/rounding.ts";
import { headsOf, runDraws } from "../draws/sessionDraws.ts";
import { unitsFor } from "../draws/units.ts";
import type { CrateInput, CrateLine } from "./crate.ts";
import { commonRank, costsAt, type RankedLine } from "./serviceLevel.ts";

/** Draws behind every manifest. */
export const usualDraws = 4000;

/** One line of the manifest. */
export interface ManifestLine {
  readonly id: string;
  readonly quantity: number;
  /** Sheets to pull for a cut line, and pieces from each. */
  readonly parents: number | null;
  readonly piecesPerParent: number | null;
  readonly cutExact: boolean;
  /** Means over the draws; certainty = quantity less the other three. */
  readonly base: number;
  readonly rebuild: number;
  readonly spoilt: number;
  readonly certainty: number;
  readonly alone: number;
  readonly onlyShort: number;
  /** Missing against stock, in pieces, mm, g, ml, or parents for a cut line. */
  readonly short: number;
  readonly leftOver: number;
  /** Cents. */
  readonly cost: number;
}

/** What goes in the crate, and what it says. */
export interface Manifest {
  readonly lines: readonly ManifestLine[];
  readonly heads: { readonly low: number; readonly median: number; readonly high: number; readonly mean: number };
  /** Ready-made bags: the target's quantile of the builders or teams. */
  readonly bags: number;
  readonly level: number;
  readonly covered: number;
  readonly drives: string | null;
  /** Cents. */
  readonly cost: number;
  readonly costPerBuilder: number | null;
  readonly costOfOnePointMore: number;
  readonly short: number;
}

/** A manifest with what each of its lines uses in each draw; pieces of what is cut. */
export interface SizedCrate {
  readonly manifest: Manifest;
  readonly uses: readonly Float64Array[];
}

/** Sizes the whole crate for one session, or for all sessions of a run at once (reusables come back between sessions). */
export function manifestOf(input: CrateInput): Manifest {
  return sizeCrate(input).manifest;
}

/** The same, with the draws behind it. */
export function sizeCrate(input: CrateInput): SizedCrate {
  const { draws, came, drawn, counts, priced } = drawCrate(input);
  const level = commonRank(priced, input.target);
  const lines = input.lines.map((line, l) => manifestLine(line, drawn[l] ?? nothing, counts[l] ?? null, level));
  const heads = Float64Array.from(came).sort();
  const median = quantileOf(heads, 0.5);
  const cost = lines.reduce((sum, line) => sum + line.cost, 0);
  const manifest: Manifest = {
    lines,
    heads: { low: quantileOf(heads, 0.1), median, high: quantileOf(heads, 0.9), mean: heads.reduce((a, b) => a + b, 0) / draws },
    bags: unitsFor(input.rebuilding.buildBy, quantileOf(heads, input.target), input.grouping),
    level: level.level,
    covered: level.covered,
    drives: level.drives,
    cost,
    costPerBuilder: median > 0 ? cost / median : null,
    costOfOnePointMore: level.costOfOnePointMore,
    short: lines.filter((line) => line.short > 0).length,
  };
  return { manifest, uses: drawn.map((line) => line.draws) };
}

/** Σ quantity × unit price at the common rank of each target, cents, from one set of draws. */
export function crateCosts(input: CrateInput, targets: readonly number[]): readonly number[] {
  return costsAt(drawCrate(input).priced, targets);
}

function drawCrate(input: CrateInput) {
  const draws = input.draws ?? usualDraws;
  const came = headsOf(input, draws);
  const drawn = runDraws(input, draws);
  const counts = input.lines.map((line) => (line.cut ? piecesFrom(line.cut) : null));
  const priced: readonly RankedLine[] = input.lines.map((line, l) => ({
    id: line.id,
    draws: drawn[l]?.draws ?? [],
    step: line.kind === "measured" ? line.step : 1,
    price: line.cut && counts[l]?.count ? line.price / counts[l].count : line.price,
  }));
  return { draws, came, drawn, counts, priced };
}

const nothing: LineDraws = { draws: new Float64Array(), base: 0, rebuild: 0, spoilt: 0 };

function manifestLine(
  line: CrateLine,
  drawn: LineDraws,
  cut: { count: number; exact: boolean } | null,
  level: {
    quantities: Readonly<Record<string, number>>;
    alone: Readonly<Record<string, number>>;
    onlyShort: Readonly<Record<string, number>>;
  },
): ManifestLine {
  const quantity = level.quantities[line.id] ?? 0;
  const parents = cut && cut.count > 0 ? ceiling(quantity / cut.count) : null;
  const wanted = parents ?? quantity;
  let left = 0;
  for (let i = 0; i < drawn.draws.length; i += 1) {
    const over = quantity - (drawn.draws[i] ?? 0);
    if (over > 0) left += over;
  }
  return {
    id: line.id,
    quantity,
    parents,
    piecesPerParent: cut?.count ?? null,
    cutExact: cut?.exact ?? true,
    base: drawn.base,
    rebuild: drawn.rebuild,
    spoilt: drawn.spoilt,
    certainty: quantity - drawn.base - drawn.rebuild - drawn.spoilt,
    alone: level.alone[line.id] ?? 0,
    onlyShort: level.onlyShort[line.id] ?? 0,
    short: Math.max(0, wanted - line.onHand),
    leftOver: drawn.draws.length === 0 ? 0 : left / drawn.draws.length,
    cost: wanted * line.price,
  };
}
