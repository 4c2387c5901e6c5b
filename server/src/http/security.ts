import type { Context, MiddlewareHandler } from "hono";
import { secureHeaders } from "hono/secure-headers";
import { Problem } from "./problem.ts";

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

const standard = secureHeaders({
  contentSecurityPolicy,
  permissionsPolicy: { camera: [], microphone: [], geolocation: [] },
  strictTransportSecurity: false,
});

/**
 * Headers that every answer carries; an answer that has a content security policy of its own keeps it. Whether the
 * address is https is for whoever stands in front of the house to say.
 */
export const securityHeaders: MiddlewareHandler = async (c, next) => {
  let own: string | null = null;
  await standard(c, async () => {
    await next();
    own = c.res.headers.get("content-security-policy");
  });
  if (own !== null) c.res.headers.set("content-security-policy", own);
};

/** What the API says is nobody's to keep. */
export const nothingKept: MiddlewareHandler = async (c, next) => {
  await next();
  if (!c.res.headers.has("cache-control")) c.header("cache-control", "no-store");
};

/** Methods that change nothing. */
const reading: readonly string[] = ["GET", "HEAD", "OPTIONS"];

/**
 * Refuses changes that another site's page sends, whatever their content type: by the browser's own word, or by an
 * origin that is not this host. Whoever says neither is no browser. Throws 403.
 */
export const sameSiteOnly: MiddlewareHandler = async (c, next) => {
  if (!reading.includes(c.req.method) && !fromHere(c))
    throw new Problem(403, "Not from here", "This was sent from another site's page. Open Lamp Crate itself and try again.");
  await next();
};

function fromHere(c: Context): boolean {
  const site = c.req.header("sec-fetch-site");
  if (site !== undefined) return site === "same-origin" || site === "none";
  const origin = c.req.header("origin");
  // Behind a proxy the address in the request is the server's own: what counts is the host the browser asked for.
  return origin === undefined || hostOf(origin) === c.req.header("host");
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
