import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, createHandlerBoundToURL, type PrecacheEntry, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";
import { floorCache, floorReads } from "./names.ts";

/* Keeps the pages of the floor on a tablet: a session that was opened once can be reloaded without a connection. */

/** The files of the floor, as the build lists them. */
declare const KEPT_FILES: PrecacheEntry[];

/** How long the server is waited for before what the tablet has is shown, s. */
const patienceS = 4;

precacheAndRoute(KEPT_FILES);
cleanupOutdatedCaches();
clientsClaim();

const page = createHandlerBoundToURL("/floor");

registerRoute(
  new NavigationRoute(
    async (options) => {
      try {
        const answer = await fetch(options.request, { signal: AbortSignal.timeout(patienceS * 1000) });
        if (answer.ok) return answer;
      } catch {
        // No connection: the page that was kept opens.
      }
      return page(options);
    },
    { allowlist: [/^\/floor(\/|$)/] },
  ),
);

registerRoute(
  ({ url, request }) => request.method === "GET" && floorReads.test(url.pathname),
  new NetworkFirst({ cacheName: floorCache, networkTimeoutSeconds: patienceS, matchOptions: { ignoreVary: true } }),
);
