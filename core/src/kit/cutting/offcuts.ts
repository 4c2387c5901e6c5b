import { type CutPlan, piecesFrom } from "./cut.ts";
import type { Placed } from "./cutLayout.ts";

/** Another piece that is cut from the same material. */
export interface OtherCut {
  readonly id: string;
  readonly plan: CutPlan;
}

/** How many of a piece the offcuts of one parent give, were they all for it. */
export interface Served {
  readonly id: string;
  readonly pieces: number;
}

/** What the offcuts of one parent would serve, each piece by itself, most useful first; nothing where none fits. Sides keep their way: the grain does. */
export function offcutsServe(offcuts: readonly Placed[], others: readonly OtherCut[]): readonly Served[] {
  return others
    .map(({ id, plan }) => ({
      id,
      pieces: offcuts.reduce((sum, { w, h }) => sum + piecesFrom({ ...plan, parentW: w, parentH: h, trimW: 0, trimH: 0 }).count, 0),
      area: plan.pieceW * plan.pieceH,
    }))
    .filter(({ pieces }) => pieces > 0)
    .sort((a, b) => b.pieces * b.area - a.pieces * a.area)
    .map(({ id, pieces }) => ({ id, pieces }));
}
