import type { Context } from "hono";
import { stream } from "hono/streaming";
import type { FilePart } from "../services/filePart.ts";

/** A file to keep, under a plain name. */
export function attachment(c: Context, content: string | Uint8Array<ArrayBuffer>, type: string, name: string): Response {
  return c.body(content, 200, {
    "content-type": type,
    "content-disposition": `attachment; filename="${name}"`,
    "cache-control": "no-store",
  });
}

/** A long file, sent part by part as it is made; the first part is made before the answer begins, so that it may still be refused. */
export function streamed(c: Context, first: FilePart, part: (after: number) => Promise<FilePart>, type: string, name: string): Response {
  c.header("content-type", type);
  c.header("content-disposition", `attachment; filename="${name}"`);
  c.header("cache-control", "no-store");
  return stream(c, async (out) => {
    await out.write(first.text);
    for (let after = first.next; after !== null && !out.aborted; ) {
      const { text, next } = await part(after);
      await out.write(text);
      after = next;
    }
  });
}
