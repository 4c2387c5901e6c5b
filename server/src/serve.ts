import { randomInt } from "node:crypto";
import { createServer, type RequestListener, type ServerOptions } from "node:http";
import type { AddressInfo } from "node:net";
import { serve } from "@hono/node-server";
import { pino } from "pino";
import { createApp } from "./app.ts";
import type { Clock } from "./clock.ts";
import { openDatabase } from "./db/open.ts";
import type { Deps } from "./deps.ts";
import { withSecurityHeaders } from "./http/security.ts";
import { followServerUrl, isEmpty } from "./services/house.ts";
import { keepPromises } from "./services/retention.ts";

const hour = 3600_000;

/** A server that answers. */
export interface Running {
  readonly port: number;
  readonly deps: Deps;
  /** Stops taking requests, finishes those in flight, closes the file. */
  readonly stop: () => Promise<void>;
}

/** Opens the data folder and serves it. `url`: the public address as the environment gives it, null when it doesn't. */
export async function serveHouse(options: {
  port: number;
  data: string;
  url: string | null;
  clock: Clock;
  web: string | null;
  logLevel?: string;
}): Promise<Running> {
  const db = openDatabase(options.data);
  followServerUrl(db, options.url);
  const deps: Deps = {
    db,
    clock: options.clock,
    log: pino({ level: options.logLevel ?? "info" }),
    url: options.url ?? `http://localhost:${options.port}`,
    setupCode: `${randomInt(1000, 10_000)}-${randomInt(1000, 10_000)}`,
    web: options.web,
  };
  keepPromises(deps);
  const hourly = setInterval(() => keepPromises(deps), hour).unref();
  const app = createApp(deps);
  const server = serve({
    fetch: app.fetch,
    port: options.port,
    createServer: ((given: ServerOptions, listener: RequestListener) =>
      createServer(given, withSecurityHeaders(listener))) as typeof createServer,
  });
  await new Promise<void>((resolve, reject) => {
    server.once("listening", resolve);
    server.once("error", reject);
  });
  if (isEmpty(db)) console.log(`\nThis house is empty. Set-up code for the first visit: ${deps.setupCode}\n`);
  return {
    port: (server.address() as AddressInfo).port,
    deps,
    stop: () =>
      new Promise((resolve) => {
        clearInterval(hourly);
        server.close(() => {
          db.$client.close();
          resolve();
        });
        if ("closeIdleConnections" in server) server.closeIdleConnections();
      }),
  };
}
