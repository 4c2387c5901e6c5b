// @vitest-environment jsdom
import type { Tap } from "@lampcrate/core";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { TapBox } from "../desk/floor/tapBox.ts";
import { standInServer } from "./dom.ts";

const device = vi.hoisted(() => new Map<string, unknown>());
vi.mock("idb-keyval", () => ({
  get: async (key: string) => device.get(key),
  set: async (key: string, value: unknown) => void device.set(key, value),
  del: async (key: string) => void device.delete(key),
  entries: async () => [...device.entries()],
}));

/** The status that the next taps are answered with. */
let status: number;
let taken: Tap[];
let asked: ReturnType<typeof standInServer>;

beforeEach(() => {
  device.clear();
  [status, taken] = [200, []];
  asked = standInServer((_, method, body) => {
    if (method === "POST" && status !== 200)
      return { status, body: { type: "about:blank", title: "No", status, detail: "It doesn't take place." } };
    if (method === "POST") taken.push(...(body as { taps: Tap[] }).taps);
    return { body: { taps: [], next: taken.length } };
  });
});
afterEach(() => vi.unstubAllGlobals());

const posts = () => asked.filter(({ method }) => method === "POST").length;
const opened = async (): Promise<TapBox> => {
  const box = new TapBox("s");
  await box.open();
  return box;
};

it("sends what was refused for good only when asked to, keeps it on the device, and says so all the while", async () => {
  status = 409;
  const box = await opened();
  await box.add({ kind: "in", heads: 2, number: 1 });
  await box.sync();
  await box.sync();
  await box.sync();
  expect([posts(), box.now().refused, box.now().unsent]).toEqual([1, "It doesn't take place.", 1]);
  expect([...device.keys()].filter((key) => key.startsWith("floor tap s "))).toHaveLength(1);
  status = 200;
  await box.retry();
  expect([posts(), box.now().refused, box.now().unsent, taken.length]).toEqual([2, null, 0, 1]);
});

it.each([401, 429, 503])("goes on trying by itself after %i, which passes", async (passing) => {
  status = passing;
  const box = await opened();
  await box.add({ kind: "in", heads: 2, number: 1 });
  await box.sync();
  expect(box.now()).toMatchObject({ refused: "It doesn't take place.", unsent: 1 });
  status = 200;
  for (let i = 0; i < 3; i += 1) await box.sync();
  expect(box.now()).toMatchObject({ refused: null, unsent: 0 });
});
