import { readFileSync } from "node:fs";
import { join } from "node:path";
import { serveStatic } from "@hono/node-server/serve-static";
import type { SheetDoc } from "@lampcrate/contract";
import { spokenNow } from "@lampcrate/core";
import { wordsNow } from "@lampcrate/words";
import { type Context, Hono } from "hono";
import { compress } from "hono/compress";
import { inTheirLanguage, switchedLanguage } from "./language.ts";

/** The pages of a challenge that are drawn here. */
type DrawnPage = "sheet" | "log";

/** A page of a challenge drawn on the server, with the host that it was asked for at. */
export type PageMarkup = (sheet: SheetDoc, host: string, page: DrawnPage) => Promise<string>;

interface Drawing {
  /** The sheet of a spoken code as it stands in an address; throws when there is none. */
  readonly sheetOf: (code: string) => SheetDoc;
  /** null: pages are drawn in the browser alone. */
  readonly markup: PageMarkup | null;
  /** Told of a sheet that is there and could not be drawn. */
  readonly failed: (error: unknown) => void;
}

/**
 * The built interface: files by name, which carry their hash and may be kept; family pages under /h, everything else the
 * desk. A challenge's sheet, and the head of its logbook, are in the first answer, to be read before their script has come.
 */
export function pages(folder: string, { sheetOf, markup, failed }: Drawing): Hono {
  const files = serveStatic({
    root: folder,
    precompressed: true,
    onFound: (_, c) => c.header("cache-control", "public, max-age=31536000, immutable"),
  });
  const read = (name: string): string => readFileSync(join(folder, name), "utf8");
  const page = (name: string) => (c: Context) => c.html(read(name), 200, unkept);
  const home = (c: Context) => c.html(forScript(inItsLanguage(read("home.html"))), 200, unkept);
  /** A file whose name stays: what it is now is asked for each time. */
  const named = (name: string, type: string) => (c: Context) => c.body(read(name), 200, { ...unkept, "content-type": type });
  const drawnAs =
    (which: DrawnPage) =>
    async (c: Context): Promise<Response> => {
      const host = new URL(c.req.url).host;
      const drawn = markup && (await drawnPage(which, c.req.param("code") ?? "", host, { sheetOf, markup, failed }));
      return drawn ? c.html(withSheet(inItsLanguage(read("home.html")), drawn), 200, unkept) : home(c);
    };
  return new Hono()
    .get("/assets/*", files, (c) => c.text("Not found", 404))
    .get("/keeper.js", compress(), named("keeper.js", "text/javascript; charset=utf-8"))
    .get("/floor-keeper.js", compress(), named("floor-keeper.js", "text/javascript; charset=utf-8"))
    .get("/home.webmanifest", named("home.webmanifest", "application/manifest+json"))
    .use("/h/*", compress())
    .use("/h/*", switchedLanguage)
    .use("/h/*", inTheirLanguage)
    .use("/h", switchedLanguage)
    .use("/h", inTheirLanguage)
    .get("/h", home)
    .get("/h/:code", drawnAs("sheet"))
    .get("/h/:code/log", drawnAs("log"))
    .get("/h/*", home)
    .get("*", page("index.html"));
}

const unkept = { "cache-control": "private, no-cache" };

interface Drawn {
  readonly sheet: SheetDoc;
  readonly markup: string;
}

/** A sheet stays the same object while nothing in it changes: each of its pages is drawn once for each host. */
const kept = new WeakMap<SheetDoc, Map<string, Promise<string>>>();

function keptMarkup(page: DrawnPage, sheet: SheetDoc, host: string, markup: PageMarkup): Promise<string> {
  const known = kept.get(sheet) ?? new Map<string, Promise<string>>();
  kept.set(sheet, known);
  const key = `${page} ${host}`;
  const drawn = known.get(key) ?? markup(sheet, host, page);
  // Whoever asks under many names is not kept for.
  if (known.size < 8) known.set(key, drawn);
  drawn.catch(() => known.delete(key));
  return drawn;
}

/** null where there is no such challenge, or it can't be drawn here: the page says so itself. */
async function drawnPage(
  page: DrawnPage,
  code: string,
  host: string,
  { sheetOf, markup, failed }: Drawing & { readonly markup: PageMarkup },
): Promise<Drawn | null> {
  let sheet: SheetDoc;
  try {
    sheet = sheetOf(code);
  } catch {
    return null;
  }
  try {
    return { sheet, markup: await keptMarkup(page, sheet, host, markup) };
  } catch (error) {
    failed(error);
    return null;
  }
}

/** The page as it says in which language it is. */
function inItsLanguage(html: string): string {
  const { door, common } = wordsNow();
  return html
    .replace('<html lang="en">', `<html lang="${spokenNow().id}">`)
    .replace(/<title>.*?<\/title>/, `<title>${inHtml(door.title)}</title>`)
    .replace(/(<meta name="description" content=")[^"]*/, `$1${inHtml(door.about)}`)
    .replace("{cutOff}", inHtml(common.cutOff))
    .replace("{retry}", inHtml(common.retry));
}

/** A page that its script draws: without one it says so. */
const forScript = (html: string): string =>
  html.replace(
    '<div id="root"></div>',
    () => `<div id="root"><noscript><p class="home">${inHtml(wordsNow().common.needsScript)}</p></noscript></div>`,
  );

/** The page with a sheet in it, and what its script takes over from. */
function withSheet(html: string, { sheet, markup }: Drawn): string {
  const given = JSON.stringify(sheet).replaceAll("<", "\\u003c");
  return html
    .replace(/<title>.*?<\/title>/, () => `<title>${inHtml(sheet.title)}</title>`)
    .replace(
      '<div id="root"></div>',
      () => `<div id="root">${markup}</div><script type="application/json" id="given-sheet">${given}</script>`,
    );
}

const inHtml = (text: string): string => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
