// @vitest-environment jsdom
import { families, startValues } from "@lampcrate/core";
import { act, renderHook } from "@testing-library/react";
import { beforeEach, expect, it } from "vitest";
import { keptDraft, type LogDraft, newDraft, saveDraft } from "../home/logbook/draft.ts";
import { useKeptDraft } from "../home/logbook/useKeptDraft.ts";

const { descent } = families;
const fresh = (said: string): LogDraft => ({
  ...newDraft(descent, { spec: startValues(descent.spec), design: startValues(descent.design), trials: 3 }),
  said,
});
const code = "REED OTTER 1";
/** What another tab writes, as this one hears of it. */
const byOtherTab = (draft: LogDraft): void => {
  saveDraft(code, draft);
  window.dispatchEvent(new StorageEvent("storage", { key: `lampcrate-log-${code.toLowerCase()}` }));
};

beforeEach(() => localStorage.clear());

it("keeps what is begun, and every change of it", () => {
  const { result } = renderHook(() => useKeptDraft(code, (kept) => kept ?? fresh("mine")));
  expect(keptDraft(code)?.said).toBe("mine");
  act(() => result.current.setDraft((now) => ({ ...now, said: "mine, longer" })));
  expect(keptDraft(code)?.said).toBe("mine, longer");
});

it("is what another tab has begun between this one's first look and its first write", () => {
  const others = fresh("the other's");
  const { result } = renderHook(() =>
    useKeptDraft(code, (kept) => {
      if (kept) return kept;
      saveDraft(code, others);
      return fresh("mine");
    }),
  );
  expect([result.current.draft.id, keptDraft(code)?.id]).toEqual([others.id, others.id]);
});

it("takes what another tab writes, and writes none of it again over what that one has written since", () => {
  const { result } = renderHook(() => useKeptDraft(code, (kept) => kept ?? fresh("mine")));
  const { id } = result.current.draft;
  act(() => {
    byOtherTab({ ...result.current.draft, said: "one" });
    // Not heard of yet.
    saveDraft(code, { ...result.current.draft, said: "two" });
  });
  expect([result.current.draft.said, keptDraft(code)?.said, keptDraft(code)?.id]).toEqual(["one", "two", id]);
  act(() => byOtherTab({ ...result.current.draft, said: "two" }));
  act(() => result.current.setDraft((now) => ({ ...now, ageBand: "mixed" })));
  expect([keptDraft(code)?.said, keptDraft(code)?.ageBand]).toEqual(["two", "mixed"]);
});
