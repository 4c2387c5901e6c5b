// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { LatestDoor } from "../shared/compute/latestDoor.ts";
import { useLatest } from "../shared/compute/useLatest.ts";

interface Output {
  readonly doubled: number;
  readonly tookMs: number;
}

let waiting: { input: { n: number }; done: (output: Output) => void; fail: (why: Error) => void }[] = [];
let ended = 0;
const open = () =>
  new LatestDoor<{ n: number }, Output>(() => ({
    run: (input) => new Promise((done, fail) => waiting.push({ input, done, fail })),
    end: () => {
      ended += 1;
    },
  }));

const answer = (): Promise<void> =>
  act(async () => {
    const next = waiting.shift();
    next?.done({ doubled: next.input.n * 2, tookMs: 1 });
  });
const breakOff = (why: string): Promise<void> => act(async () => waiting.shift()?.fail(new Error(why)));

beforeEach(() => {
  waiting = [];
  ended = 0;
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

describe("what is reckoned beside the interface", () => {
  it("is asked once for an input that says the same, and again when it says something else", async () => {
    const { result, rerender } = renderHook(({ n }) => useLatest(open, { n }, "test"), { initialProps: { n: 1 } });
    expect(result.current.output).toBeNull();
    rerender({ n: 1 });
    await answer();
    expect([result.current.output?.doubled, waiting.length]).toEqual([2, 0]);
    rerender({ n: 4 });
    expect(result.current.output?.doubled).toBe(2);
    await answer();
    expect(result.current.output?.doubled).toBe(8);
  });

  it("is called slow after half a second, and no more once it is there", async () => {
    const { result } = renderHook(() => useLatest(open, { n: 1 }, "test"));
    act(() => void vi.advanceTimersByTime(499));
    expect(result.current.slow).toBe(false);
    act(() => void vi.advanceTimersByTime(2));
    expect(result.current.slow).toBe(true);
    await answer();
    expect(result.current.slow).toBe(false);
  });

  it("says why it failed, keeps what was there before, and goes on when asked again", async () => {
    const { result, rerender } = renderHook(({ n }) => useLatest(open, { n }, "test"), { initialProps: { n: 1 } });
    await answer();
    rerender({ n: 2 });
    act(() => void vi.advanceTimersByTime(600));
    await breakOff("out of memory");
    expect(result.current).toMatchObject({ output: { doubled: 2 }, trouble: "out of memory", slow: false });
    act(() => result.current.again());
    await answer();
    expect(result.current).toMatchObject({ output: { doubled: 4 }, trouble: null });
  });

  it("ends its worker when it goes", async () => {
    const { unmount } = renderHook(() => useLatest(open, { n: 1 }, "test"));
    unmount();
    expect(ended).toBe(1);
  });
});
