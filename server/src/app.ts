import type { HealthDoc } from "@lampcrate/contract";
import { mostPictureBytes } from "@lampcrate/core";
import { Hono, type MiddlewareHandler } from "hono";
import { bodyLimit } from "hono/body-limit";
import { HTTPException } from "hono/http-exception";
import { routePath } from "hono/route";
import type { Clock } from "./clock.ts";
import { namesBuild } from "./http/build.ts";
import { UnknownProxy } from "./http/forwarded.ts";
import { entryPaths, refuseWhileHeldBack } from "./http/heldBack.ts";
import { pages } from "./http/pages.ts";
import { Problem } from "./http/problem.ts";
import { nothingKept, sameSiteOnly, securityHeaders } from "./http/security.ts";
import { benchRoutes } from "./routes/bench.ts";
import { calendarRoutes } from "./routes/calendar.ts";
import { floorRoutes } from "./routes/floor.ts";
import { houseRoutes } from "./routes/house.ts";
import { outboxRoutes } from "./routes/outbox.ts";
import { paperRoutes } from "./routes/papers.ts";
import { pictureRoutes } from "./routes/pictures.ts";
import { prizeRoutes } from "./routes/prize.ts";
import { publicRoutes } from "./routes/public.ts";
import { runRoutes } from "./routes/runs.ts";
import { staffRoutes } from "./routes/staff.ts";
import { storeRoutes } from "./routes/store.ts";
import type { Served } from "./served.ts";
import { PublicSheets } from "./services/runs/publicSheets.ts";
import { health, type LookedAfter } from "./upkeep/health.ts";

const mostBytes = 256 * 1024;

function api(deps: Served, sheets: PublicSheets, asked: () => Promise<HealthDoc>) {
  return new Hono()
    .route("/", staffRoutes(deps))
    .route("/", houseRoutes(deps, asked))
    .route("/", storeRoutes(deps))
    .route("/", paperRoutes(deps))
    .route("/", runRoutes(deps))
    .route("/", calendarRoutes(deps))
    .route("/", floorRoutes(deps))
    .route("/", benchRoutes(deps))
    .route("/", pictureRoutes(deps))
    .route("/", outboxRoutes(deps))
    .route("/", prizeRoutes(deps))
    .route("/", publicRoutes(deps, sheets));
}

/** What the typed client sees. */
export type Api = ReturnType<typeof api>;

/** The whole application: interface and API from one process on one port. */
export function createApp(deps: Served, lookedAfter: LookedAfter = {}): Hono {
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
  app.use("*", securityHeaders);
  const unknownProxy = new UnknownProxy(deps);
  app.use("*", unknownProxy.watch);
  const healthNow = () => health(deps, { ...lookedAfter, unknownProxy });
  app.use("/api/*", namesBuild(deps.web));
  app.use("/api/*", nothingKept);
  app.use("/api/*", sameSiteOnly);
  app.use("/api/*", bodies);
  for (const path of entryPaths) app.use(`/api${path}`, refuseWhileHeldBack(deps));
  const asked = keptFor(deps.steady, 5000, healthNow);
  app.get("/healthz", (c) => {
    deps.db.$client.prepare("select 1").get();
    return c.json({ ok: true });
  });
  app.get("/healthz/deep", async (c) => {
    const { ok, lines } = await asked();
    // For a watcher that nobody signs in: states alone, no words of this house.
    return c.json({ ok, ...Object.fromEntries(lines.map(({ name, state }) => [name, state])) }, ok ? 200 : 503);
  });
  const sheets = new PublicSheets(deps.db);
  // A planner who has just put something right sees it at once.
  app.route("/api", api(deps, sheets, healthNow));
  app.all("/api/*", (c) => new Problem(404, "Not found", "There is nothing at this address.").answer(c));
  const failed = (error: unknown): void => deps.log.error({ error: error instanceof Error ? error.stack : error }, "a sheet was not drawn");
  if (deps.web !== null)
    app.route("/", pages(deps.web, { sheetOf: (code) => sheets.of(code, deps.clock()), markup: deps.pageMarkup, failed }));
  app.onError((error, c) => problemOf(error, deps).answer(c));
  return app;
}

/** What was found out in the last while, or found out anew: a watcher may ask as often as it likes. */
function keptFor<T>(steady: Clock, ms: number, find: () => Promise<T>): () => Promise<T> {
  let kept: { readonly at: number; readonly found: Promise<T> } | null = null;
  return () => {
    if (kept === null || steady() - kept.at >= ms) kept = { at: steady(), found: find() };
    return kept.found;
  };
}

/** Refuses bodies larger than `most` bytes by the length they declare; one that declares none is counted as it comes in. */
function bodiesUpTo(most: number, field: string, message: string): MiddlewareHandler {
  const tooLarge = new Problem(413, "Too large", message, { errors: [{ field, message }] });
  const whenUnsized = bodyLimit({ maxSize: most, onError: (c) => tooLarge.answer(c) });
  return async (c, next) => {
    const declared = c.req.header("content-length");
    if (declared === undefined) return whenUnsized(c, next);
    if (Number(declared) > most) return tooLarge.answer(c);
    return next();
  };
}

const smallBodies = bodiesUpTo(mostBytes, "body", `That is more than ${mostBytes / 1024} kB. Shorten it and send it again.`);
const pictureBodies = bodiesUpTo(
  mostPictureBytes,
  "picture",
  `This picture is more than ${mostPictureBytes / 1024 / 1024} MB. Choose a smaller one.`,
);

/** Words are short; pictures are not. */
const bodies: MiddlewareHandler = (c, next) =>
  (c.req.method === "PUT" && c.req.path.startsWith("/api/public/mine/pictures/") ? pictureBodies : smallBodies)(c, next);

/** What the disk or the file refused, in words; null for anything else. */
function storageProblem(error: Error): Problem | null {
  const code = "code" in error && typeof error.code === "string" ? error.code : "";
  if (code.startsWith("SQLITE_FULL") || code === "ENOSPC")
    return new Problem(507, "No room left", "The server's disk is full, so this was not kept. Tell whoever runs it.", {}, retryIn(60));
  if (code.startsWith("SQLITE_BUSY") || code.startsWith("SQLITE_LOCKED"))
    return new Problem(503, "Busy", "The house's file is in use at this moment. Try again in a few seconds.", {}, retryIn(5));
  if (code.startsWith("SQLITE_READONLY") || code.startsWith("SQLITE_IOERR") || code.startsWith("SQLITE_CANTOPEN"))
    return new Problem(
      503,
      "Can't write",
      "The server can't write to its disk, so this was not kept. Tell whoever runs it.",
      {},
      retryIn(60),
    );
  return null;
}

const retryIn = (seconds: number): Readonly<Record<string, string>> => ({ "retry-after": String(seconds) });

function problemOf(error: Error, deps: Served): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof HTTPException && error.status < 500) {
    const message = error.status === 400 ? "That is not valid JSON." : error.message || "The request can't be read.";
    return new Problem(error.status, "Can't be read", message, { errors: [{ field: "body", message }] });
  }
  const refused = storageProblem(error);
  deps.log.error({ error: error.message, ...(refused ? {} : { stack: error.stack }) }, "failed");
  if (refused) return refused;
  return new Problem(
    500,
    "Something broke here",
    "It is not your fault, and nothing was half-written. Try again; if it stays, tell whoever runs this house's server.",
  );
}
