import type { CutPlan } from "./cut.ts";
import type { SheetJob } from "./sheets.ts";

/**
 * Several sizes from one size of sheet as one job: the widest kerf and trim of any, turned only where all may be.
 * `pieces`: how many of each, two triangles to a rectangle. null where the sheets aren't of one size.
 */
export function jointJob(cuts: readonly { readonly plan: CutPlan; readonly pieces: number }[]): SheetJob | null {
  const [first] = cuts;
  if (!first) return null;
  const { parentW, parentH } = first.plan;
  if (cuts.some(({ plan }) => plan.parentW !== parentW || plan.parentH !== parentH)) return null;
  const widest = (of: "kerf" | "trimW" | "trimH"): number => Math.max(...cuts.map(({ plan }) => plan[of]));
  return {
    parentW,
    parentH,
    rotate: cuts.every(({ plan }) => plan.rotate),
    kerf: widest("kerf"),
    trimW: widest("trimW"),
    trimH: widest("trimH"),
    pieces: cuts.map(({ plan, pieces }) => ({ w: plan.pieceW, h: plan.pieceH, count: Math.ceil(pieces / (plan.perRectangle ?? 1)) })),
  };
}
