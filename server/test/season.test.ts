import type { HouseDoc, MaterialDoc, ProblemDoc, RunDoc, SeasonDoc, SheetDoc } from "@lampcrate/contract";
import { type KitLine, kitCut, usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addMaterial, entriesOf, goodEntry, makeRun, openTestHouse, password, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

/** The season as who has just signed in sees it: half a day later a sign-in has ended. */
const season = async (): Promise<SeasonDoc> => {
  const cookie = await house.signIn("pat", password);
  return (await house.ask("GET", "/api/season", undefined, { cookie })).body as SeasonDoc;
};
const read = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const sheetOf = async (run: RunDoc): Promise<SheetDoc> =>
  (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}`, undefined, { cookie: null })).body as SheetDoc;
const dues = async (): Promise<readonly string[]> =>
  (await season()).toDo.map((toDo) => `${toDo.due}${toDo.late ? " late" : ""} ${toDo.step}: ${toDo.words}`);
const session = (start: string) => ({
  title: "Saturday",
  roomId: "marsh-room",
  start,
  minutes: 120,
  setUpMin: 30,
  tearDownMin: 30,
  heads: { model: "forecast", low: 5, likely: 8, high: 12 },
});

const material = (name: string, patch: Partial<MaterialDoc> = {}): Promise<MaterialDoc> => addMaterial(house, name, patch);

const lineOf = (id: string, of: MaterialDoc, patch: Partial<KitLine> = {}): KitLine => ({
  ...usualLine(`line-${id}`, of.id),
  kind: of.unit === "piece" ? "counted" : "measured",
  ...patch,
});

const withLines = async (run: RunDoc, lines: readonly unknown[]): Promise<RunDoc> => {
  const answer = await house.ask("PUT", `/api/runs/${run.id}/brief`, {
    revision: run.briefRevision,
    words: "lines",
    brief: { ...run.brief, lines },
  });
  expect([answer.status, (answer.body as ProblemDoc).errors]).toEqual([200, undefined]);
  return answer.body as RunDoc;
};

describe("what is said of a step", () => {
  const mark = (body: object, cookie?: string) => house.ask("PUT", "/api/season/steps", body, cookie === undefined ? {} : { cookie });
  const marks = async () => (await season()).marks;

  it("is whose it is and that it is done, until it is taken back; it goes with its run and with its person", async () => {
    const run = await makeRun(house);
    const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
    const moss = { id: "moss-lark", name: "Moss Lark", weekHours: null, away: [] };
    expect((await house.ask("PUT", "/api/house", { ...doc, people: [moss] })).status).toBe(200);
    const step = { id: "prepare saturday", runId: run.id, done: false, owner: "moss-lark" };
    expect((await mark(step)).status).toBe(200);
    expect(await marks()).toEqual([step]);
    const done = { ...step, done: true };
    expect(((await mark(done)).body as SeasonDoc).marks).toEqual([done]);
    expect((await mark({ ...step, owner: "somebody-else" })).status).toBe(422);
    expect((await mark({ ...step, runId: "nobodys-run" })).status).toBe(404);
    expect((await mark({ ...step, id: "" })).status).toBe(422);
    expect(await marks()).toEqual([done]);
    const now = (await house.ask("GET", "/api/house")).body as HouseDoc;
    await house.ask("PUT", "/api/house", { ...now, people: [] });
    expect(await marks()).toEqual([{ ...done, owner: null }]);
    await mark({ ...step, owner: null });
    expect(await marks()).toEqual([]);
  });

  it("counts working days until a step must begin, closed days left out", async () => {
    const { id } = (await house.ask("POST", "/api/runs", { title: "Bare", kind: "drop-in", family: "span" })).body as { id: string };
    await house.ask("POST", `/api/runs/${id}/sessions`, session("2026-12-05T10:00"));
    const publish = async () => (await season()).toDo.find(({ step }) => step === "publish");
    house.at("2026-12-01T09:00:00Z");
    expect(await publish()).toMatchObject({ due: "2026-12-02", slack: 1, late: false });
    house.at("2026-12-04T09:00:00Z");
    expect(await publish()).toMatchObject({ due: "2026-12-02", slack: -2, late: true });
    const cookie = await house.signIn("pat", password);
    const doc = (await house.ask("GET", "/api/house", undefined, { cookie })).body as HouseDoc;
    const closed = { id: "stocktaking", from: "2026-12-03", to: "2026-12-03", why: "" };
    await house.ask("PUT", "/api/house", { ...doc, closures: [closed] }, { cookie });
    expect((await publish())?.slack).toBe(-1);
  });
});

describe("what must be done this week", () => {
  it("asks an empty house for a material, and a new run for its kit, its day and its sheet", async () => {
    expect((await season()).missing.map((m) => m.to)).toEqual(["/store"]);
    const { id } = (await house.ask("POST", "/api/runs", { title: "Bare", kind: "drop-in", family: "span" })).body as { id: string };
    expect(await dues()).toEqual(["2026-11-25 crate: Say what goes in the kit", "2026-11-25 calendar: Put it on the calendar"]);
    await house.ask("POST", `/api/runs/${id}/sessions`, session("2026-12-05T10:00"));
    expect(await dues()).toEqual(["2026-11-25 crate: Say what goes in the kit"]);
    house.at("2026-12-01T09:00:00Z");
    expect(await dues()).toEqual(["2026-11-25 late crate: Say what goes in the kit", "2026-12-02 publish: Publish the challenge sheet"]);
  });

  it("is never late with a run the moment it is made, though its entries open the same day", async () => {
    await house.ask("POST", "/api/starters/seed-wing", { title: "Seeds", kind: "at-home" });
    expect(await dues()).toEqual(["2026-11-25 publish: Publish the challenge sheet"]);
    house.at("2026-11-27T09:00:00Z");
    expect(await dues()).toEqual(["2026-11-25 late publish: Publish the challenge sheet"]);
  });

  it("has nothing left for a run with lines that is not due before Sunday", async () => {
    const card = await material("Card");
    const run = await makeRun(house, { publish: false });
    const opens = await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { opensOn: "2026-12-12" }));
    await withLines(opens.body as RunDoc, [lineOf("one", card)]);
    expect((await season()).missing).toEqual([]);
    expect(await dues()).toEqual([]);
  });

  it("counts what waits to be sifted, and gets the reveal ready the day before", async () => {
    const run = await makeRun(house);
    const send = (name: string) => sendTo(house, run, goodEntry(name));
    await send("a");
    expect(await dues()).toEqual(["2026-11-25 sift: Sift 1 entry"]);
    await send("b");
    expect(await dues()).toEqual(["2026-11-25 sift: Sift 2 entries"]);
    const [entry] = await entriesOf(house, run.id);
    await house.ask("POST", `/api/runs/${run.id}/entries/${entry?.id}/decision`, {
      decision: "accepted",
      why: "",
      revision: entry?.revision,
    });
    expect((await season()).runs[0]).toMatchObject({ waiting: 1, accepted: 1 });
    house.at("2026-12-21T09:00:00Z");
    expect((await dues()).at(-1)).toBe("2026-12-23 findings: Get the reveal ready");
    house.at("2026-12-26T09:00:00Z");
    expect((await dues()).some((words) => words.includes("reveal"))).toBe(false);
  });

  it("reminds families once, some days before a run closes, as the house wants it; a tick says that it is done", async () => {
    const run = await makeRun(house);
    house.at("2026-12-15T09:00:00Z");
    const remind = async () => (await season()).toDo.filter(({ words }) => words === "Remind families");
    expect(await remind()).toMatchObject([
      {
        id: `${run.id}-remind 2026-12-17`,
        due: "2026-12-17",
        told: true,
        detail: expect.stringMatching(/^3 days until entries close: whoever has sent gets a letter/),
        step: "publish",
      },
    ]);
    const cookie = await house.signIn("pat", password);
    const doc = (await house.ask("GET", "/api/house", undefined, { cookie })).body as HouseDoc;
    const often = { ...doc, gathering: { ...doc.gathering, remindDays: [1, 5] } };
    expect((await house.ask("PUT", "/api/house", often, { cookie })).status).toBe(200);
    expect((await remind()).map(({ due, late }) => [due, late])).toEqual([
      ["2026-12-15", false],
      ["2026-12-19", false],
    ]);
    house.at("2026-12-21T09:00:00Z");
    expect(await remind()).toEqual([]);
    const wrong = { ...doc, revision: doc.revision + 1, gathering: { ...doc.gathering, siftMinutes: 0 } };
    const refused = await house.ask("PUT", "/api/house", wrong, { cookie: await house.signIn("pat", password) });
    expect([refused.status, (refused.body as ProblemDoc).errors?.[0]?.field]).toEqual([422, "gathering.siftMinutes"]);
  });

  it("does not nag about what was called off", async () => {
    const run = await makeRun(house, { publish: false });
    expect((await dues()).length).toBeGreaterThan(0);
    await house.ask("POST", `/api/runs/${run.id}/cancel`);
    expect(await dues()).toEqual([]);
  });
});

describe("the door for entries", () => {
  it("opens and closes at midnight by the house's clock, not the server's", async () => {
    const run = await makeRun(house);
    const doors: string[] = [];
    for (const instant of ["2026-11-19T22:59:00Z", "2026-11-19T23:00:00Z", "2026-12-20T22:59:59Z", "2026-12-20T23:00:00Z"]) {
      house.at(instant);
      doors.push((await sheetOf(run)).entries);
    }
    expect(doors).toEqual(["not yet", "open", "open", "closed"]);
  });

  it("refuses an entry outside its days, and says when they are", async () => {
    const run = await makeRun(house);
    const send = (name: string) => sendTo(house, run, goodEntry(name));
    house.at("2026-11-19T12:00:00Z");
    const early = await send("early");
    house.at("2026-12-21T12:00:00Z");
    const late = await send("late");
    expect([early.status, late.status]).toEqual([403, 403]);
    expect((early.body as ProblemDoc).detail).toMatch(/20 Nov/);
    expect((late.body as ProblemDoc).detail).toMatch(/20 Dec/);
  });
});

describe("a challenge sheet's kit", () => {
  const kit = async (units: "metric" | "imperial"): Promise<readonly string[]> => {
    const [card, tape, clay, glue, rig] = [
      await material("Card", { sheetWidthM: 0.5, sheetHeightM: 0.7 }),
      await material("Tape", { unit: "mm", packSize: 50_000 }),
      await material("Clay", { unit: "g", packSize: 1000 }),
      await material("Glue", { unit: "ml", packSize: 1000 }),
      await material("Tub"),
    ];
    const run = await makeRun(house, { publish: false, title: units });
    const set = (await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { units }))).body as RunDoc;
    const cut = kitCut({ widthM: 0.1, heightM: 0.2 });
    await withLines(set, [
      lineOf("card", card, { amount: 2.5, cut }),
      lineOf("tape", tape, { amount: 609.6 }),
      lineOf("clay", clay, { amount: 56.699 }),
      lineOf("glue", glue, { amount: 1500, per: "table" }),
      lineOf("tub", rig, { kind: "reusable", per: "rig", source: "house" }),
    ]);
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    return (await sheetOf(await read(run.id))).lines.map((line) => line.words.replaceAll("\u00a0", " "));
  };

  it("says how much of a stand-in takes a line's place, where it is not as much", async () => {
    const [card, yarn] = [await material("Card"), await material("String", { unit: "mm", packSize: 10_000 })];
    const run = await makeRun(house, { publish: false });
    await withLines(run, [
      lineOf("card", card, { amount: 3, standIn: "cereal boxes", standInRatio: 0.5 }),
      lineOf("yarn", yarn, { amount: 600, standIn: "yarn", standInRatio: 1.5 }),
      lineOf("more", card, { amount: 3, standIn: "postcards" }),
    ]);
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    const { lines } = await sheetOf(await read(run.id));
    expect(lines.map((line) => line.standIn.replaceAll("\u00a0", " "))).toEqual(["2 × cereal boxes", "90 cm of yarn", "postcards"]);
  });

  it("of a version frozen before stand-ins had a ratio is as much of the stand-in, and unchanged since it was published", async () => {
    const card = await material("Card");
    const run = await makeRun(house, { publish: false });
    await withLines(run, [lineOf("card", card, { amount: 3, standIn: "postcards" })]);
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    const { changes } = house.deps.db.$client
      .prepare(`update brief_version set at = at - 1, frozen = replace(frozen, ',"standInRatio":1', '')`)
      .run();
    expect(changes).toBe(1);
    // Read anew, for its instant is another: versions already read are remembered by it.
    const now = await read(run.id);
    expect(now.changedSincePublished).toBe(false);
    expect((await sheetOf(now)).lines[0]?.standIn).toBe("postcards");
  });

  it("is told in metres and grams", async () => {
    expect(await kit("metric")).toEqual([
      "2.5 × Card, 10 cm by 20 cm",
      "61 cm of Tape",
      "56.7 g of Clay",
      "1.5 l of Glue for each table",
      "Tub for each rig",
    ]);
  });

  it("is told in inches and ounces where the run is", async () => {
    expect((await kit("imperial")).slice(0, 3)).toEqual(["2.5 × Card, 3.94 in by 7.87 in", "24 in of Tape", "2 oz of Clay"]);
  });

  it("puts the planner's own caution before the last, which defers to the venue, and what the materials bring", async () => {
    const wheat = await material("Noodles", { allergens: ["wheat"], smallPart: true });
    const run = await makeRun(house, { publish: false });
    const filled = await withLines(run, [lineOf("one", wheat)]);
    const own = "Mind the wet step by the door.";
    await house.ask("PUT", `/api/runs/${run.id}/brief`, {
      revision: filled.briefRevision,
      words: "a caution",
      brief: { ...filled.brief, cautions: [{ id: "own-caution", words: own }] },
    });
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    const { cautions } = await sheetOf(await read(run.id));
    expect(cautions.at(-2)).toBe(own);
    expect(cautions.at(-1)).toMatch(/venue|local/);
    expect(cautions.some((words) => words.includes("wheat"))).toBe(true);
  });
});

describe("a session", () => {
  const one = async (): Promise<RunDoc> => {
    const run = await makeRun(house, { publish: false });
    return (await house.ask("POST", `/api/runs/${run.id}/sessions`, session("2026-12-05T10:00"))).body as RunDoc;
  };

  it("moves, keeps its heads, and goes back by undo", async () => {
    const run = await one();
    const [held] = run.sessions;
    if (!held) throw new Error("a session was added");
    const heads = { model: "signedUp", signedUp: 20, showRate: 0.9, walkIns: 2 };
    const moved = await house.ask("PUT", `/api/runs/${run.id}/sessions/${held.id}`, {
      ...session("2026-12-06T11:00"),
      heads,
      revision: held.revision,
    });
    expect((moved.body as RunDoc).sessions[0]).toMatchObject({ start: "2026-12-06T11:00", heads, revision: held.revision + 1 });
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await read(run.id)).sessions[0]).toMatchObject({ start: "2026-12-05T10:00", heads: { model: "forecast" } });
  });

  it("does not clash with itself when it is moved by an hour", async () => {
    const run = await one();
    const [held] = run.sessions;
    const moved = await house.ask("PUT", `/api/runs/${run.id}/sessions/${held?.id}`, {
      ...session("2026-12-05T11:00"),
      revision: held?.revision,
    });
    expect(moved.status).toBe(200);
  });

  it("is on the season's line with its end, by the house's clock", async () => {
    await one();
    expect((await season()).runs[0]?.sessions[0]).toMatchObject({
      date: "2026-12-05",
      startAt: Date.parse("2026-12-05T09:00:00Z"),
      endAt: Date.parse("2026-12-05T11:00:00Z"),
      roomName: "Marsh Room",
      cancelled: false,
    });
  });

  it("keeps its room from being removed", async () => {
    await one();
    const doc = (await house.ask("GET", "/api/house")).body as { rooms: { id: string }[] };
    const answer = await house.ask("PUT", "/api/house", { ...doc, rooms: doc.rooms.filter((room) => room.id !== "marsh-room") });
    expect(answer.status).toBe(422);
    expect(JSON.stringify((answer.body as ProblemDoc).errors)).toContain("Marsh Room");
  });
});
