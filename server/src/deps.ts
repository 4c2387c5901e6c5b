import type { Logger } from "pino";
import type { Clock } from "./clock.ts";
import type { Database } from "./db/open.ts";

/** All that services are given. */
export interface Deps {
  readonly db: Database;
  readonly clock: Clock;
  /** Goes forward whatever the machine's clock is set to: for waits and limits. */
  readonly steady: Clock;
  readonly log: Logger;
  /** The public address a new house starts with. */
  readonly url: string;
  /** What the first visitor of an empty installation must type; printed by the server. */
  readonly setupCode: string;
  /** Folder of the built interface; null serves the API alone. */
  readonly web: string | null;
  /** Folder of the house's file. */
  readonly data: string;
  /** Folders that hold the list of erased entries: the house's own, its copies', a replica's. */
  readonly erasureFolders: readonly string[];
  /** Reverse proxies between the visitors and this server, each of which adds to x-forwarded-for (LAMPCRATE_PROXY). */
  readonly proxies: number;
  /** Addresses of the house itself, whose visitors share one: they are not limited (LAMPCRATE_OWN_ADDRESSES). */
  readonly ownAddresses: readonly string[];
}
