import { QueryClient } from "@tanstack/react-query";
import type { LoaderFunction } from "react-router";
import { AskError } from "../shared/client.ts";

/** What the desk has read from the server. */
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 10_000, retry: (count, error) => count < 2 && error instanceof AskError && error.offline } },
});

/** Begins to read what a view shows while its code is still loading, so that neither waits for the other. */
export function beside(read: (id: string) => readonly Promise<void>[]): LoaderFunction {
  return ({ params }) => {
    read(params["id"] ?? "");
    return null;
  };
}
