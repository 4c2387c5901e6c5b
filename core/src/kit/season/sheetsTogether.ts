import type { CutPlan } from "../cutting/cut.ts";
import { jointJob } from "../cutting/jointJob.ts";
import type { SheetJob, SheetPlan } from "../cutting/sheets.ts";

/** Plans several sizes from one size of sheet. */
export type CutTogether = (job: SheetJob) => SheetPlan;

/** Pieces of one size that must have been cut by each crate in turn; never fewer than before. */
export interface CutDemand {
  readonly plan: CutPlan;
  readonly by: readonly number[];
}

/**
 * Sheets that must be there by each crate in turn when all sizes of a season are cut from them together: all that is
 * wanted is planned as one job, then its sheets are opened as crates come, the one first that gives most of what is
 * wanted by then; what else is cut from it is kept for later crates. null where there is nothing to cut together, or it
 * can't be planned.
 */
export function openedTogether(demands: readonly CutDemand[], cutTogether: CutTogether): readonly number[] | null {
  const wanted = demands.filter(({ by }) => (by.at(-1) ?? 0) > 0);
  const job = wanted.length > 1 ? jointJob(wanted.map(({ plan, by }) => ({ plan, pieces: by.at(-1) ?? 0 }))) : null;
  const plan = job && cutTogether(job);
  if (!job || !plan?.feasible) return null;
  const left = plan.patterns.map(({ times, placed }) => ({
    times,
    gives: job.pieces.map((_, i) => placed.filter((p) => p.of === i).length),
  }));
  const missing = job.pieces.map(() => 0);
  let opened = 0;
  return (wanted[0]?.by ?? []).map((_, k) => {
    for (const [i, { by, plan: cut }] of wanted.entries()) {
      const pieces = (crate: number): number => Math.ceil((by[crate] ?? 0) / (cut.perRectangle ?? 1));
      missing[i] = (missing[i] ?? 0) + pieces(k) - (k === 0 ? 0 : pieces(k - 1));
    }
    while (missing.some((pieces) => pieces > 0)) {
      const worth = left.map(({ times, gives }) => (times > 0 ? areaOf(job, gives, missing) : 0));
      const next = left[worth.indexOf(Math.max(...worth))];
      if (!next || next.times === 0) break;
      next.times -= 1;
      opened += 1;
      for (const [i, given] of next.gives.entries()) missing[i] = (missing[i] ?? 0) - given;
    }
    return opened;
  });
}

/** How much of what a sheet gives is missing. */
function areaOf({ pieces }: SheetJob, gives: readonly number[], missing: readonly number[]): number {
  return pieces.reduce((sum, { w, h }, i) => sum + w * h * Math.min(gives[i] ?? 0, Math.max(0, missing[i] ?? 0)), 0);
}
