import { purchasePlan } from "../src/kit/buying/purchase.ts";
import type { CrateInput, CrateLine } from "../src/kit/crate/crate.ts";
import { learnAmount, learnRebuild, learnSpoil } from "../src/kit/crate/learn.ts";
import { manifestOf, usualDraws } from "../src/kit/crate/manifest.ts";
import { commonRank, targetFromCosts } from "../src/kit/crate/serviceLevel.ts";
import { tornadoOf } from "../src/kit/crate/tornado.ts";
import { rectangleCount } from "../src/kit/cutting/cut.ts";
import { rollPlan } from "../src/kit/cutting/rolls.ts";
import { sheetPlan } from "../src/kit/cutting/sheets.ts";
import { drawLine, drawRebuilds, type LineUse, spoilWithMiscuts } from "../src/kit/draws/demand.ts";
import { drawHeads, type HeadsModel, headsPosterior } from "../src/kit/draws/heads.ts";
import { quantileOf } from "../src/kit/draws/rounding.ts";
import { type Grouping, unitsFor } from "../src/kit/draws/units.ts";
import { collectStart, preparation, toBuy } from "../src/kit/preparing/prepare.ts";
import { solve } from "./highs.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

const seed = "reference";

function headsOf(h: Input): HeadsModel {
  const cap = h.cap === undefined || h.cap === null ? {} : { cap: h.cap };
  if (h.model === "signedUp") return { model: "signedUp", signedUp: h.R, showRate: h.showRate, walkIns: h.walkIns, ...cap };
  if (h.model === "atHome") return { model: "atHome", asked: h.asked, takeUp: h.takeUp ?? 1, more: h.more, ...cap };
  return { ...h, ...cap };
}

const grouping = (i: Input): Grouping => ({ teamSize: i.k ?? 1, seats: i.seats ?? 1, share: i.share ?? 1, rigServes: i.rigServes ?? 1 });

function lineOf(i: Input): LineUse {
  const id = i.id ?? "line";
  if (i.kind === "reusable")
    return { id, per: i.per, kind: "reusable", share: i.share ?? 1, unitsPerItem: i.unitsPerItem ?? 1, loss: i.loss ?? 0 };
  if (i.kind === "measured")
    return { id, per: i.per, kind: "measured", amount: i.a, perRebuild: i.f ?? 0, spread: i.c ?? 0, step: i.step ?? 10 };
  return { id, per: i.per, kind: "counted", amount: i.a, perRebuild: i.f ?? 0, spoilRate: i.p ?? 0 };
}

const summary = (draws: ArrayLike<number>, quantiles: readonly number[]) => {
  const sorted = Float64Array.from(draws).sort();
  return { quantiles: quantiles.map((q) => quantileOf(sorted, q)), mean: sorted.reduce((a, b) => a + b, 0) / sorted.length };
};

function unitsOf(i: Input): Int32Array {
  return drawHeads(headsOf(i.heads), seed, usualDraws).map((n) => unitsFor(i.per, n, grouping(i)));
}

function lineDemand(i: Input): unknown {
  const units = unitsOf(i);
  const builds = i.per === (i.buildBy ?? (i.per === "team" ? "team" : "builder"));
  const rebuilds = builds
    ? drawRebuilds(units, { buildBy: i.per, rate: i.q ?? 0, loops: i.loops ?? 0 }, seed)
    : new Int32Array(units.length);
  return summary(drawLine(lineOf(i), units, rebuilds, seed).draws, i.quantiles);
}

function joint(i: Input): unknown {
  const lines: CrateLine[] = i.lines.map((line: Input) => ({ ...lineOf(line), price: line.price ?? 0, onHand: 0 }));
  const manifest = manifestOf({
    sessions: [{ id: seed, heads: headsOf(i.heads) }],
    grouping: grouping(i),
    rebuilding: { buildBy: i.buildBy, rate: i.q, loops: i.loops },
    target: i.target,
    lines,
  });
  const by = (part: (line: (typeof manifest.lines)[number]) => number) =>
    Object.fromEntries(manifest.lines.map((line) => [line.id, part(line)]));
  return {
    commonLevel: manifest.level,
    quantities: by((l) => l.quantity),
    alone: by((l) => l.alone),
    drives: manifest.drives,
    shareOnlyShort: by((l) => l.onlyShort),
  };
}

function ranks(i: Input): unknown {
  const level = commonRank(
    i.lines.map((line: Input) => ({ id: line.id, price: line.price, step: line.step ?? 1, draws: i.draws[line.id] })),
    i.target,
  );
  return {
    rank: level.rank,
    quantities: level.quantities,
    alone: level.alone,
    covered: level.covered,
    shareOnlyShort: level.onlyShort,
    cost: level.cost,
    costOfOnePointMore: level.costOfOnePointMore,
    drives: level.drives,
  };
}

