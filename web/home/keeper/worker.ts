import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, createHandlerBoundToURL, type PrecacheEntry, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";
import { sendOutgoing } from "../sending/outgoing.ts";
import { languageFile, sheetCache, syncName } from "./names.ts";

/* Keeps the family pages on the device: a challenge that was opened once opens without a line, and what was sent goes out when it is back. */

/** The files of the family pages, as the build lists them. */
declare const KEPT_FILES: PrecacheEntry[];

/** How long a sheet is waited for before the one on the device is shown, s. */
const patienceS = 4;

precacheAndRoute(KEPT_FILES);
cleanupOutdatedCaches();
clientsClaim();

const sheets = new NetworkFirst({ cacheName: sheetCache, networkTimeoutSeconds: patienceS });
const shell = createHandlerBoundToURL("/h");

/** A challenge's own page, which the server draws; every other page of a family is drawn here. */
const sheetPage = /^\/h\/(?!mine$|group$|preview)[^/]+$/;

registerRoute(
  new NavigationRoute(
    async (options) => {
      if (!sheetPage.test(options.url.pathname) || options.url.searchParams.has("in"))
        return (await fromLine(options.request)) ?? shell(options);
      try {
        return await sheets.handle({ event: options.event, request: options.request });
      } catch {
        return shell(options);
      }
    },
    { allowlist: [/^\/h(\/|$)/] },
  ),
);

/** What a page is made from: the sheet itself, and its code to be scanned. */
registerRoute(({ url, request }) => request.method === "GET" && /^\/api\/public\/runs\/[^/]+(\/qr\.svg)?$/.test(url.pathname), sheets);

/** The language that is read here: kept once it has been fetched, as its name carries its hash. */
registerRoute(({ url }) => languageFile.test(url.pathname), new CacheFirst({ cacheName: sheetCache }));

/** A page from the server while there is a line: it may be a newer one. */
async function fromLine(request: Request): Promise<Response | null> {
  try {
    const answer = await fetch(request);
    return answer.ok ? answer : null;
  } catch {
    return null;
  }
}

/** An event that the worker is kept awake for. */
interface LongEvent extends Event {
  readonly tag?: string;
  readonly waitUntil: (done: Promise<unknown>) => void;
}

// Pages that the server drew name the files of their own build: with a new one they are asked for anew.
addEventListener("activate", (event) => (event as LongEvent).waitUntil(forgetPages()));

async function forgetPages(): Promise<void> {
  const kept = await caches.open(sheetCache);
  for (const request of await kept.keys()) {
    const { pathname } = new URL(request.url);
    if (pathname.startsWith("/h/") || languageFile.test(pathname)) await kept.delete(request);
  }
}

addEventListener("sync", (event) => {
  if ((event as LongEvent).tag === syncName) (event as LongEvent).waitUntil(sendAll());
});

/** Throws while something is left: the browser then asks again later. */
async function sendAll(): Promise<void> {
  const left = await sendOutgoing();
  if (left > 0) throw new Error(`${left} still to be sent`);
}
