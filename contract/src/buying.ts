import type { HeadsModel } from "@lampcrate/core";
import type { BriefDoc } from "./brief.ts";
import type { HouseDoc } from "./house.ts";
import type { MaterialDoc } from "./material.ts";
import type { RunKind, SessionDoc } from "./run.ts";
import type { OrderDoc, SupplierDoc } from "./supplier.ts";

/** A run whose sessions need crates. */
export interface RunToSupply {
  readonly id: string;
  readonly title: string;
  readonly kind: RunKind;
  readonly heads: HeadsModel;
  readonly opensOn: string | null;
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
  readonly runs: readonly RunToSupply[];
  readonly materials: readonly MaterialDoc[];
  readonly suppliers: readonly SupplierDoc[];
  /** Newest first. */
  readonly orders: readonly OrderDoc[];
}
