import { randomInt } from "node:crypto";
import { existsSync } from "node:fs";
import { createServer, type RequestListener, type Server, type ServerOptions } from "node:http";
import type { AddressInfo } from "node:net";
import { join, resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { serve } from "@hono/node-server";
import { pino } from "pino";
import { createApp } from "./app.ts";
import { type Clock, steadyClock } from "./clock.ts";
import { holdFolder } from "./db/lock.ts";
import { type Database, openDatabase } from "./db/open.ts";
import type { PageMarkup } from "./http/pages.ts";
import { hangingUp, patience } from "./http/patience.ts";
import { startUpkeep, type UpkeepSettings } from "./jobs/upkeep.ts";
import { reckonBeside } from "./reckoning/reckoner.ts";
import type { Served } from "./served.ts";
import { followServerUrl, isEmpty } from "./services/house/house.ts";
import type { LookedAfter } from "./upkeep/health.ts";
import { replicaAddress, replicaFolder } from "./upkeep/litestream.ts";

/** How long a stop waits for requests in flight before it hangs up on them, ms. */
const graceMs = 3000;

/**
 * A connection that sends its headers slower than this is hung up on, ms; its body has the patience of its door. One
 * that rests is kept for longer than proxies and phones keep theirs: whoever hangs up first must not be the one that is
 * just being asked.
 */
const slowest = {
  headersTimeout: 10_000,
  requestTimeout: patience.picture + 10_000,
  connectionsCheckingInterval: 2000,
  keepAliveTimeout: 65_000,
};

/** A server that answers. */
export interface Running {
  readonly port: number;
  readonly deps: Served;
  /** Stops taking requests, finishes those in flight or hangs up on them after three seconds, closes the file. */
  readonly stop: () => Promise<void>;
}

/** What a server is started with. */
export interface ServeOptions {
  readonly port: number;
  readonly data: string;
  /** The public address as the environment gives it, null when it doesn't. */
  readonly url: string | null;
  readonly clock: Clock;
  readonly web: string | null;
  readonly logLevel?: string;
  readonly proxies?: number;
  readonly ownAddresses?: readonly string[];
  readonly upkeep?: UpkeepSettings;
  /** Folder of the built server, where its threads are; long computations are done on the spot without it. */
  readonly dist?: string;
}

/** What draws a family's page for the first answer, from the folder of the built server; null where it isn't built. */
async function builtMarkup(dist: string | undefined): Promise<PageMarkup | null> {
  const file = join(dist ?? "", "familyPages.js");
  if (dist === undefined || !existsSync(file)) return null;
  // What draws it is three times as slow where it looks out for mistakes of its own.
  process.env["NODE_ENV"] ??= "production";
  const { pageMarkup } = (await import(pathToFileURL(file).href)) as { readonly pageMarkup: PageMarkup };
  return pageMarkup;
}

/** Where the list of erased entries is kept: in the house's folder, with its copies, and with a replica in a folder. */
function erasureFolders({ data, upkeep }: Pick<ServeOptions, "data" | "upkeep">): readonly string[] {
  const replica = upkeep?.replica === undefined ? null : replicaFolder(replicaAddress(upkeep.replica, resolve));
  return [data, upkeep?.backups, replica].flatMap((folder) => folder ?? []);
}

/** Opens the data folder, which no other server may have, and serves it. */
export async function serveHouse(options: ServeOptions): Promise<Running> {
  const release = holdFolder(options.data, "serving");
  let db: Database | null = null;
  const close = (): void => {
    db?.$client.close();
    release();
  };
  try {
    db = openDatabase(options.data);
    followServerUrl(db, options.url);
    const deps: Served = {
      db,
      clock: options.clock,
      steady: steadyClock,
      log: pino({ level: options.logLevel ?? "info" }),
      url: options.url ?? `http://localhost:${options.port}`,
      setupCode: `${randomInt(1000, 10_000)}-${randomInt(1000, 10_000)}`,
      web: options.web,
      data: options.data,
      erasureFolders: erasureFolders(options),
      reckon: reckonBeside(db, options.data, options.dist ?? ""),
      pageMarkup: await builtMarkup(options.dist),
      proxies: options.proxies ?? 0,
      ownAddresses: options.ownAddresses ?? [],
    };
    // Upkeep first: it looks at the clock before anybody is served, and it is what health is asked of.
    const upkeep = startUpkeep(deps, options.upkeep ?? {});
    const server = await listen(deps, upkeep, options.port).catch(async (error: Error) => {
      await upkeep.end();
      await deps.reckon.end();
      throw error;
    });
    if (isEmpty(db)) console.log(`\nThis house is empty. Set-up code for the first visit: ${deps.setupCode}\n`);
    return {
      port: (server.address() as AddressInfo).port,
      deps,
      stop: async () => {
        await Promise.all([upkeep.end(), stopped(server)]);
        await deps.reckon.end();
        close();
      },
    };
  } catch (error) {
    close();
    throw error;
  }
}

async function listen(deps: Served, lookedAfter: LookedAfter, port: number): Promise<Server> {
  const app = createApp(deps, lookedAfter);
  const server = serve({
    fetch: app.fetch,
    port,
    createServer: ((given: ServerOptions, listener: RequestListener) =>
      createServer({ ...given, ...slowest }, hangingUp(listener))) as typeof createServer,
  }) as Server;
  await new Promise<void>((resolve, reject) => {
    server.once("listening", resolve);
    server.once("error", reject);
  });
  return server;
}

/** Ends once requests in flight are answered, or their time is over, whatever hangs on a socket. */
function stopped(server: Server): Promise<void> {
  return new Promise((resolve) => {
    const hangUp = setTimeout(() => server.closeAllConnections(), graceMs);
    server.close(() => {
      clearTimeout(hangUp);
      resolve();
    });
    server.closeIdleConnections();
  });
}
