import { BinomialDraws } from "../random/discrete.ts";
import { seedOf, uniformAt } from "../random/stream.ts";
import { type CutPlan, rectangleCount } from "./cut.ts";
import { drawLine, drawRebuilds, type LineDraws, type LineUse, type Rebuilding } from "./demand.ts";
import { capOf, drawHeads, type HeadsModel } from "./heads.ts";
import { ceiling, quantileOf, roundHalfUp } from "./rounding.ts";
import { commonRank, costsAt, type RankedLine } from "./serviceLevel.ts";
import { type Grouping, unitsFor } from "./units.ts";

/** Draws behind every manifest. */
export const usualDraws = 4000;

/** One session's people; its id is the seed. */
export interface CrateSession {
  readonly id: string;
  readonly heads: HeadsModel;
  /** Every draw's heads times this, rounded, never above the cap: what if more or fewer came. */
  readonly scale?: number | undefined;
}

/** A line with what it costs and what there is of it. */
export type CrateLine = LineUse & {
  /** Cents for one piece, mm, g or ml; for a cut line, for one parent. */
  readonly price: number;
  /** Pieces, mm, g, ml; for a cut line, parents. */
  readonly onHand: number;
  /** Set when the pieces are cut from sheets. */
  readonly cut?: CutPlan | undefined;
};

/** Everything a crate depends on. Same input, same crate, on every machine. */
export interface CrateInput {
  readonly sessions: readonly CrateSession[];
  readonly grouping: Grouping;
  readonly rebuilding: Rebuilding;
  /** Chance that no line runs out, over the whole crate. */
  readonly target: number;
  readonly lines: readonly CrateLine[];
  /** Tiers that take different amounts, with their shares; lines name their tier. */
  readonly tiers?: readonly { readonly id: string; readonly share: number }[] | undefined;
  readonly draws?: number | undefined;
}

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
  readonly level: number;
  readonly covered: number;
  readonly drives: string | null;
  /** Cents. */
  readonly cost: number;
  readonly costPerBuilder: number | null;
  readonly costOfOnePointMore: number;
  readonly short: number;
}

/** Sizes the whole crate for one session, or for all sessions of a run at once (reusables come back between sessions). */
export function manifestOf(input: CrateInput): Manifest {
  const { draws, sessions, drawn, counts, priced } = drawCrate(input);
  const level = commonRank(priced, input.target);
  const lines = input.lines.map((line, l) => manifestLine(line, drawn[l] ?? nothing, counts[l] ?? null, level));
  const heads = sessions.reduce<Float64Array<ArrayBuffer>>((sum, s) => addTo(sum, s.heads), new Float64Array(draws)).sort();
  const median = quantileOf(heads, 0.5);
  const cost = lines.reduce((sum, line) => sum + line.cost, 0);
  return {
    lines,
    heads: { low: quantileOf(heads, 0.1), median, high: quantileOf(heads, 0.9), mean: heads.reduce((a, b) => a + b, 0) / draws },
    level: level.level,
    covered: level.covered,
    drives: level.drives,
    cost,
    costPerBuilder: median > 0 ? cost / median : null,
    costOfOnePointMore: level.costOfOnePointMore,
    short: lines.filter((line) => line.short > 0).length,
  };
}

/** Σ quantity × unit price at the common rank of each target, cents, from one set of draws. */
export function crateCosts(input: CrateInput, targets: readonly number[]): readonly number[] {
  return costsAt(drawCrate(input).priced, targets);
}

