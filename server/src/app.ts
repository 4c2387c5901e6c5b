import { Hono, type MiddlewareHandler } from "hono";
import { bodyLimit } from "hono/body-limit";
import { HTTPException } from "hono/http-exception";
import { routePath } from "hono/route";
import { pages } from "./http/pages.ts";
import { Problem } from "./http/problem.ts";
import { sameSiteOnly } from "./http/security.ts";
import { houseRoutes } from "./routes/house.ts";
import { paperRoutes } from "./routes/papers.ts";
import { publicRoutes } from "./routes/public.ts";
import { runRoutes } from "./routes/runs.ts";
import { staffRoutes } from "./routes/staff.ts";
import { storeRoutes } from "./routes/store.ts";
import type { Served } from "./served.ts";

const mostBytes = 256 * 1024;

function api(deps: Served) {
  return new Hono()
    .route("/", staffRoutes(deps))
    .route("/", houseRoutes(deps))
    .route("/", storeRoutes(deps))
    .route("/", paperRoutes(deps))
    .route("/", runRoutes(deps))
    .route("/", publicRoutes(deps));
}

/** What the typed client sees. */
export type Api = ReturnType<typeof api>;

/** The whole application: interface and API from one process on one port. */
export function createApp(deps: Served): Hono {
  const app = new Hono();
  app.use("/api/*", async (c, next) => {
    const from = performance.now();
    await next();
    if (!deps.log.isLevelEnabled("info")) return;
    // The route's pattern, never the address: codes and ids are nobody's business in a log.
    deps.log.info(
      { method: c.req.method, route: routePath(c, -1), status: c.res.status, ms: Math.round(performance.now() - from) },
      "request",
    );
  });
  app.use("/api/*", sameSiteOnly);
  app.use("/api/*", smallBodies);
  app.get("/healthz", (c) => {
    deps.db.$client.prepare("select 1").get();
    return c.json({ ok: true });
  });
  app.route("/api", api(deps));
  app.all("/api/*", (c) => new Problem(404, "Not found", "There is nothing at this address.").answer(c));
  if (deps.web !== null) app.get("*", pages(deps.web));
  app.onError((error, c) => problemOf(error, deps).answer(c));
  return app;
}

const whenUnsized = bodyLimit({ maxSize: mostBytes, onError: (c) => tooLarge().answer(c) });

/** Refuses large bodies by the length they declare; one that declares none is counted as it comes in. */
const smallBodies: MiddlewareHandler = async (c, next) => {
  const declared = c.req.header("content-length");
  if (declared === undefined) return whenUnsized(c, next);
  if (Number(declared) > mostBytes) return tooLarge().answer(c);
  return next();
};

function tooLarge(): Problem {
  const message = `That is more than ${mostBytes / 1024} kB. Shorten it and send it again.`;
  return new Problem(413, "Too large", message, { errors: [{ field: "body", message }] });
}

function problemOf(error: Error, deps: Served): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof HTTPException && error.status < 500) {
    const message = error.status === 400 ? "That is not valid JSON." : error.message || "The request can't be read.";
    return new Problem(error.status, "Can't be read", message, { errors: [{ field: "body", message }] });
  }
  deps.log.error({ error: error.message, stack: error.stack }, "failed");
  return new Problem(
    500,
    "Something broke here",
    "It is not your fault, and nothing was half-written. Try again; if it stays, tell whoever runs this house's server.",
  );
}
