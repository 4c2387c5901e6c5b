import type { PutAwayRun, RunDoc, SeasonDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { goodEntry, makeRun, openTestHouse, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const ask = (method: string, path = "") => house.ask(method, `/api/runs/${run.id}${path}`);
const inSeason = async (): Promise<boolean> =>
  ((await house.ask("GET", "/api/season")).body as SeasonDoc).runs.some(({ id }) => id === run.id);
const session = (start: string) =>
  house.ask("POST", `/api/runs/${run.id}/sessions`, {
    title: "",
    roomId: "marsh-room",
    start,
    minutes: 60,
    setUpMin: 0,
    tearDownMin: 0,
    heads: { model: "forecast", low: 5, likely: 8, high: 12 },
  });

describe("a run put away", () => {
  it("leaves the season with all it holds, and comes back with it", async () => {
    await sendTo(house, run, goodEntry("kept"));
    expect((await ask("POST", "/put-away")).body).toEqual([{ id: run.id, title: "Spinners", kind: "at-home", entries: 1 }]);
    expect(await inSeason()).toBe(false);
    expect((await ask("GET")).body).toMatchObject({ archived: true, entries: { waiting: 1 } });
    expect((await ask("POST", "/back")).body as PutAwayRun[]).toEqual([]);
    expect(await inSeason()).toBe(true);
  });

  it("is refused while a session is still to come, unless it is cancelled", async () => {
    await session("2026-12-05T10:00");
    expect(await ask("POST", "/put-away")).toMatchObject({ status: 409, body: { detail: expect.stringContaining("2026-12-05 10:00") } });
    await ask("POST", "/cancel");
    expect((await ask("POST", "/put-away")).status).toBe(200);
  });
});

describe("deleting a run", () => {
  it("leaves nothing of one that has left nothing behind", async () => {
    expect((await ask("DELETE")).status).toBe(409);
    await ask("POST", "/unpublish");
    await session("2026-12-05T10:00");
    expect((await ask("DELETE")).status).toBe(200);
    expect((await ask("GET")).status).toBe(404);
    const left = (table: string) => house.deps.db.$client.prepare(`select count(*) from ${table}`).pluck().get();
    expect(["run", "brief", "brief_version", "session", "undo_step"].map(left)).toEqual([0, 0, 0, 0, 0]);
  });

  it("is refused where entries hang on it", async () => {
    await sendTo(house, run, goodEntry("kept"));
    await ask("POST", "/cancel");
    expect(await ask("DELETE")).toMatchObject({ status: 409, body: { title: "Run has records" } });
    expect((await ask("GET")).status).toBe(200);
  });

  it("is refused where a count hangs on it, or has hung on it: what the stock took stays told", async () => {
    await ask("POST", "/unpublish");
    await session("2026-11-24T10:00");
    const [held] = ((await ask("GET")).body as RunDoc).sessions;
    expect((await ask("PUT", `/sessions/${held?.id}/count`)).status).toBe(422);
    const count = { builders: 3, rebuilds: [0], lines: [] };
    expect((await house.ask("PUT", `/api/runs/${run.id}/sessions/${held?.id}/count`, count)).status).toBe(200);
    expect(await ask("DELETE")).toMatchObject({ status: 409, body: { title: "Run has records" } });
    await ask("POST", "/undo");
    expect((await ask("DELETE")).status).toBe(200);
  });
});

describe("a cancelled run", () => {
  it("may be cancelled again though its room was given away; only coming back takes the room", async () => {
    await session("2026-12-05T10:00");
    await ask("POST", "/cancel");
    const other = await makeRun(house, { title: "Others" });
    const taken = {
      title: "",
      roomId: "marsh-room",
      start: "2026-12-05T10:00",
      minutes: 60,
      setUpMin: 0,
      tearDownMin: 0,
      heads: { model: "forecast", low: 5, likely: 8, high: 12 },
    };
    expect((await house.ask("POST", `/api/runs/${other.id}/sessions`, taken)).status).toBe(201);
    expect((await ask("POST", "/cancel")).status).toBe(200);
    expect((await ask("POST", "/unpublish")).status).toBe(409);
    const loft = { ...taken, roomId: "weather-loft" };
    expect((await house.ask("POST", `/api/runs/${other.id}/sessions`, loft)).status).toBe(201);
    expect(await house.ask("POST", `/api/runs/${other.id}/sessions`, loft)).toMatchObject({
      status: 409,
      body: { detail: expect.stringMatching(/^Weather Loft/) },
    });
  });
});
