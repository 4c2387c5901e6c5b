import { type RollJob, type RollPlan, rollPlan, type SheetJob, type SheetPlan, sheetPlan } from "@lampcrate/core";
import { expose } from "comlink";
import { solver } from "./solver.ts";

const cutting = {
  async sheets(job: SheetJob): Promise<{ readonly plan: SheetPlan; readonly tookMs: number }> {
    const solve = await solver();
    const from = performance.now();
    return { plan: sheetPlan(job, solve), tookMs: performance.now() - from };
  },

  async rolls(job: RollJob): Promise<{ readonly plan: RollPlan; readonly tookMs: number }> {
    const solve = await solver();
    const from = performance.now();
    return { plan: rollPlan(job, solve), tookMs: performance.now() - from };
  },
};

export type CuttingWorker = typeof cutting;

expose(cutting);
