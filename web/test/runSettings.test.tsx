// @vitest-environment jsdom
import type { RunDoc, RunSave } from "@lampcrate/contract";
import { QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, expect, it, vi } from "vitest";
import { runQuery } from "../desk/queries.ts";
import { BriefContext } from "../desk/work/RunContext.ts";
import { useRunSettings } from "../desk/work/useRunSettings.ts";
import { keptQueries, standInServer } from "./dom.ts";

afterEach(() => vi.unstubAllGlobals());

const run = { id: "r", revision: 4, title: "Walk", kind: "drop-in", opensOn: null, closesOn: null } as unknown as RunDoc;

it("two changes asked for at once go one over the other, on a slow line too: neither is refused, neither is lost", async () => {
  const asked = standInServer(async (_, method, body) => {
    if (method === "GET") return { status: 503, body: { type: "about:blank", title: "Away", status: 503, detail: "Away." } };
    await new Promise((rest) => setTimeout(rest, 20));
    const sent = body as RunSave;
    return { body: { ...run, ...sent, revision: sent.revision + 1 } };
  });
  const queries = keptQueries();
  queries.setQueryData(runQuery("r").queryKey, run);
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={queries}>
      <BriefContext value={{ run } as never}>{children}</BriefContext>
    </QueryClientProvider>
  );
  const { result } = renderHook(() => useRunSettings(), { wrapper });
  const taken = await act(() => Promise.all([result.current.change({ title: "Reeds" }), result.current.change({ opensOn: "2026-12-05" })]));
  expect(taken).toEqual([true, true]);
  const sent = asked.flatMap(({ method, body }) => (method === "PUT" ? [body as RunSave] : []));
  expect(sent.map(({ revision, title, opensOn }) => [revision, title, opensOn])).toEqual([
    [4, "Reeds", null],
    [5, "Reeds", "2026-12-05"],
  ]);
});
