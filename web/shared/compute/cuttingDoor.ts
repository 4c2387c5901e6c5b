import type { RollJob, RollPlan, SheetJob, SheetPlan } from "@lampcrate/core";
import { beside } from "./beside.ts";
import type { CuttingWorker } from "./cutting.worker.ts";
import { LatestDoor } from "./latestDoor.ts";

/** Several sizes from one size of sheet, or lengths from rolls of one length. */
export type CutJob = { readonly of: "sheets"; readonly job: SheetJob } | { readonly of: "rolls"; readonly job: RollJob };

export type CutTogetherPlan =
  | { readonly of: "sheets"; readonly plan: SheetPlan; readonly tookMs: number }
  | { readonly of: "rolls"; readonly plan: RollPlan; readonly tookMs: number };

/** The door to the worker that plans how several sizes are cut together. */
export function cuttingDoor(): LatestDoor<CutJob, CutTogetherPlan> {
  return new LatestDoor(() => {
    const worker = new Worker(new URL("./cutting.worker.ts", import.meta.url), { type: "module" });
    return beside<CuttingWorker, CutJob, CutTogetherPlan>(worker, async (remote, asked) =>
      asked.of === "rolls" ? { of: "rolls", ...(await remote.rolls(asked.job)) } : { of: "sheets", ...(await remote.sheets(asked.job)) },
    );
  });
}
