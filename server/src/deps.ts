import type { Logger } from "pino";
import type { Clock } from "./clock.ts";
import type { Database } from "./db/open.ts";

/** All that routes and services are given. */
export interface Deps {
  readonly db: Database;
  readonly clock: Clock;
  readonly log: Logger;
  /** The public address a new house starts with. */
  readonly url: string;
  /** What the first visitor of an empty installation must type; printed by the server. */
  readonly setupCode: string;
  /** Folder of the built interface; null serves the API alone. */
  readonly web: string | null;
}
