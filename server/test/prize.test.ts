import type { MineDoc, PrizeDoc, ProblemDoc, RunDoc } from "@lampcrate/contract";
import { prizeDraw } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { ClockWatch } from "../src/jobs/clockWatch.ts";
import { keepPromises } from "../src/jobs/keepPromises.ts";
import { writeLetters } from "../src/services/outbox/writeLetters.ts";
import { everything, goodEntry, makeRun, openTestHouse, password, sendTo, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
let cookie: string;

/** Eight accepted, of which three stay below the goal; one waits; entries have closed. */
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  const { brief, briefRevision } = run;
  const doc = { ...brief, spec: { ...brief.spec, goalS: 1.65 }, prize: "Two who met the goal are drawn: each goes up the tower at dusk." };
  await house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: briefRevision, words: "", brief: doc });
  await house.ask("POST", `/api/runs/${run.id}/publish`);
  for (let i = 0; i < 8; i += 1) {
    const { versions, ...rest } = goodEntry(`drawn${i}`);
    const low = versions.map((v) => ({ ...v, trials: v.trials.map((t) => ({ ...t, raw: "1.4" })) }));
    await sendTo(house, run, { ...rest, versions: i < 5 ? versions : low });
    await house.ask("POST", `/api/runs/${run.id}/entries/${rest.id}/decision`, { decision: "accepted", why: "", revision: 1 });
  }
  await sendTo(house, run, goodEntry("waits"));
  house.at("2026-12-21T09:00:00Z");
  cookie = await house.signIn("pat", password);
});
afterEach(() => house.close());

const prize = (method: string, path = "", body?: unknown) => house.ask(method, `/api/runs/${run.id}/prize${path}`, body, { cookie });
const standing = async (): Promise<PrizeDoc> => (await prize("GET")).body as PrizeDoc;
const mine = async (name: string): Promise<MineDoc> =>
  (await house.ask("GET", "/api/public/mine", undefined, { cookie: null, headers: { "x-entry-secret": goodEntry(name).secret } }))
    .body as MineDoc;
const names = Array.from({ length: 8 }, (_, i) => `drawn${i}`);
const winners = async () => (await Promise.all(names.map(mine))).filter(({ claims }) => claims.length > 0);

