import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { keepFresh } from "../src/jobs/keepFresh.ts";
import type { Reckoner } from "../src/reckoning/reckoner.ts";
import { openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
const asked: string[] = [];
let end: () => Promise<void>;

beforeEach(async () => {
  house = await openTestHouse();
  vi.useFakeTimers();
  asked.length = 0;
  let looks = 0;
  const reckon = {
    ask: async (name: string) => {
      asked.push(name);
      if (name === "refresh") looks += 1;
      return looks % 2 === 0;
    },
    end: async () => {},
  } as unknown as Reckoner;
  end = keepFresh({ ...house.deps, reckon });
});
afterEach(async () => {
  await end();
  vi.useRealTimers();
  await house.close();
});

const write = (rows: number): void => {
  const { $client } = house.deps.db;
  $client.exec("create table if not exists written (n)");
  const one = $client.prepare("insert into written values (1)");
  $client.transaction(() => {
    for (let i = 0; i < rows; i += 1) one.run();
  })();
};
const after = async (seconds: number): Promise<readonly string[]> => {
  asked.length = 0;
  await vi.advanceTimersByTimeAsync(1000 * seconds);
  return [...asked];
};

it("takes in what came until none is left, and reckons findings once it has been quiet for a while, once", async () => {
  expect(await after(1)).toEqual(["refresh", "refresh"]);
  expect(await after(3)).toEqual([]);
  expect(await after(20)).toEqual(["ahead"]);
  write(1);
  expect(await after(2)).toEqual(["refresh", "refresh"]);
  write(1);
  expect(await after(4)).toEqual(["refresh", "refresh"]);
  expect(await after(1)).toEqual(["ahead"]);
});

it("leaves every processor to those who send while a burst lasts", async () => {
  await after(9);
  write(5000);
  expect(await after(1)).toEqual([]);
  expect(await after(1)).toEqual(["refresh", "refresh"]);
});
