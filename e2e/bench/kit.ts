import { readFileSync } from "node:fs";
import {
  type BuyProblem,
  type CrateInput,
  cheapest,
  costBound,
  type HeadsModel,
  manifestOf,
  type SheetPlan,
  type Solve,
  seedOf,
  sheetPlan,
  wholeBelow,
} from "@lampcrate/core";
import { warmUp } from "../../web/shared/compute/warmUp.ts";
import { instanceCount, instanceFile } from "./seasonInstances.ts";
import { solver } from "./solver.ts";

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

function timed<T>(work: () => T): { readonly ms: number; readonly got: T } {
  const from = performance.now();
  const got = work();
  return { ms: performance.now() - from, got };
}

/** A crate of 40 lines of every kind. */
function largeCrate(): CrateInput {
  const heads: HeadsModel = { model: "forecast", low: 62, likely: 85, high: 118, cap: 160 };
  const lines = Array.from({ length: 40 }, (_, i): CrateInput["lines"][number] => {
    const base = { id: `line-${i}`, per: i % 3 === 0 ? ("team" as const) : ("builder" as const), price: 10 + i, onHand: 50 };
    if (i % 5 === 4) return { ...base, kind: "measured", amount: 600, perRebuild: 0.5, spread: 0.35, step: 10 };
    if (i % 5 === 3) return { ...base, kind: "reusable", share: 0.4, unitsPerItem: 2, loss: 0.5 };
    return { ...base, kind: "counted", amount: 1 + (i % 4), perRebuild: 0.5, spoilRate: 0.05 };
  });
  return {
    sessions: [{ id: "bench-session", heads }],
    grouping: { teamSize: 2, seats: 6, share: 0.4, rigServes: 30 },
    rebuilding: { buildBy: "builder", rate: 0.4, loops: 2 },
    target: 0.95,
    lines,
    draws: 10_000,
  };
}

export interface KitFigures {
  readonly manifestMs: number;
  /** Of the published seasons: slowest good plan with its greatest gap, per cent, and the median and slowest proof. */
  readonly goodMs: number;
  readonly goodGap: number;
  readonly provenMs: number;
  readonly slowestMs: number;
  readonly cutMs: number;
  readonly cut: SheetPlan;
  /** Of 60 mixed jobs: mean gap to the best bound, per cent, sheets in all, and the slowest, ms. */
  readonly mixed: { readonly gap: number; readonly sheets: number; readonly slowestMs: number };
}

/** Times the kit's heavy sums as the workers do them. */
export async function benchKit(): Promise<KitFigures> {
  const crate = largeCrate();
  manifestOf(crate);
  const manifestMs = median(Array.from({ length: 7 }, () => timed(() => manifestOf(crate)).ms));
  const solve = await solver();
  const seasons = Array.from({ length: instanceCount }, (_, i) => JSON.parse(readFileSync(instanceFile(i + 1), "utf8")) as BuyProblem);
  warmUp(solve);
  const plans = seasons.map((problem) => {
    const good = timed(() => ({ bound: costBound(problem, solve), best: cheapest(problem, solve, { gap: 0.02, seconds: 5 }) }));
    const proven = timed(() => cheapest(problem, solve));
    if (!good.got.best || !proven.got?.proven) throw new Error("a published season has no plan");
    return { goodMs: good.ms, gap: (100 * (good.got.best.cost - good.got.bound)) / good.got.bound, provenMs: proven.ms };
  });
  const pieces = Array.from({ length: 6 }, (_, i) => ({
    w: 60 + wholeBelow(180, seedOf("bench cut"), i, 0),
    h: 50 + wholeBelow(140, seedOf("bench cut"), i, 1),
    count: 10,
  }));
  const job = { parentW: 700, parentH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0, pieces };
  const cuts = Array.from({ length: 5 }, () => timed(() => sheetPlan(job, solve)));
  return {
    manifestMs,
    goodMs: Math.max(...plans.map((p) => p.goodMs)),
    goodGap: Math.max(...plans.map((p) => p.gap)),
    provenMs: median(plans.map((p) => p.provenMs)),
    slowestMs: Math.max(...plans.map((p) => p.provenMs)),
    cutMs: median(cuts.map((c) => c.ms)),
    cut: cuts[0]?.got ?? { feasible: false, tooLarge: [] },
    mixed: mixedJobs(solve),
  };
}

/** Jobs of two to five sizes, one to seven of each, from sheets of 700 by 500. */
function mixedJobs(solve: Solve): KitFigures["mixed"] {
  const any = (least: number, most: number, job: number, place: number): number =>
    least + wholeBelow(most - least + 1, seedOf("bench mixed", String(job)), place, 0);
  const plans = Array.from({ length: 60 }, (_, job) => {
    const pieces = Array.from({ length: any(2, 5, job, 0) }, (_, i) => ({
      w: any(60, 420, job, 3 * i + 1),
      h: any(60, 330, job, 3 * i + 2),
      count: any(1, 7, job, 3 * i + 3),
    }));
    return timed(() => sheetPlan({ parentW: 700, parentH: 500, rotate: job % 2 === 0, kerf: job % 3, trimW: 0, trimH: 0, pieces }, solve));
  });
  const feasible = plans.flatMap(({ got }) => (got.feasible ? [got] : []));
  return {
    gap: feasible.reduce((sum, { gapPercent }) => sum + gapPercent, 0) / Math.max(1, feasible.length),
    sheets: feasible.reduce((sum, { parents }) => sum + parents, 0),
    slowestMs: Math.max(...plans.map(({ ms }) => ms)),
  };
}
