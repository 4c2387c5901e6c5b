import {
  type Allotment,
  allotments,
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
  sheetPlan,
  soonest,
  type TooLate,
  unsizedCrates,
  withoutCollected,
  withoutLate,
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

/** What is to be bought for: the whole season, and which of its materials people bring. */
export interface ToBuy {
  readonly whole: BuyProblem;
  readonly brought: readonly string[];
}

/** How far a plan has come: a good one with its distance from what nothing can beat, then the cheapest, then the other ways. */
export interface Planned {
  /** What no order can bring in time. */
  readonly late: readonly TooLate[];
  /** What can be bought in time: the season without what is late and what is collected. */
  readonly rest: BuyProblem;
  /** Who gets what of the best purchase. */
  readonly shares: readonly Allotment[];
  readonly best: Purchase | null;
  /** What no purchase can beat, cents. */
  readonly bound: number;
  readonly next: Purchase | null;
  readonly fewest: Purchase | null;
  readonly soonest: { readonly purchase: Purchase; readonly day: number } | null;
  readonly stage: "good" | "proven" | "done";
  readonly tookMs: number;
}

/** Another make when what is found of a season is: what a device has kept of an older one is found anew. */
const certaintyMake = 2;

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
    const key = JSON.stringify([certaintyMake, ...unsizedCrates(runs, now).map((one) => crateKey(one, today, preparing))]);
    const kept = await keptCertainty(key);
    if (kept) return kept;
    const solve = await solver();
    const certainty = seasonCertainty(drawnCrates(runs, now, today, preparing), (job) => sheetPlan(job, solve));
    // The worker ends with its answer.
    await keepCertainty(key, certainty);
    return certainty;
  },

  /** Gets the solver ready, so that the first plan need not wait for it. */
  async warm(): Promise<void> {
    const solve = await solver();
    warmUp(solve);
  },

  /** Plans the buying in stages, giving what each adds as soon as it is known: the first gives all. It ends once the last has been taken in. */
  async plan({ whole, brought }: ToBuy, give: (more: Partial<Planned>) => void | Promise<void>): Promise<void> {
    const solve = await solver();
    const from = performance.now();
    const { late, rest } = withoutLate(withoutCollected(whole, brought));
    const tell = async (more: Partial<Planned>): Promise<void> => void (await give({ ...more, tookMs: performance.now() - from }));
    const good = cheapest(rest, solve, { gap: goodGap, seconds: 5 });
    const bound = good?.bound || costBound(rest, solve);
    const others = { next: null, fewest: null, soonest: null };
    await tell({ late, rest, best: good, shares: allotments(whole, rest, good), bound, ...others, stage: "good" });
    const best = cheapest(rest, solve);
    const same = JSON.stringify(best?.packs) === JSON.stringify(good?.packs);
    await tell({
      best,
      bound: best?.proven ? best.cost : bound,
      stage: "proven",
      ...(same ? {} : { shares: allotments(whole, rest, best) }),
    });
    if (best && best.packs.length > 0) {
      await tell({ next: nextCheapest(rest, best, solve) });
      await tell({ fewest: fewestSuppliers(rest, solve) });
      await tell({ soonest: soonest(rest, solve) });
    }
    await tell({ stage: "done" });
  },
};

export type SeasonWorker = typeof season;

expose(season);
