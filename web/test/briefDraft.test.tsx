// @vitest-environment jsdom
import type { BriefDoc, BriefSave, RunDoc } from "@lampcrate/contract";
import { QueryClientProvider, useQuery } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { brief, line } from "../../contract/test/samples.ts";
import { runQuery } from "../desk/queries.ts";
import { useBriefDraft } from "../desk/work/useBriefDraft.ts";
import { keptQueries, standInServer } from "./dom.ts";

const start = { id: "r", brief: brief([line("card")]), briefRevision: 1 } as unknown as RunDoc;
const with_ = (patch: Partial<BriefDoc>, revision: number): RunDoc => ({
  ...start,
  brief: { ...start.brief, ...patch },
  briefRevision: revision,
});

/** The server's brief, and who else saved; a status other than 200 refuses everything. */
let saved: RunDoc;
let status: number;
let asked: ReturnType<typeof standInServer>;
let wait: Promise<void>;

beforeEach(() => {
  vi.useFakeTimers();
  [saved, status, wait] = [start, 200, Promise.resolve()];
  asked = standInServer(async (_, method, body) => {
    if (method === "GET") return { body: saved };
    await wait;
    const { revision, brief: sent } = body as BriefSave;
    const problem = { type: "about:blank", title: "No", status, detail: "Not taken." };
    if (status !== 200) return { status, body: problem };
    if (revision !== saved.briefRevision)
      return { status: 409, body: { ...problem, status: 409, current: saved, changed: ["Reed Otter: the trials"] } };
    // As the server does: spaces at the ends of a text are left out.
    saved = { ...saved, brief: { ...sent, story: sent.story.trim() }, briefRevision: revision + 1 };
    return { body: saved };
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function open() {
  const queries = keptQueries();
  queries.setQueryData(runQuery("r").queryKey, start);
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );
  const use = () => {
    const { draft, actions } = useBriefDraft(useQuery(runQuery("r")).data ?? start);
    return { ...draft, ...actions };
  };
  return renderHook(use, { wrapper });
}

const rest = (ms = 600): Promise<void> => act(() => vi.advanceTimersByTimeAsync(ms)) as unknown as Promise<void>;
const saves = () => asked.map(({ body }) => body as BriefSave);

describe("a brief that is being worked on", () => {
  it("is shown at once, saved after a rest, and says where a dial has come to, not each step", async () => {
    const { result } = open();
    act(() => result.current.change({ trials: 4 }, "Trials 4"));
    act(() => result.current.change({ trials: 5 }, "Trials 5"));
    expect([result.current.brief.trials, result.current.state.kind, asked.length]).toEqual([5, "unsaved", 0]);
    act(() => result.current.change({ story: "a bog" }, "the story"));
    await rest();
    expect(saves()).toMatchObject([{ revision: 1, words: "Trials 5, the story", brief: { trials: 5, story: "a bog" } }]);
    expect(result.current.state.kind).toBe("saved");
  });

  it("keeps the space before the next word when typing rests there, and what another planner writes afterwards is shown", async () => {
    const { result } = open();
    act(() => result.current.change({ story: "Build one " }, "the story"));
    await rest();
    expect([result.current.state.kind, saved.brief.story, result.current.brief.story]).toEqual(["saved", "Build one", "Build one "]);
    act(() => result.current.change({ trials: 5 }, "Trials 5"));
    await rest();
    expect([result.current.brief.story, result.current.brief.trials]).toEqual(["Build one ", 5]);
    saved = with_({ ...saved.brief, story: "Build two" }, saved.briefRevision + 1);
    act(() => result.current.change({ trials: 6 }, "Trials 6"));
    await rest();
    await rest();
    expect([saved.brief.story, saved.brief.trials, result.current.brief.story]).toEqual(["Build two", 6, "Build two"]);
  });

  it("is not saved while a drag goes on", async () => {
    const { result } = open();
    act(() => result.current.change({ trials: 4 }, "Trials 4", false));
    await rest(5000);
    expect([result.current.brief.trials, asked.length]).toEqual([4, 0]);
    let flushed = false;
    await act(async () => {
      flushed = await result.current.flush();
    });
    expect([flushed, saved.brief.trials]).toEqual([true, 4]);
  });

  it("goes on being changed while it is saved, and the rest follows on the new revision", async () => {
    let go = (): void => {};
    wait = new Promise((done) => {
      go = done;
    });
    const { result } = open();
    act(() => result.current.change({ trials: 4 }, "Trials 4"));
    await rest();
    expect(result.current.state.kind).toBe("saving");
    act(() => result.current.change({ story: "a bog" }, "the story"));
    go();
    await rest();
    expect(saves().map(({ revision }) => revision)).toEqual([1, 2]);
    expect([saved.brief.trials, saved.brief.story, result.current.state.kind]).toEqual([4, "a bog", "saved"]);
  });

  it("is not thrown back by an older reading that comes in after it was saved", async () => {
    const queries = keptQueries();
    queries.setQueryData(runQuery("r").queryKey, start);
    const wrapper = ({ children }: { readonly children: ReactNode }) => (
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    );
    // The run as it was read before the save, and still is handed down after it.
    const { result } = renderHook(() => useBriefDraft(start), { wrapper });
    act(() => result.current.actions.change({ trials: 4 }, "Trials 4"));
    await rest();
    expect([result.current.draft.brief.trials, result.current.draft.state.kind]).toEqual([4, "saved"]);
    act(() => result.current.actions.change({ story: "a bog" }, "the story"));
    await rest();
    expect(saves().map(({ revision }) => revision)).toEqual([1, 2]);
    expect([saved.brief.trials, saved.brief.story, result.current.draft.state.kind]).toEqual([4, "a bog", "saved"]);
  });

  it("is joined with what somebody else changed elsewhere in it, and says so", async () => {
    const { result } = open();
    saved = with_({ trials: 6, lines: [line("card", { amount: 7 })] }, 2);
    act(() => result.current.change({ story: "a bog", lines: [line("card", { spoilRate: 0.5 })] }, "the story"));
    await rest();
    await rest();
    expect(saves().map(({ revision }) => revision)).toEqual([1, 2]);
    expect(saved.brief).toMatchObject({ story: "a bog", trials: 6, lines: [{ amount: 7, spoilRate: 0.5 }] });
    expect([result.current.state.kind, result.current.joined]).toEqual(["saved", ["Reed Otter: the trials"]]);
    act(() => result.current.seen());
    expect(result.current.joined).toEqual([]);
  });

  it.each([
    ["theirs", true, 6],
    ["mine", false, 4],
  ] as const)("asks where both changed the same field, saves nothing over it meanwhile, and then takes %s", async (_, theirs, trials) => {
    const { result } = open();
    saved = with_({ trials: 6, target: 0.8 }, 2);
    act(() => result.current.change({ trials: 4 }, "Trials 4"));
    await rest();
    expect(result.current.state).toMatchObject({ kind: "stale", clashes: [{ place: ["trials"], mine: 4, theirs: 6 }] });
    act(() => result.current.change({ story: "a bog" }, "the story"));
    await rest();
    expect([asked.length, saved.brief.trials, result.current.state.kind]).toEqual([1, 6, "stale"]);
    act(() => result.current.settle(() => theirs));
    await rest();
    expect(saved.brief).toMatchObject({ trials, target: 0.8, story: "a bog" });
    expect([result.current.brief.trials, result.current.state.kind]).toEqual([trials, "saved"]);
  });

  it("stays as typed when it is refused or the sign-in has ended, and is saved when tried again", async () => {
    const { result } = open();
    status = 422;
    act(() => result.current.change({ trials: 4 }, "Trials 4"));
    await rest();
    expect(result.current).toMatchObject({ state: { kind: "refused", words: "Not taken." }, brief: { trials: 4 } });
    status = 401;
    act(() => result.current.retry());
    await rest();
    expect(result.current.state.kind).toBe("signed out");
    status = 200;
    act(() => result.current.retry());
    await rest();
    expect([result.current.state.kind, saved.brief.trials]).toEqual(["saved", 4]);
  });

  it("is saved when its run is left, and the browser asks before it is closed unsaved", async () => {
    const { result, unmount } = open();
    const leaving = (): boolean => !window.dispatchEvent(new Event("beforeunload", { cancelable: true }));
    expect(leaving()).toBe(false);
    act(() => result.current.change({ trials: 4 }, "Trials 4"));
    expect(leaving()).toBe(true);
    unmount();
    await rest();
    expect(saved.brief.trials).toBe(4);
  });
});
