import { readFileSync } from "node:fs";
import { join } from "node:path";
import { serveStatic } from "@hono/node-server/serve-static";
import { type Context, Hono } from "hono";

/** The built interface: files by name, which carry their hash and may be kept; family pages under /h, everything else the desk. */
export function pages(folder: string): Hono {
  const files = serveStatic({
    root: folder,
    precompressed: true,
    onFound: (_, c) => c.header("cache-control", "public, max-age=31536000, immutable"),
  });
  const page = (name: string) => (c: Context) => c.html(readFileSync(join(folder, name), "utf8"), 200, { "cache-control": "no-cache" });
  const home = page("home.html");
  return new Hono()
    .get("/assets/*", files, (c) => c.text("Not found", 404))
    .get("/h", home)
    .get("/h/*", home)
    .get("*", page("index.html"));
}
