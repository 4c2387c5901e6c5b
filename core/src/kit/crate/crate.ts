import type { CutPlan } from "../cutting/cut.ts";
import type { LineUse, Rebuilding } from "../draws/demand.ts";
import type { HeadsModel } from "../draws/heads.ts";
import type { Grouping } from "../draws/units.ts";

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
  /**
   * Set for days of a series: one bag for all its days, topped up for those who come to a later day alone. `before` are
   * the days already held or planned.
   */
  readonly series?: { readonly before: readonly CrateSession[] } | undefined;
}
