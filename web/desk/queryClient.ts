import { type Capability, may } from "@lampcrate/contract";
import { QueryClient } from "@tanstack/react-query";
import type { LoaderFunction } from "react-router";
import { AskError } from "../shared/client.ts";
import { meQuery } from "./queries.ts";

/** What the desk has read from the server. */
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // Asked once without a connection too: on the floor the tablet itself answers.
      networkMode: "offlineFirst",
      retry: (count, error) => count < 2 && error instanceof AskError && error.offline,
    },
  },
});

/** Begins to read what a view shows while its code is still loading, so that neither waits for the other. */
export function beside(read: (id: string) => readonly Promise<void>[]): LoaderFunction {
  return ({ params }) => {
    read(params["id"] ?? "");
    return null;
  };
}

/** Reads what not everybody may see, once it is known who is there; nobody is asked for what would be refused. */
export async function ifMay(what: Capability, read: () => Promise<void>): Promise<void> {
  const me = await queries.fetchQuery(meQuery).catch(() => null);
  if (me?.person && may(me.person.role, what)) await read();
}