function tornadoInput(i: Input): CrateInput {
  return {
    sessions: [{ id: seed, heads: headsOf(i.heads) }],
    grouping: { teamSize: i.k ?? 1, seats: i.seats ?? 6, share: i.share ?? 1, rigServes: i.rigServes ?? 12 },
    rebuilding: { buildBy: i.buildBy, rate: i.q, loops: i.loops },
    target: i.target,
    lines: i.lines.map((l: Input) => ({
      id: l.id,
      per: l.per,
      kind: l.kind,
      amount: l.a,
      perRebuild: l.f,
      spoilRate: l.p,
      spread: l.c,
      step: l.step ?? 1,
      share: l.share ?? 1,
      unitsPerItem: l.unitsPerItem ?? 1,
      loss: l.loss ?? 0,
      price: l.price,
      onHand: 0,
    })),
  };
}

/** Quantities of kit sizing by name; a name not listed is not built yet. */
export const kit: Readonly<Record<string, (input: Input) => unknown>> = {
  heads: (i) => summary(drawHeads(headsOf(i.heads), seed, usualDraws), i.quantiles),
  headsPosterior: (i) => headsPosterior(i.heads),
  units: (i) => summary(unitsOf(i), i.quantiles),
  lineDemand,
  spoilWithMiscuts: (i) => spoilWithMiscuts(i.pBuild, i.pCut),
  toBuy: (i) => toBuy(i.need, i.onHand, i.onOrder, i.promised),
  collectStart: (i) => collectStart(i.needBy, i.toBuy, i.ratePerWeek),
  preparation: (i) => preparation(i.tasks, i.days),
  tornado: (i) => {
    const { base, swings } = tornadoOf(tornadoInput(i));
    const pairs = Object.fromEntries(swings.map(({ factor, low, high }) => [factor, [low, high]]));
    return { base, ...pairs, order: swings.map(({ factor }) => factor) };
  },
  rollPlan: (i) => {
    const pieces = i.pieces.map((p: Input) => ({ length: p.length, count: p.n }));
    const plan = rollPlan({ rollLength: i.L, kerf: i.kerf ?? 0, pieces }, solve);
    return plan.feasible ? { feasible: true, rolls: plan.rolls, lengthBound: plan.bound } : { feasible: false };
  },
  mixedPlan: (i) => {
    const pieces = i.pieces.map((p: Input) => ({ w: p.w, h: p.h, count: p.n }));
    const job = { parentW: i.W, parentH: i.H, rotate: i.rotate, kerf: i.kerf ?? 0, trimW: i.trimW ?? 0, trimH: i.trimH ?? 0, pieces };
    const plan = sheetPlan(job, solve);
    return plan.feasible
      ? { areaBound: plan.areaBound, parents: plan.parents, gapPercent: (100 * (plan.parents - plan.areaBound)) / plan.areaBound }
      : { feasible: false };
  },
  purchase: (i) => {
    const plan = purchasePlan(i, solve);
    if (!plan.feasible) return { feasible: false, unmet: plan.unmet.map(({ material, needBy }) => ({ material, needBy })) };
    const { best, next } = plan;
    return { feasible: true, cost: best.cost, suppliers: best.suppliers.map((s) => s.id).sort(), nextCost: next?.cost ?? null };
  },
  learnSpoil: (i) => learnSpoil(i.p0, i.spoilt, i.good),
  learnRebuild: (i) =>
    learnRebuild(
      i.q0,
      i.loops,
      i.sessions.map((s: Input) => ({ units: s.U, rebuilds: s.B })),
    ),
  learnAmount: (i) => {
    const { perUnit, value, interval } = learnAmount(
      { kind: i.kind, amount: i.a0, perRebuild: i.f, rebuildRate: i.q ?? 0, loops: i.loops ?? 0 },
      i.sessions.map((s: Input) => ({ putOut: s.putOut, left: s.left, spoilt: s.spoilt ?? 0, units: s.U, rebuilds: s.sumB ?? null })),
    );
    return { x: perUnit, value, interval };
  },
  jointServiceLevel: joint,
  commonRankOnDraws: ranks,
  newsvendor: (i) => {
    const target = targetFromCosts(i.Cu, i.Co);
    return { target, kits: quantileOf(drawHeads(headsOf(i.heads), seed, usualDraws).sort(), target) };
  },
  rectangleCount: (i) =>
    rectangleCount({
      parentW: i.W,
      parentH: i.H,
      pieceW: i.w,
      pieceH: i.h,
      rotate: i.rotate,
      kerf: i.kerf ?? 0,
      trimW: i.trimW ?? 0,
      trimH: i.trimH ?? 0,
    }).count,
};
