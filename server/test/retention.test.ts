import type { FindingsDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { ClockWatch, clockHeld, trustClock } from "../src/jobs/clockWatch.ts";
import { runJob } from "../src/jobs/job.ts";
import { keepPromises } from "../src/jobs/keepPromises.ts";
import { everything, goodEntry, makeRun, openTestHouse, password, sendTo, settings, type TestHouse } from "./house.ts";

const day = 86_400_000;
const start = Date.parse("2026-11-25T10:00:00Z");

let house: TestHouse;
let run: RunDoc;
let watch: ClockWatch;
const code = (): string => encodeURIComponent(run.code ?? "");
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  const entry = goodEntry("kept", { said: "we used grandpa's hat" });
  await sendTo(house, run, entry);
  await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "spoke to them", revision: 1 });
  watch = new ClockWatch(house.deps);
});
afterEach(() => house.close());

/** Months have passed: somebody signs in anew. */
const findings = async (): Promise<FindingsDoc> =>
  (await house.ask("GET", `/api/runs/${run.id}/findings`, undefined, { cookie: await house.signIn("pat", password) })).body as FindingsDoc;

/** Time passes evenly until an instant, with the job at its end. */
const until = (iso: string): Promise<string> => {
  house.pass(Date.parse(iso) - house.deps.clock());
  return keepPromises(house.deps, watch);
};
const entries = (): number => house.deps.db.$client.prepare("select count(*) from entry").pluck().get() as number;

it("makes entries anonymous on the day the consent names, not before, and once: the numbers stay, the words go", async () => {
  const sheet = (await house.ask("GET", `/api/public/runs/${code()}`)).body as SheetDoc;
  expect(sheet.keeping).toContain("Wednesday 24 March 2027");
  const { alias } = (await findings()).table.builders[0] ?? { alias: "" };
  expect(await until("2027-03-16T22:00:00Z")).toBe("Nothing was due.");
  await until("2027-03-16T23:01:00Z");
  expect(await until("2027-03-23T22:59:00Z")).toBe("Nothing was due.");
  expect(await until("2027-03-23T23:02:00Z")).toBe("Made 1 entry anonymous of Spinners.");
  expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
  const all = everything(house);
  for (const gone of [alias, "grandpa", "spoke to them", "wings"]) expect(all).not.toContain(gone);
  expect((await findings()).table.builders[0]).toMatchObject({ alias: "Builder 1", metGoal: true, best: { low: 1.66, high: 1.66 } });
});

it("gives later entries of the same run the next names, and ends in good order", async () => {
  await until("2027-03-17T00:00:00Z");
  await until("2027-03-24T08:00:00Z");
  const cookie = await house.signIn("pat", password);
  const now = (await house.ask("GET", `/api/runs/${run.id}`, undefined, { cookie })).body as RunDoc;
  const reopened = settings(now, { opensOn: "2027-03-24", closesOn: "2027-03-30", revealOn: "2027-03-31" });
  await house.ask("PUT", `/api/runs/${run.id}`, reopened, { cookie });
  expect((await sendTo(house, run, goodEntry("late"))).status).toBe(201);
  await until("2027-06-22T08:00:00Z");
  expect(await until("2027-06-29T09:00:00Z")).toBe("Made 1 entry anonymous of Spinners.");
  const names = house.deps.db.$client.prepare("select alias from entry order by key").pluck().all();
  expect(names).toEqual(["Builder 1", "Builder 2"]);
});

it("erases all of an entry where the run says so, and its phone can't bring it back", async () => {
  const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
  await house.ask("PUT", `/api/runs/${run.id}`, { ...settings(now), afterwards: "erase" });
  await until("2027-03-17T00:00:00Z");
  expect(await until("2027-03-24T08:00:00Z")).toBe("Erased 1 entry of Spinners.");
  expect(everything(house)).not.toContain("grandpa");
  expect((await findings()).entries).toBe(0);
  const again = await house.ask("POST", `/api/public/runs/${code()}/entries`, goodEntry("kept", { said: "we used grandpa's hat" }));
  expect(again.status).toBe(410);
  expect(entries()).toBe(0);
});

