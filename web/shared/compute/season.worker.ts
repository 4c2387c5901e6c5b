import {
  type BuyProblem,
  cheapest,
  costBound,
  crateKey,
  drawnCrate,
  drawnCrates,
  fewestSuppliers,
  nextCheapest,
  type Preparing,
  type Purchase,
  type SeasonCertainty,
  type SeasonCrate,
  type SeasonRun,
  seasonCertainty,
  soonest,
  unsizedCrates,
} from "@lampcrate/core";
import { expose } from "comlink";
import { keepCertainty, keepCrates, keptCertainty, keptCrates } from "./keptSeason.ts";
import { solver } from "./solver.ts";
import { warmUp } from "./warmUp.ts";

/** What a season's crates are sized from. */
export interface SeasonInput {
  readonly runs: readonly SeasonRun[];
  readonly now: number;
  readonly today: string;
  readonly preparing: Preparing;
}

/** How far a plan has come: a good one with its distance from what nothing can beat, then the cheapest, then the other ways. */
export interface Planned {
  readonly best: Purchase | null;
  /** What no purchase can beat, cents. */
  readonly bound: number;
  readonly next: Purchase | null;
  readonly fewest: Purchase | null;
  readonly soonest: { readonly purchase: Purchase; readonly day: number } | null;
  readonly stage: "good" | "proven" | "done";
  readonly tookMs: number;
}

/** The first plan may be this far from the cheapest: it is there at once. */
const goodGap = 0.02;

const season = {
  /** Every crate of a season; only those that something has changed for since they were last asked for are sized. */
  async crates({ runs, now, today, preparing }: SeasonInput): Promise<readonly SeasonCrate[]> {
    const kept = await keptCrates();
    const crates = unsizedCrates(runs, now).map((one) => {
      const key = crateKey(one, today, preparing);
      return [key, kept.get(key) ?? drawnCrate(one, today, preparing).crate] as const;
    });
    if (crates.length !== kept.size || crates.some(([key]) => !kept.has(key))) await keepCrates(new Map(crates));
    return crates.map(([, crate]) => crate);
  },

  /** How sure a season is as a whole: all of its crates are drawn anew for it. */
  async certainty({ runs, now, today, preparing }: SeasonInput): Promise<SeasonCertainty> {
    const key = JSON.stringify(unsizedCrates(runs, now).map((one) => crateKey(one, today, preparing)));
    const kept = await keptCertainty(key);
    if (kept) return kept;
    const certainty = seasonCertainty(drawnCrates(runs, now, today, preparing));
    // The worker ends with its answer.
    await keepCertainty(key, certainty);
    return certainty;
  },

  /** Gets the solver ready, so that the first plan need not wait for it. */
  async warm(): Promise<void> {
    const solve = await solver();
    warmUp(solve);
  },

  /** Plans the buying in stages, giving each as soon as it is known. It ends once the last has been taken in. */
  async plan(problem: BuyProblem, give: (planned: Planned) => void | Promise<void>): Promise<void> {
    const solve = await solver();
    const from = performance.now();
    let planned: Planned = { best: null, bound: 0, next: null, fewest: null, soonest: null, stage: "good", tookMs: 0 };
    const tell = async (more: Partial<Planned>): Promise<void> => {
      planned = { ...planned, ...more, tookMs: performance.now() - from };
      await give(planned);
    };
    const good = cheapest(problem, solve, { gap: goodGap, seconds: 5 });
    const bound = good?.bound || costBound(problem, solve);
    await tell({ bound, best: good });
    const best = cheapest(problem, solve);
    await tell({ best, bound: best?.proven ? best.cost : bound, stage: "proven" });
    if (best && best.packs.length > 0) {
      await tell({ next: nextCheapest(problem, best, solve) });
      await tell({ fewest: fewestSuppliers(problem, solve) });
      await tell({ soonest: soonest(problem, solve) });
    }
    await tell({ stage: "done" });
  },
};

export type SeasonWorker = typeof season;

expose(season);
