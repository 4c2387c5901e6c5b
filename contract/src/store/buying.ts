import type { RunToSupply } from "@lampcrate/core";
import type { HouseDoc } from "../house/house.ts";
import type { BriefDoc } from "../runs/brief.ts";
import type { SessionDoc } from "../runs/run.ts";
import type { MaterialDoc } from "./material.ts";
import type { OrderDoc, SupplierDoc } from "./supplier.ts";

/** A run whose sessions need crates, with its whole brief. */
export interface SupplyRun extends RunToSupply {
  readonly brief: BriefDoc;
  readonly sessions: readonly SessionDoc[];
}

/** Everything that the season's crates, promises and buying are reckoned from. */
export interface BuyingDoc {
  readonly today: string;
  /** ms since 1970, UTC. */
  readonly now: number;
  readonly zone: string;
  readonly house: Pick<HouseDoc, "currency" | "units" | "closures" | "preparing">;
  readonly runs: readonly SupplyRun[];
  readonly materials: readonly MaterialDoc[];
  readonly suppliers: readonly SupplierDoc[];
  /** The season is bought for as one, this surely; null: each crate by itself. */
  readonly asOne: number | null;
  /** Newest first. */
  readonly orders: readonly OrderDoc[];
}

/** How the season is to be bought for. */
export interface AsOneInput {
  readonly asOne: number | null;
}
