import type { RunDoc } from "@lampcrate/contract";
import { codesThereAre } from "@lampcrate/core";
import { pino } from "pino";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { Attempts } from "../src/http/attempts.ts";
import { createApp } from "../src/index.ts";
import { goodEntry, makeRun, openTestHouse, password, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const signIn = async (name: string, word: string, from = "203.0.113.1") =>
  (await house.ask("POST", "/api/sign-in", { signIn: name, password: word }, { cookie: null, headers: { "x-forwarded-for": from } }))
    .status;
const count = (statuses: readonly number[], status: number): number => statuses.filter((s) => s === status).length;

describe("guessing a password", () => {
  it("a hundred at once is no more than eight in a row", async () => {
    const statuses = await Promise.all(Array.from({ length: 100 }, (_, i) => signIn("pat", `guess number ${i}`)));
    expect([count(statuses, 422), count(statuses, 429)]).toEqual([8, 92]);
    expect(await signIn("pat", password)).toBe(429);
  });

  it("from one address leaves the person free to sign in from another", async () => {
    for (let i = 0; i < 9; i += 1) await signIn("pat", "wrong wrong wrong");
    expect(await signIn("pat", password, "203.0.113.2")).toBe(200);
  });

  it("is counted by the address that the proxy saw, not by what the visitor wrote before it", async () => {
    for (let i = 0; i < 8; i += 1) expect(await signIn("pat", "wrong wrong wrong", `10.0.0.${i}, 203.0.113.1`)).toBe(422);
    expect(await signIn("pat", "wrong wrong wrong", "10.0.0.99, 203.0.113.1")).toBe(429);
  });

  it("of sixty names from one address is the end there, a phone's many addresses being one", async () => {
    const from = (i: number): string => `2001:db8:1:2:${i.toString(16)}::1`;
    for (let i = 0; i < 60; i += 1) expect(await signIn(`nobody${i}`, "wrong wrong wrong", from(i))).toBe(422);
    expect(await signIn("pat", password, from(99))).toBe(429);
    expect(await signIn("pat", password, "2001:db8:1:3::1")).toBe(200);
  });

  it("is not helped, nor anyone locked out, by a clock that is set", async () => {
    for (let i = 0; i < 8; i += 1) await signIn("pat", "wrong wrong wrong");
    house.at("2027-11-25T10:00:00Z");
    expect(await signIn("pat", password)).toBe(429);
    house.at("2025-11-25T10:00:00Z");
    house.pass(15 * 60_000 + 1);
    expect(await signIn("pat", password)).toBe(200);
  });
});

it("tries of many keys push out the oldest key, not all", () => {
  const attempts = new Attempts(() => 0, 1, 1000);
  for (let i = 0; i <= 50_000; i += 1) attempts.take(`key ${i}`);
  expect(() => attempts.take("key 0")).not.toThrow();
  expect(() => attempts.take("key 50000")).toThrow("Wait");
});

describe("one's own sign-in", () => {
  it.each(["password123", "qwertyuiop", "aaaaaaaaaaaa", "patplanner1", "1234567890"])("never has a password such as %s", async (weak) => {
    const added = await house.ask("POST", "/api/staff", {
      name: "Pat Planner",
      signIn: "other",
      role: "sifter",
      active: true,
      password: weak,
    });
    expect(added).toMatchObject({ status: 422, body: { errors: [{ field: "password" }] } });
    const own = await house.ask("PUT", "/api/me/password", { current: password, next: weak });
    expect(own).toMatchObject({ status: 422, body: { errors: [{ field: "next" }] } });
  });

  it("changes its password knowing the old one; other devices are signed out, this one stays", async () => {
    const other = await house.signIn("pat", password);
    expect(await house.ask("PUT", "/api/me/password", { current: "not the old one", next: "a newer long word" })).toMatchObject({
      status: 422,
      body: { errors: [{ field: "current" }] },
    });
    expect((await house.ask("PUT", "/api/me/password", { current: password, next: "a newer long word" })).status).toBe(200);
    expect((await house.ask("GET", "/api/season", undefined, { cookie: other })).status).toBe(401);
    expect((await house.ask("GET", "/api/season")).status).toBe(200);
    expect([await signIn("pat", password), await signIn("pat", "a newer long word")]).toEqual([422, 200]);
  });

  it("is ended on every device at once", async () => {
    const other = await house.signIn("pat", password);
    expect((await house.ask("POST", "/api/sign-out-everywhere", undefined, { cookie: other })).status).toBe(200);
    for (const cookie of [other, undefined])
      expect((await house.ask("GET", "/api/season", undefined, cookie ? { cookie } : {})).status).toBe(401);
  });

  it("lasts as long in the browser as here: use moves both on", async () => {
    house.pass(7 * 3600_000);
    const moved = await house.ask("GET", "/api/me");
    expect(moved.headers.get("set-cookie")).toMatch(/Max-Age=43200/);
    expect((await house.ask("GET", "/api/me")).headers.get("set-cookie")).toBeNull();
  });

  it("of a person who was deleted opens nothing, and their name stays in the trail", async () => {
    const { id } = (await house.ask("POST", "/api/staff", { name: "Rush Tern", signIn: "rush", role: "sifter", active: true, password }))
      .body as { id: string };
    const cookie = await house.signIn("rush", password);
    expect((await house.ask("DELETE", `/api/staff/${id}`)).body).toEqual([expect.objectContaining({ signIn: "pat" })]);
    expect((await house.ask("GET", "/api/season", undefined, { cookie })).status).toBe(401);
    expect(await signIn("rush", password)).toBe(422);
    expect(await signIn(`gone ${id}`, "anything at all")).toBe(422);
    const trail = (await house.ask("GET", "/api/audit")).body as { who: string; what: string }[];
    expect(trail.map(({ who, what }) => `${who} ${what}`)).toContain("Pat Planner deleted Rush Tern");
    const pat = ((await house.ask("GET", "/api/staff")).body as { id: string }[])[0]?.id;
    expect((await house.ask("DELETE", `/api/staff/${pat}`)).status).toBe(422);
  });
});

describe("the code door", () => {
  const look = async (code: string, from: string) =>
    (await house.ask("GET", `/api/public/runs/${code}`, undefined, { cookie: null, headers: { "x-forwarded-for": from } })).status;

  it("closes to codes that aren't there, for an address that tries one after another; a known code stays open to everybody", async () => {
    const run: RunDoc = await makeRun(house);
    const right = (run.code ?? "").toLowerCase().replaceAll(" ", "-");
    const statuses = [];
    for (let i = 0; i < 100; i += 1) statuses.push(await look(`amber-acorn-kettle-${100 + i}`, "203.0.113.9"));
    expect([count(statuses, 404), count(statuses, 429)]).toEqual([60, 40]);
    expect(await look(right, "203.0.113.9")).toBe(200);
    expect(await look(right, "203.0.113.10")).toBe(200);
    house.pass(15 * 60_000 + 1);
    expect(await look("amber-acorn-kettle-900", "203.0.113.9")).toBe(404);
  });

  it("takes 32 of 32 good entries from an address behind which somebody tried sixty wrong codes, and opens their private links", async () => {
    const run: RunDoc = await makeRun(house);
    const headers = { "x-forwarded-for": "203.0.113.9" };
    for (let i = 0; i < 70; i += 1) await look(`amber-acorn-kettle-${100 + i}`, "203.0.113.9");
    const path = `/api/public/runs/${encodeURIComponent(run.code ?? "")}/entries`;
    const sent = await Promise.all(
      Array.from({ length: 32 }, (_, i) => house.ask("POST", path, goodEntry(`wifi${i}`), { cookie: null, headers })),
    );
    expect(sent.map(({ status }) => status)).toEqual(Array.from({ length: 32 }, () => 201));
    const link = { ...headers, "x-entry-secret": goodEntry("wifi0").secret };
    expect((await house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers: link })).status).toBe(200);
    const wrong = { ...headers, "x-entry-secret": "w".repeat(32) };
    expect((await house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers: wrong })).status).toBe(429);
  });

  it("is not limited at the house's own address", async () => {
    const statuses = [];
    for (let i = 0; i < 70; i += 1) statuses.push(await look(`amber-acorn-kettle-${100 + i}`, "198.51.100.7"));
    expect([count(statuses, 404), count(statuses, 429)]).toEqual([70, 0]);
  });

  it("warns in House and in the log when requests come through a proxy that the server was not told of", async () => {
    const warned: string[] = [];
    const log = pino({ level: "warn" }, { write: (line: string) => void warned.push(line) });
    for (const [proxies, expected] of [
      [1, false],
      [0, true],
    ] as const) {
      const app = createApp({ ...house.deps, proxies, log });
      const states = async () => (await (await app.request("/healthz/deep")).json()) as Record<string, string>;
      expect((await states())["proxy"]).toBeUndefined();
      await app.request("/api/setup", { headers: { "x-forwarded-for": "203.0.113.9" } });
      house.pass(6000);
      expect((await states())["proxy"]).toBe(expected ? "soon" : undefined);
      expect(warned.filter((line) => line.includes("LAMPCRATE_PROXY=1"))).toHaveLength(expected ? 1 : 0);
    }
  });

  it("has forty thousand times the codes that two words and a digit gave, of three words and a number", async () => {
    expect(codesThereAre).toBeGreaterThan(40_000 * 8192);
    expect((await makeRun(house)).code).toMatch(/^[A-Z]+ [A-Z]+ [A-Z]+ [1-9]\d\d$/);
  });
});
