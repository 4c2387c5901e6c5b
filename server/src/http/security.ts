import { createHash } from "node:crypto";
import type { RequestListener } from "node:http";
import type { MiddlewareHandler } from "hono";
import { Problem } from "./problem.ts";

/** Scripts only from here; styles inline because Ant Design writes its own; nothing may frame or be framed. */
const policy = [
  "default-src 'self'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self'",
  "connect-src 'self'",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join("; ");

const headers = Object.entries({
  "content-security-policy": policy,
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
  "cross-origin-opener-policy": "same-origin",
  "permissions-policy": "camera=(), microphone=(), geolocation=()",
});

/** Headers that every answer carries, set on Node's own answer before the application sees the request. */
export function withSecurityHeaders(listener: RequestListener): RequestListener {
  return (request, response) => {
    for (const [name, value] of headers) response.setHeader(name, value);
    if (request.url?.startsWith("/api/")) response.setHeader("cache-control", "no-store");
    return listener(request, response);
  };
}

/** Refuses writes that another site's page sends: by the browser's own word, or by an origin that is not this host. */
export const sameSiteOnly: MiddlewareHandler = async (c, next) => {
  if (!["GET", "HEAD", "OPTIONS"].includes(c.req.method)) {
    const site = c.req.header("sec-fetch-site");
    const origin = c.req.header("origin");
    const foreign =
      site !== undefined ? site !== "same-origin" && site !== "none" : origin !== undefined && hostOf(origin) !== c.req.header("host");
    if (foreign) throw new Problem(403, "Not from here", "This was sent from another site's page. Open Lamp Crate itself and try again.");
  }
  await next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

/** What is kept of a secret: its SHA-256. Secrets here are random and long, so a plain hash is enough. */
export function hashOf(secret: string): string {
  return createHash("sha256").update(secret).digest("base64url");
}
