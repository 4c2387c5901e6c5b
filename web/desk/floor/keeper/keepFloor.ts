import type { QueryClient } from "@tanstack/react-query";
import { api } from "../../../shared/client.ts";
import { calendarQuery, floorQuery, houseQuery, meQuery, setupQuery } from "../../queries.ts";
import { floorCache } from "./names.ts";

/** Has the pages of the floor kept on this tablet, with what is known of a session: from then on they open without a connection. Does nothing where the browser keeps none. */
export async function keepFloor(queries: QueryClient, session: string): Promise<void> {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator) || !("caches" in window)) return;
  try {
    await navigator.serviceWorker.register("/floor-keeper.js", { scope: "/floor" });
    await keepReads(queries, session);
  } catch {
    // A private window may keep nothing: the floor works while there is a connection.
  }
}

/** Puts what was read already where the worker looks for it: it was read before there was a worker. */
async function keepReads(queries: QueryClient, session: string): Promise<void> {
  const reads = [
    [api.me.$url(), meQuery],
    [api.setup.$url(), setupQuery],
    [api.house.$url(), houseQuery],
    [api.calendar.$url(), calendarQuery],
    [api.sessions[":id"].floor.$url({ param: { id: session } }), floorQuery(session)],
  ] as const;
  const kept = await caches.open(floorCache);
  for (const [url, { queryKey }] of reads) {
    const known = queries.getQueryData(queryKey as readonly unknown[]);
    if (known !== undefined) await kept.put(url.href, Response.json(known));
  }
}

/** Leaves nothing of the house on this tablet, as when somebody signs out; taps that are not sent yet stay. */
export async function forgetFloor(): Promise<void> {
  try {
    await caches.delete(floorCache);
  } catch {
    // Where nothing can be kept there is nothing to forget.
  }
}
