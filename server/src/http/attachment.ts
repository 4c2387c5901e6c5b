import type { Context } from "hono";

/** A file to keep, under a plain name. */
export function attachment(c: Context, content: string | Uint8Array<ArrayBuffer>, type: string, name: string): Response {
  return c.body(content, 200, {
    "content-type": type,
    "content-disposition": `attachment; filename="${name}"`,
    "cache-control": "no-store",
  });
}