describe("a prize", () => {
  it("is drawn among those who met the goal, and the draw can be repeated from its seed and its list", async () => {
    expect(await standing()).toEqual({
      prize: "Two who met the goal are drawn: each goes up the tower at dusk.",
      closed: true,
      qualify: { goal: 5, all: 8 },
      drawn: null,
    });
    const { status, body } = await prize("POST", "", { winners: 2, among: "goal" });
    expect(status).toBe(201);
    const { drawn } = body as PrizeDoc;
    expect(drawn).toMatchObject({ by: "Pat Planner", among: "goal", qualifiers: 5 });
    const ids = names.slice(0, 5).map((name) => goodEntry(name).id);
    const again = prizeDraw(ids, drawn?.seed ?? 0).slice(0, 2);
    const aliases = await Promise.all(again.map(async (id) => (await mine(names[ids.indexOf(id)] ?? "")).entry.alias));
    expect(drawn?.wins).toEqual(aliases.map((alias) => ({ alias, claimedAt: null })));
    expect(everything(house)).toContain(`drew 2 of 5 for the prize of Spinners, seed ${drawn?.seed}`);
  });

  it("of a draft is none yet", async () => {
    const draft = await house.ask("POST", "/api/runs", { title: "Later", kind: "at-home", family: "descent" }, { cookie });
    const { id } = draft.body as { id: string };
    const { status, body } = await house.ask("GET", `/api/runs/${id}/prize`, undefined, { cookie });
    expect([status, body]).toEqual([200, { prize: "", closed: false, qualify: { goal: 0, all: 0 }, drawn: null }]);
  });

  it("is written to its winners, once, in their letters and no others'; a draw that is taken back takes that letter with it", async () => {
    const told = async () => {
      await writeLetters(house.deps);
      const all = await Promise.all(names.map(mine));
      return all.map(({ letters, claims }) => [letters.filter(({ kind }) => kind === "won").length, claims.length]);
    };
    expect((await told()).flat()).toEqual(names.flatMap(() => [0, 0]));
    await prize("POST", "", { winners: 2, among: "all" });
    const first = await told();
    expect(first.every(([letters, claims]) => letters === claims)).toBe(true);
    expect(first.filter(([letters]) => letters === 1)).toHaveLength(2);
    expect(await told()).toEqual(first);
    await prize("DELETE");
    expect((await told()).flat()).toEqual(names.flatMap(() => [0, 0]));
    await prize("POST", "", { winners: 3, among: "all" });
    expect((await told()).filter(([letters, claims]) => letters === 1 && claims === 1)).toHaveLength(3);
  });

  it("is shown to its winners alone, by a code that staff don't see; it is handed out once", async () => {
    await prize("POST", "", { winners: 2, among: "all" });
    const won = await winners();
    expect(won).toHaveLength(2);
    const [{ code = "", alias = "" } = {}] = won[0]?.claims ?? [];
    expect(code).toMatch(/^[2-9A-HJKMNP-Z]{4}-[2-9A-HJKMNP-Z]{4}$/);
    expect(JSON.stringify(await standing())).not.toContain(code.slice(0, 4));
    const wrong = await prize("POST", "/claims", { code: "AAAA-AAAA" });
    expect([wrong.status, (wrong.body as ProblemDoc).errors?.[0]?.field]).toEqual([422, "code"]);
    const { body } = await prize("POST", "/claims", { code: ` ${code.toLowerCase().replace("-", " ")} ` });
    expect((body as PrizeDoc).drawn?.wins.find((win) => win.alias === alias)?.claimedAt).toBe(Date.parse("2026-12-21T09:00:00Z"));
    const twice = await prize("POST", "/claims", { code });
    expect((twice.body as ProblemDoc).detail).toBe("This prize was handed out on Monday 21 December 2026.");
    expect((await winners())[0]?.claims[0]?.claimedAt).toBe(Date.parse("2026-12-21T09:00:00Z"));
  });

  it("waits until entries have closed, is drawn once, by a planner, among enough", async () => {
    const few = await prize("POST", "", { winners: 6, among: "goal" });
    expect([few.status, (few.body as ProblemDoc).detail]).toEqual([422, "Only 5 entries qualify."]);
    for (const bad of [
      { winners: 0, among: "goal" },
      { winners: 1.5, among: "goal" },
      { winners: 1, among: "friends" },
    ])
      expect((await prize("POST", "", bad)).status).toBe(422);
    house.at("2026-12-20T09:00:00Z");
    expect((await prize("POST", "", { winners: 1, among: "all" })).status).toBe(409);
    house.at("2026-12-21T09:00:00Z");
    await house.ask("POST", "/api/staff", { name: "Sif", signIn: "sifter", role: "sifter", active: true, password }, { cookie });
    const planner = cookie;
    cookie = await house.signIn("sifter", password);
    expect((await prize("POST", "", { winners: 1, among: "all" })).status).toBe(403);
    cookie = planner;
    expect((await prize("POST", "", { winners: 1, among: "all" })).status).toBe(201);
    expect((await prize("POST", "", { winners: 1, among: "all" })).status).toBe(409);
  });

  it("is taken back while nothing was handed out, and goes with an entry that is erased or taken out", async () => {
    expect((await prize("DELETE")).status).toBe(404);
    await prize("POST", "", { winners: 3, among: "goal" });
    expect(((await prize("DELETE")).body as PrizeDoc).drawn).toBeNull();
    expect(await winners()).toEqual([]);
    await prize("POST", "", { winners: 5, among: "goal" });
    const own = { cookie: null, headers: { "x-entry-secret": goodEntry("drawn0").secret } };
    await house.ask("POST", "/api/public/mine/withdraw", undefined, own);
    expect((await mine("drawn0")).claims).toEqual([]);
    expect((await standing()).drawn?.wins).toHaveLength(4);
    await house.ask("DELETE", "/api/public/mine", undefined, own);
    expect((await standing()).drawn).toMatchObject({ qualifiers: 5, wins: { length: 4 } });
    await prize("POST", "/claims", { code: (await mine("drawn1")).claims[0]?.code });
    expect((await prize("DELETE")).status).toBe(409);
    // Also once its winner has taken their entry out.
    await house.ask("POST", "/api/public/mine/withdraw", undefined, {
      cookie: null,
      headers: { "x-entry-secret": goodEntry("drawn1").secret },
    });
    expect((await prize("DELETE")).status).toBe(409);
  });

  it("has no code and no made-up name left once entries are made anonymous", async () => {
    await prize("POST", "", { winners: 2, among: "goal" });
    const [{ claims = [] } = {}] = await winners();
    const watch = new ClockWatch(house.deps);
    for (const day of ["2027-03-16T23:01:00Z", "2027-03-23T23:02:00Z"]) {
      house.pass(Date.parse(day) - house.deps.clock());
      await keepPromises(house.deps, watch);
    }
    const all = everything(house);
    for (const { alias, code } of claims) for (const gone of [alias, code.replace("-", "")]) expect(all).not.toContain(gone);
    cookie = await house.signIn("pat", password);
    expect((await standing()).drawn).toMatchObject({ qualifiers: 5, wins: [] });
  });
});
