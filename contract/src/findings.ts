import type { FairTestFound, RunFindings } from "@lampcrate/core";

/** What the run's accepted entries show. */
export interface FindingsDoc extends RunFindings {
  readonly waiting: number;
}

export type { FairTestFound };
