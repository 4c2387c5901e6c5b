import { QueryClient } from "@tanstack/react-query";
import { vi } from "vitest";

interface Answer {
  readonly status?: number;
  readonly body: unknown;
}

/** A server that answers as it is told to, and remembers what it was asked. */
export function standInServer(answers: (path: string, method: string, body: unknown) => Answer | Promise<Answer>) {
  const asked: { readonly path: string; readonly method: string; readonly body: unknown }[] = [];
  vi.stubGlobal("fetch", async (url: string | URL, options: RequestInit = {}) => {
    const path = new URL(String(url), location.origin).pathname;
    const method = options.method ?? "GET";
    const body: unknown = typeof options.body === "string" ? JSON.parse(options.body) : null;
    asked.push({ path, method, body });
    const { status = 200, body: answer } = await answers(path, method, body);
    return new Response(JSON.stringify(answer), { status, headers: { "content-type": "application/json" } });
  });
  return asked;
}

/** Queries that keep what they are given and never fetch by themselves. */
export const keptQueries = (): QueryClient =>
  new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: false } } });

/** What jsdom lacks and Ant Design asks for. */
export function standInBrowser(): void {
  vi.stubGlobal("matchMedia", () => ({
    matches: false,
    addEventListener() {},
    removeEventListener() {},
    addListener() {},
    removeListener() {},
  }));
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
}
