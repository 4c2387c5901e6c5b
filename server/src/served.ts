import type { Deps } from "./deps.ts";
import type { PageMarkup } from "./http/pages.ts";
import type { Reckoner } from "./reckoning/reckoner.ts";

/** All that routes are given: what services are, and a way to have long computations done beside the server. */
export interface Served extends Deps {
  readonly reckon: Reckoner;
  /** Draws a family's page for the first answer; null where the interface isn't built. */
  readonly pageMarkup: PageMarkup | null;
}