function drawCrate(input: CrateInput) {
  const draws = input.draws ?? usualDraws;
  const sessions = input.sessions.map((session) => sessionDraws(session, input, draws));
  const drawn = input.lines.map((line) =>
    sumSessions(
      line,
      sessions.map((s) => s.byLine(line)),
      draws,
    ),
  );
  const counts = input.lines.map((line) => (line.cut ? rectangleCount(line.cut) : null));
  const priced: readonly RankedLine[] = input.lines.map((line, l) => ({
    id: line.id,
    draws: drawn[l]?.draws ?? [],
    step: line.kind === "measured" ? line.step : 1,
    price: line.cut && counts[l]?.count ? line.price / counts[l].count : line.price,
  }));
  return { draws, sessions, drawn, counts, priced };
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
  for (const use of drawn.draws) left += Math.max(0, quantity - use);
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

interface SessionDraws {
  readonly heads: Int32Array;
  readonly byLine: (line: CrateLine) => LineDraws;
}

function sessionDraws(session: CrateSession, input: CrateInput, draws: number): SessionDraws {
  const came = drawHeads(session.heads, session.id, draws);
  const { scale = 1 } = session;
  const most = capOf(session.heads);
  const heads = scale === 1 ? came : came.map((n) => Math.min(most, roundHalfUp(n * scale)));
  const builders = heads.map((n) => unitsFor(input.rebuilding.buildBy, n, input.grouping));
  const tiers = splitTiers(builders, input.tiers ?? [], session.id);
  const none = new Int32Array(draws);
  const rebuilds = new Map<string, Int32Array>();
  const rebuildsOf = (tier: string, units: Int32Array): Int32Array => {
    const known = rebuilds.get(tier) ?? drawRebuilds(units, input.rebuilding, tier === "" ? session.id : `${session.id} ${tier}`);
    rebuilds.set(tier, known);
    return known;
  };
  return {
    heads,
    byLine: (line) => {
      const builds = line.per === input.rebuilding.buildBy;
      const ofTier = line.tier === undefined ? undefined : tiers.get(line.tier);
      const units = builds ? (ofTier ?? builders) : heads.map((n) => unitsFor(line.per, n, input.grouping));
      return drawLine(line, units, builds ? rebuildsOf(ofTier && line.tier !== undefined ? line.tier : "", units) : none, session.id);
    },
  };
}

/** U split by Multinomial(tier shares): one binomial after another of what is left. */
function splitTiers(units: Int32Array, tiers: readonly { id: string; share: number }[], seed: string): Map<string, Int32Array> {
  const split = new Map<string, Int32Array>();
  let left = units;
  let share = tiers.reduce((sum, tier) => sum + tier.share, 0);
  for (const tier of tiers) {
    const draws = new BinomialDraws(share > 0 ? Math.min(1, tier.share / share) : 0);
    const stream = seedOf(seed, "tier", tier.id);
    const taken = left.map((n, i) => draws.at(n, uniformAt(stream, i)));
    split.set(tier.id, taken);
    left = left.map((n, i) => n - (taken[i] ?? 0));
    share -= tier.share;
  }
  return split;
}

/** A run's draws: what is used adds up; what comes back is the greatest need of a session plus what was lost before it. */
function sumSessions(line: CrateLine, sessions: readonly LineDraws[], draws: number): LineDraws {
  const [first] = sessions;
  if (!first) return { draws: new Float64Array(draws), base: 0, rebuild: 0, spoilt: 0 };
  if (sessions.length === 1) return first;
  const sum = (part: (s: LineDraws) => number): number => sessions.reduce((total, s) => total + part(s), 0);
  const spoilt = sum((s) => s.spoilt);
  if (line.kind !== "reusable") {
    return {
      draws: sessions.reduce<Float64Array<ArrayBuffer>>((total, s) => addTo(total, s.draws), new Float64Array(draws)),
      base: sum((s) => s.base),
      rebuild: sum((s) => s.rebuild),
      spoilt,
    };
  }
  const most = new Float64Array(draws);
  let before = 0;
  for (const session of sessions) {
    for (let i = 0; i < draws; i += 1) most[i] = Math.max(most[i] ?? 0, (session.draws[i] ?? 0) + Math.round(before));
    before += session.spoilt;
  }
  return { draws: most, base: Math.max(...sessions.map((s) => s.base)), rebuild: 0, spoilt };
}

function addTo(total: Float64Array<ArrayBuffer>, more: ArrayLike<number>): Float64Array<ArrayBuffer> {
  for (let i = 0; i < total.length; i += 1) total[i] = (total[i] ?? 0) + (more[i] ?? 0);
  return total;
}
