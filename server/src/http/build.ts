import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { MiddlewareHandler } from "hono";

/** Names the build of the interface in every answer: a page that came with another build knows that there is a newer one. */
export function namesBuild(web: string | null): MiddlewareHandler {
  const build = web === null ? "" : (/name="build" content="(\w+)"/.exec(readFileSync(join(web, "index.html"), "utf8"))?.[1] ?? "");
  return async (c, next) => {
    await next();
    if (build !== "") c.header("x-lampcrate-build", build);
  };
}
