// @vitest-environment jsdom
import type { RunDoc, SessionDoc } from "@lampcrate/contract";
import type { HeadsModel } from "@lampcrate/core";
import { QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { brief, line, material, session } from "../../contract/test/samples.ts";
import { meQuery, runQuery } from "../desk/queries.ts";
import { useRunState } from "../desk/work/useRunState.ts";
import { keptQueries, standInServer } from "./dom.ts";

const heads = (signedUp: number): HeadsModel => ({ model: "signedUp", signedUp, showRate: 1, walkIns: 0 });
const at = (iso: string): number => Date.parse(iso);
const held = (id: string, day: string, patch: Partial<SessionDoc> = {}): SessionDoc => ({
  ...session(id),
  start: `${day}T10:00`,
  startAt: at(`${day}T10:00:00Z`),
  endAt: at(`${day}T11:00:00Z`),
  ...patch,
});
const run = (sessions: readonly SessionDoc[]): RunDoc =>
  ({
    id: "r",
    revision: 4,
    title: "Walk",
    kind: "drop-in",
    heads: heads(30),
    brief: brief([line("card")]),
    briefRevision: 1,
    sessions,
  }) as unknown as RunDoc;
const stock = [material("card", { onHand: 50 })];

let asked: ReturnType<typeof standInServer>;
let status: number;
beforeEach(() => {
  status = 200;
  asked = standInServer((_, method, body) => {
    if (method === "GET") return { status: 503, body: { type: "about:blank", title: "Away", status: 503, detail: "Away." } };
    if (status !== 200) return { status, body: { type: "about:blank", title: "No", status, detail: "Too many heads." } };
    return { body: run([held("next", "2026-11-28", { heads: (body as SessionDoc).heads, revision: 2 })]) };
  });
});
afterEach(() => vi.unstubAllGlobals());

function open(of: RunDoc) {
  const queries = keptQueries();
  queries.setQueryData(meQuery.queryKey, { now: at("2026-11-25T10:00:00Z") } as never);
  queries.setQueryData(runQuery("r").queryKey, of);
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const use = ({ given }: { readonly given: RunDoc }) => {
    const work = useRunState(given, stock);
    return { ...work.crate, ...work.actions, work };
  };
  return { queries, ...renderHook(use, { wrapper, initialProps: { given: of } }) };
}
const settled = (): Promise<void> => act(async () => void (await new Promise((done) => setTimeout(done, 0)))) as unknown as Promise<void>;

describe("what the steps of a run share", () => {
  const three = run([
    held("over", "2026-11-21"),
    held("off", "2026-11-26", { cancelled: true }),
    held("next", "2026-11-28"),
    held("last", "2026-12-05"),
  ]);

  it("is about the next session that isn't over or cancelled; the last when all are over; the run while it has none", () => {
    expect(open(three).result.current.session?.id).toBe("next");
    expect(open(run([held("one", "2026-11-01"), held("two", "2026-11-14")])).result.current.session?.id).toBe("two");
    const { result } = open(run([held("off", "2026-11-28", { cancelled: true })]));
    expect([result.current.session, result.current.crateFor]).toEqual([null, { kind: "run" }]);
    expect(result.current.heads).toEqual(heads(30));
  });

  it("passes over what is on line, for which nothing is packed, while there is another", () => {
    const story = held("story", "2026-11-27", { kind: "on line" });
    expect(open(run([story, held("next", "2026-11-28")])).result.current.session?.id).toBe("next");
    const { result } = open(run([story]));
    expect([result.current.session?.id, result.current.crateInput.lines]).toEqual(["story", []]);
  });

  it("is about the one that is chosen, until that is gone", () => {
    const { result, rerender } = open(three);
    act(() => result.current.setCrateFor({ kind: "session", id: "last" }));
    expect([result.current.session?.id, result.current.crateInput.sessions.map((s) => s.id)]).toEqual(["last", ["last"]]);
    act(() => result.current.setCrateFor({ kind: "run" }));
    expect(result.current.crateInput.sessions).toHaveLength(3);
    act(() => result.current.setCrateFor({ kind: "session", id: "last" }));
    rerender({ given: run([held("next", "2026-11-28")]) });
    expect(result.current.session?.id).toBe("next");
  });

  it("follows a dial at once, and saves the session's heads when it rests", async () => {
    const { result, queries } = open(three);
    const before = result.current.crateInput;
    act(() => result.current.changeHeads(heads(12), false));
    expect([result.current.heads, asked.filter(({ method }) => method === "PUT")]).toEqual([heads(12), []]);
    expect(result.current.crateInput).not.toBe(before);
    expect(result.current.crateInput.sessions[0]?.heads).toEqual(heads(12));
    act(() => result.current.changeHeads(heads(14), true));
    await settled();
    expect(asked.filter(({ method }) => method === "PUT").map(({ path, body }) => [path, (body as SessionDoc).heads])).toEqual([
      ["/api/runs/r/sessions/next", heads(14)],
    ]);
    expect(queries.getQueryData(runQuery("r").queryKey)?.sessions[0]?.heads).toEqual(heads(14));
  });

  it("saves the next move over what is saved by now, though it was handed down before", async () => {
    const { result } = open(three);
    for (const heads_ of [heads(14), heads(15)]) {
      act(() => result.current.changeHeads(heads_, true));
      await settled();
    }
    const sent = asked.filter(({ method }) => method === "PUT").map(({ body }) => (body as SessionDoc).revision);
    expect(sent).toEqual([three.sessions[2]?.revision, 2]);
  });

  it("keeps the dial where it is when its heads are refused, and says why", async () => {
    const { result } = open(three);
    status = 422;
    act(() => result.current.changeHeads(heads(9999), true));
    await settled();
    expect([result.current.headsTrouble, result.current.heads]).toEqual(["Too many heads.", heads(9999)]);
    status = 200;
    act(() => result.current.changeHeads(heads(99), true));
    await settled();
    expect(result.current.headsTrouble).toBeNull();
  });

  it("stays the same object while nothing in it has changed, so that what is reckoned from it rests", () => {
    const { result, rerender } = open(three);
    const { work } = result.current;
    rerender({ given: three });
    expect(result.current.work).toBe(work);
    rerender({ given: { ...three, title: "Reed walk" } });
    expect(result.current.work.brief.run.title).toBe("Reed walk");
    expect([result.current.work.crate, result.current.work.actions]).toEqual([work.crate, work.actions]);
    expect(result.current.work.crate.crateInput).toBe(work.crate.crateInput);
    expect(result.current.work.actions).toBe(work.actions);
  });
});
