import type { Context, MiddlewareHandler } from "hono";
import { csrf } from "hono/csrf";
import { secureHeaders } from "hono/secure-headers";

/** Scripts only from here; styles inline because Ant Design writes its own; pages are framed by the desk's own preview alone. */
const contentSecurityPolicy = {
  defaultSrc: ["'self'"],
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", "data:", "blob:"],
  mediaSrc: ["'self'", "blob:"],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  workerSrc: ["'self'", "blob:"],
  objectSrc: ["'none'"],
  baseUri: ["'none'"],
  formAction: ["'self'"],
  frameAncestors: ["'self'"],
};

/** Headers that every answer carries. Whether the address is https is for whoever stands in front of the house to say. */
export const securityHeaders: MiddlewareHandler = secureHeaders({
  contentSecurityPolicy,
  permissionsPolicy: { camera: [], microphone: [], geolocation: [] },
  strictTransportSecurity: false,
});

/** What the API says is nobody's to keep. */
export const nothingKept: MiddlewareHandler = async (c, next) => {
  await next();
  if (!c.res.headers.has("cache-control")) c.header("cache-control", "no-store");
};

const guard = csrf({
  secFetchSite: (site) => site === "same-origin" || site === "none",
  // Behind a proxy the address in the request is the server's own: what counts is the host the browser asked for.
  origin: (origin, c) => c.req.header("sec-fetch-site") === undefined && hostOf(origin) === c.req.header("host"),
});

/**
 * Refuses writes that another site's page sends: by the browser's own word, or by an origin that is not this host.
 * Whoever says neither is no browser. Throws 403.
 */
export const sameSiteOnly: MiddlewareHandler = (c, next) => (fromBrowser(c) ? guard(c, next) : next());

const fromBrowser = (c: Context): boolean => c.req.header("sec-fetch-site") !== undefined || c.req.header("origin") !== undefined;

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