it("goes on where it was cut short: more entries than one step takes", async () => {
  const send = (i: number) => sendTo(house, run, goodEntry(`many${i}`));
  for (let i = 0; i < 120; i += 1) expect((await send(i)).status).toBe(201);
  await until("2027-03-17T00:00:00Z");
  house.pass(8 * day);
  const half = keepPromises(house.deps, watch);
  // Other work comes through between its steps.
  expect(house.deps.db.$client.prepare("select count(*) from entry where link_hash is null").pluck().get()).toBe(50);
  expect(await half).toBe("Made 121 entries anonymous of Spinners.");
  expect(house.deps.db.$client.prepare("select count(distinct alias) from entry where alias like 'Builder %'").pluck().get()).toBe(121);
});

describe("the notice", () => {
  it("of a day that is past at once stands seven days before anything goes, unless a planner has seen it", async () => {
    house.pass(200 * day);
    expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
    house.pass(6 * day);
    expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
    await house.ask("POST", `/api/runs/${run.id}/erasing-seen`, undefined, { cookie: await house.signIn("pat", password) });
    expect(await keepPromises(house.deps, watch)).toBe("Made 1 entry anonymous of Spinners.");
  });

  it("is on the season, and pressing Seen there is enough", async () => {
    await until("2027-03-17T00:00:00Z");
    const cookie = await house.signIn("pat", password);
    const season = (await house.ask("GET", "/api/season", undefined, { cookie })).body as { erasing: unknown[] };
    expect(season.erasing).toEqual([
      expect.objectContaining({ runId: run.id, title: "Spinners", dueOn: "2027-03-24", entries: 1, seen: false }),
    ]);
    await house.ask("POST", `/api/runs/${run.id}/erasing-seen`, undefined, { cookie });
    const after = (await house.ask("GET", "/api/season", undefined, { cookie })).body as { erasing: unknown[] };
    expect(after.erasing).toEqual([expect.objectContaining({ seen: true })]);
  });
});

describe("the clock", () => {
  it.each([
    ["forward", 60 * day],
    ["back", -30 * day],
  ])("that jumps %s stops the job, which says so, until a planner says that it is right", async (_, jump) => {
    await until("2026-11-25T11:00:00Z");
    house.at(new Date(start + 200 * day).toISOString());
    expect(await keepPromises(house.deps, watch)).toMatch(/clock is 200 days ahead of where it should be/);
    house.at(new Date(house.deps.clock() + jump).toISOString());
    expect(await keepPromises(house.deps, watch)).toMatch(/clock is (60|30) days (ahead of|behind)/);
    expect(entries()).toBe(1);
    trustClock(house.deps, null);
    expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
    expect(clockHeld(house.deps.db)).toBeNull();
  });

  it("that was set while the server was off is held against the time last seen", async () => {
    await until("2026-11-25T11:00:00Z");
    house.at("2028-01-01T00:00:00Z");
    expect(await keepPromises(house.deps, new ClockWatch(house.deps))).toMatch(/402 days ahead of when this house last ran/);
    expect(entries()).toBe(1);
  });

  it("is trusted again once it has gone evenly for seven days, over restarts", async () => {
    await until("2026-11-25T11:00:00Z");
    house.at("2026-12-25T00:00:00Z");
    for (let i = 0; i < 7; i += 1) {
      expect(await keepPromises(house.deps, watch)).toMatch(/clock/);
      house.pass(day);
      await keepPromises(house.deps, watch);
      watch = new ClockWatch(house.deps);
    }
    expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
  });
});

describe("days", () => {
  it.each(["9999-12-31", "2036-11-27"])("beyond ten years are refused: %s", async (closesOn) => {
    const answer = await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { closesOn, revealOn: null }));
    expect(answer.status).toBe(422);
    expect(answer.body).toMatchObject({ errors: [{ field: "closesOn" }] });
  });

  it("that stand in an old file far off erase nothing", async () => {
    house.deps.db.$client.prepare("update run set closes_on = '9999-12-31', reveal_on = null, afterwards = 'erase'").run();
    house.pass(30 * day);
    expect(await keepPromises(house.deps, watch)).toBe("Nothing was due.");
    house.pass(8 * day);
    await keepPromises(house.deps, watch);
    expect(entries()).toBe(1);
  });
});

it("a job that fails ends nothing, and its failure is kept in words", async () => {
  const went = await runJob(house.deps, "retention", () => Promise.reject(new Error("the disk is full")));
  expect(went).toBe(false);
  expect(house.deps.db.$client.prepare("select ok, words from job where name = 'retention'").get()).toEqual({
    ok: 0,
    words: "the disk is full",
  });
});
