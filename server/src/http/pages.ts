import { createReadStream, existsSync, readFileSync, statSync } from "node:fs";
import { extname, join, normalize } from "node:path";
import { Readable } from "node:stream";
import type { Context } from "hono";

const types: Readonly<Record<string, string>> = {
  ".html": "text/html; charset=utf-8",
  ".js": "text/javascript; charset=utf-8",
  ".css": "text/css; charset=utf-8",
  ".svg": "image/svg+xml",
  ".woff2": "font/woff2",
  ".woff": "font/woff",
  ".png": "image/png",
  ".json": "application/json",
  ".webmanifest": "application/manifest+json",
};

/** Serves the built interface: files by name, family pages under /h, everything else the desk. Files carry their hash, so they may be kept. */
export function pages(folder: string): (c: Context) => Response {
  return (c) => {
    const path = plainPath(c.req.url);
    const file = join(folder, normalize(path));
    if (file.startsWith(folder) && path.startsWith("/assets/")) {
      if (!existsSync(file) || !statSync(file).isFile()) return c.text("Not found", 404);
      const gz = `${file}.gz`;
      const zipped = c.req.header("accept-encoding")?.includes("gzip") === true && existsSync(gz);
      const headers: Record<string, string> = {
        "content-type": types[extname(file)] ?? "application/octet-stream",
        "cache-control": "public, max-age=31536000, immutable",
        vary: "accept-encoding",
      };
      if (zipped) headers["content-encoding"] = "gzip";
      return c.body(Readable.toWeb(createReadStream(zipped ? gz : file)) as ReadableStream, 200, headers);
    }
    const page = path === "/h" || path.startsWith("/h/") ? "home.html" : "index.html";
    return c.html(readFileSync(join(folder, page), "utf8"), 200, { "cache-control": "no-cache" });
  };
}

/** The address's path, decoded where it can be. */
function plainPath(url: string): string {
  const { pathname } = new URL(url);
  try {
    return decodeURIComponent(pathname);
  } catch {
    return pathname;
  }
}
