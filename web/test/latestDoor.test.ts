import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { LatestDoor } from "../shared/compute/latestDoor.ts";

/** A worker that answers when told to, and remembers what it was asked. */
function workers() {
  const opened: { readonly asked: number[]; readonly answer: (output: string | Error) => Promise<void>; ended: boolean }[] = [];
  const open = () => {
    const waiting: ((output: string | Promise<never>) => void)[] = [];
    const worker = {
      asked: [] as number[],
      ended: false,
      answer: async (output: string | Error): Promise<void> => {
        waiting.shift()?.(typeof output === "string" ? output : Promise.reject(output));
        for (let i = 0; i < 5; i += 1) await Promise.resolve();
      },
    };
    opened.push(worker);
    return {
      run: (input: number): Promise<string> => {
        worker.asked.push(input);
        return new Promise((done) => waiting.push(done));
      },
      end: () => {
        worker.ended = true;
      },
    };
  };
  return { opened, door: new LatestDoor<number, string>(open) };
}

const unwanted = (why: string): void => {
  throw new Error(`it failed: ${why}`);
};

describe("the door to what works beside the interface", () => {
  beforeEach(() => {
    vi.useFakeTimers({ toFake: ["performance"] });
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it("opens nothing before it is asked, and answers what it is asked", async () => {
    const { opened, door } = workers();
    expect(opened).toHaveLength(0);
    const given: string[] = [];
    door.ask(1, (output) => given.push(output), unwanted);
    await opened[0]?.answer("one");
    expect([opened.length, given]).toEqual([1, ["one"]]);
  });

  it("keeps only the newest of what comes meanwhile, and never gives an older result", async () => {
    const { opened, door } = workers();
    const given: string[] = [];
    for (const n of [1, 2, 3, 4]) door.ask(n, (output) => given.push(`${n}: ${output}`), unwanted);
    expect(opened[0]?.asked).toEqual([1]);
    await opened[0]?.answer("first");
    expect(opened[0]?.asked).toEqual([1, 4]);
    expect(given).toEqual([]);
    await opened[0]?.answer("last");
    expect(given).toEqual(["4: last"]);
    expect(opened).toHaveLength(1);
  });

  it("gives up a run that takes too long once something newer comes, worker and all", async () => {
    const { opened, door } = workers();
    const given: string[] = [];
    door.ask(1, (output) => given.push(output), unwanted);
    vi.advanceTimersByTime(299);
    door.ask(2, (output) => given.push(output), unwanted);
    expect([opened.length, opened[0]?.ended]).toEqual([1, false]);
    vi.advanceTimersByTime(2);
    door.ask(3, (output) => given.push(output), unwanted);
    expect([opened.length, opened[0]?.ended, opened[1]?.asked]).toEqual([2, true, [3]]);
    await opened[0]?.answer("too late");
    await opened[1]?.answer("three");
    expect(given).toEqual(["three"]);
  });

  it("forgets what it was doing when it is closed, and opens again when asked", async () => {
    const { opened, door } = workers();
    const given: string[] = [];
    door.ask(1, (output) => given.push(output), unwanted);
    door.close();
    await opened[0]?.answer("unwanted");
    expect([given, opened[0]?.ended]).toEqual([[], true]);
    door.ask(2, (output) => given.push(output), unwanted);
    await opened[1]?.answer("two");
    expect(given).toEqual(["two"]);
  });

  it("says why a run failed, ends that worker, and reckons the next in a new one", async () => {
    const { opened, door } = workers();
    const given: string[] = [];
    const ask = (n: number): void =>
      door.ask(
        n,
        (output) => given.push(output),
        (why) => given.push(`failed: ${why}`),
      );
    ask(1);
    await opened[0]?.answer(new Error("no more memory"));
    expect([given, opened[0]?.ended]).toEqual([["failed: no more memory"], true]);
    ask(2);
    await opened[1]?.answer("two");
    expect(given.at(-1)).toBe("two");
  });

  it("a run that fails while a newer input waits is not told: the newer one is reckoned", async () => {
    const { opened, door } = workers();
    const given: string[] = [];
    door.ask(1, (output) => given.push(output), unwanted);
    door.ask(2, (output) => given.push(output), unwanted);
    await opened[0]?.answer(new Error("broke"));
    await opened[1]?.answer("two");
    expect(given).toEqual(["two"]);
  });
});
