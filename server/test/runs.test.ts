import type { EntryDoc, FindingsDoc, ProblemDoc, RevealDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { entriesOf, everything, goodEntry, makeRun, openTestHouse, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const brief = (run: RunDoc, heightM: number, words = `height ${heightM}`) => ({
  revision: run.briefRevision,
  words,
  brief: { ...run.brief, spec: { ...run.brief.spec, heightM } },
});
const put = async (run: RunDoc, heightM: number): Promise<RunDoc> =>
  (await house.ask("PUT", `/api/runs/${run.id}/brief`, brief(run, heightM))).body as RunDoc;
const duplicate = (run: RunDoc, startOn: string | null) => house.ask("POST", `/api/runs/${run.id}/duplicate`, { title: "Again", startOn });
const read = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const sheetOf = async (run: RunDoc): Promise<SheetDoc> =>
  (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}`, undefined, { cookie: null })).body as SheetDoc;
const session = (start: string, roomId = "marsh-room") => ({
  title: "",
  roomId,
  start,
  minutes: 120,
  setUpMin: 30,
  tearDownMin: 30,
  heads: { model: "forecast", low: 5, likely: 8, high: 12 },
});

describe("publishing", () => {
  it("freezes a numbered version that later edits don't touch", async () => {
    const run = await makeRun(house);
    expect(run.publishedVersion).toBe(1);
    expect(run.changedSincePublished).toBe(false);
    const edited = await put(run, 2.4);
    expect(edited.changedSincePublished).toBe(true);
    expect((await sheetOf(run)).brief.spec["heightM"]).toBe(run.brief.spec["heightM"]);
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    expect(await sheetOf(run)).toMatchObject({ version: 2, brief: { spec: { heightM: 2.4 } } });
  });

  it("asks for the days first, field by field", async () => {
    const { id } = (await house.ask("POST", "/api/runs", { title: "Bare", kind: "drop-in", family: "span" })).body as { id: string };
    const answer = await house.ask("POST", `/api/runs/${id}/publish`);
    expect(answer.status).toBe(422);
    expect((answer.body as ProblemDoc).errors?.map((e) => e.field)).toEqual(["opensOn", "closesOn"]);
  });

  it("refuses a closing day before a session has ended", async () => {
    const run = await makeRun(house, { publish: false });
    await house.ask("POST", `/api/runs/${run.id}/sessions`, session("2026-12-21T10:00"));
    expect(((await house.ask("POST", `/api/runs/${run.id}/publish`)).body as ProblemDoc).detail).toContain("before a session has ended");
  });

  it("unpublished, cancelled: families no longer reach it; duplicated: a draft of its own", async () => {
    const run = await makeRun(house);
    await house.ask("POST", `/api/runs/${run.id}/unpublish`);
    expect((await sheetOf(run)) as unknown).toMatchObject({ status: 404 });
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    expect((await read(run.id)).code).toBe(run.code);
    await house.ask("POST", `/api/runs/${run.id}/cancel`);
    expect((await sheetOf(run)) as unknown).toMatchObject({ status: 404 });
    const { id } = (await duplicate(run, null)).body as { id: string };
    expect(await read(id)).toMatchObject({ status: "draft", title: "Again", code: null, brief: run.brief, sessions: [], opensOn: null });
  });

  it("duplicated with its sessions they come along, shifted to the new first day, and its days for entries with them", async () => {
    const run = await makeRun(house);
    for (const start of ["2026-12-05T10:00", "2026-12-12T14:30"]) await house.ask("POST", `/api/runs/${run.id}/sessions`, session(start));
    const { sessions } = (await house.ask("POST", `/api/runs/${run.id}/sessions`, session("2026-12-01T09:00"))).body as RunDoc;
    await house.ask("DELETE", `/api/runs/${run.id}/sessions/${sessions[0]?.id}`);
    const { status, body } = await duplicate(run, "2027-01-09");
    expect(status).toBe(201);
    const copy = await read((body as { id: string }).id);
    expect(copy.sessions.map((s) => [s.start, s.roomId, s.minutes, s.setUpMin])).toEqual([
      ["2027-01-09T10:00", "marsh-room", 120, 30],
      ["2027-01-16T14:30", "marsh-room", 120, 30],
    ]);
    expect(copy).toMatchObject({ opensOn: "2026-12-25", closesOn: "2027-01-24", revealOn: "2027-01-28", status: "draft" });
  });

  it("a copy whose rooms are taken then is refused with each of them, and nothing of it is kept", async () => {
    const run = await makeRun(house, { publish: false });
    for (const start of ["2026-12-05T10:00", "2026-12-06T10:00"]) await house.ask("POST", `/api/runs/${run.id}/sessions`, session(start));
    const bare = await makeRun(house, { publish: false, title: "No days" });
    const before = everything(house);
    const clash = await duplicate(run, "2026-12-05");
    expect(clash.status).toBe(409);
    expect((clash.body as ProblemDoc).errors?.map(({ field }) => field)).toEqual(["startOn", "startOn"]);
    const { body } = await duplicate(bare, "2026-12-05");
    expect((body as ProblemDoc).errors).toMatchObject([{ field: "startOn", message: "This run has no session that could come along." }]);
    expect(everything(house)).toBe(before);
  });
});

describe("two planners on one run", () => {
  it("a save on stale data is refused with who changed what, and nothing is written", async () => {
    const run = await makeRun(house);
    await put(run, 2.4);
    const answer = await house.ask("PUT", `/api/runs/${run.id}/brief`, brief(run, 3));
    expect(answer.status).toBe(409);
    expect(answer.body).toMatchObject({ changed: ["Pat Planner: height 2.4"], current: { brief: { spec: { heightM: 2.4 } } } });
    expect((await read(run.id)).brief.spec["heightM"]).toBe(2.4);
  });

  it("the same for the run's settings and for a session", async () => {
    const run = await makeRun(house);
    expect((await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { title: "New name" }))).status).toBe(200);
    expect((await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { title: "Other" }))).status).toBe(409);
  });
});

describe("undo", () => {
  it("takes back step after step, across settings, brief and sessions", async () => {
    const run = await makeRun(house, { publish: false });
    const a = await put(run, 2);
    const b = await put(a, 3);
    await house.ask("POST", `/api/runs/${run.id}/sessions`, session("2026-12-05T10:00"));
    const undo = async (): Promise<RunDoc> => {
      expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
      return read(run.id);
    };
    expect(b.brief.spec["heightM"]).toBe(3);
    expect((await undo()).sessions).toEqual([]);
    expect((await undo()).brief.spec["heightM"]).toBe(2);
    expect((await undo()).brief.spec["heightM"]).toBe(run.brief.spec["heightM"]);
    expect((await undo()).opensOn).toBeNull();
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(409);
  });

  it("brings a removed session back, unless its room has been taken meanwhile", async () => {
    const run = await makeRun(house, { publish: false });
    const { sessions } = (await house.ask("POST", `/api/runs/${run.id}/sessions`, session("2026-12-05T10:00"))).body as RunDoc;
    await house.ask("DELETE", `/api/runs/${run.id}/sessions/${sessions[0]?.id}`);
    const other = await makeRun(house, { publish: false, title: "Other" });
    await house.ask("POST", `/api/runs/${other.id}/sessions`, session("2026-12-05T11:00"));
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(409);
    await house.ask("POST", `/api/runs/${other.id}/undo`);
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
    expect((await read(run.id)).sessions).toHaveLength(1);
  });
});

describe("a room taken twice", () => {
  it("is refused with the free room and the next free start; touching is no clash", async () => {
    const run = await makeRun(house, { publish: false });
    const add = (body: unknown) => house.ask("POST", `/api/runs/${run.id}/sessions`, body);
    expect((await add(session("2026-12-05T10:00"))).status).toBe(201);
    const clash = await add(session("2026-12-05T12:00"));
    expect(clash.status).toBe(409);
    expect((clash.body as ProblemDoc).detail).toBe(
      "Marsh Room is taken by Spinners on Sat 5 Dec 10:00, set-up and tear-down included. Weather Loft is free then, or start at Sat 5 Dec 13:00.",
    );
    expect((await add(session("2026-12-05T12:00", "weather-loft"))).status).toBe(201);
    expect((await add(session("2026-12-05T13:00"))).status).toBe(201);
  });
});

describe("entries", () => {
  it("sent twice are one, and another secret can't claim it", async () => {
    const run = await makeRun(house);
    const entry = goodEntry("twice");
    const [first, second] = [await sendTo(house, run, entry), await sendTo(house, run, entry)];
    expect([first.status, second.status]).toEqual([201, 200]);
    expect(second.body).toEqual(first.body);
    expect(await entriesOf(house, run.id)).toHaveLength(1);
  });

  it("are sifted, undone, counted, revealed by alias, and written out tidily", async () => {
    const run = await makeRun(house);
    const odd = goodEntry("odd");
    const [first, second] = odd.versions;
    if (!first || !second) throw new Error("a good entry has two versions");
    await sendTo(house, run, goodEntry("good"));
    await sendTo(house, run, {
      ...odd,
      versions: [first, { ...second, trials: second.trials.map((t, i) => (i === 2 ? { ...t, raw: "16.1" } : t)) }],
    });
    const entries = await entriesOf(house, run.id);
    const flagged = entries.find((e) => e.id === odd.id)?.versions[1]?.trials[2];
    expect(flagged).toMatchObject({ flag: "impossible", value: 16.1, raw: "16.1" });
    const decide = (entry: EntryDoc, decision: string) =>
      house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, { decision, why: "", revision: entry.revision });
    for (const entry of entries) expect((await decide(entry, "accepted")).status).toBe(200);
    expect((await decide(entries[0] as EntryDoc, "set aside")).status).toBe(409);
    const findings = (await house.ask("GET", `/api/runs/${run.id}/findings`)).body as FindingsDoc;
    expect(findings).toMatchObject({ entries: 2, goalMet: 2, waiting: 0 });
    expect(findings.clearest?.result.numbers?.welch.word).toBe("helps");
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await read(run.id)).entries).toMatchObject({ waiting: 1, accepted: 1 });
    const csv = (await house.ask("GET", `/api/runs/${run.id}/trials.csv`)).body as string;
    expect(csv.trim().split("\r\n")).toHaveLength(1 + 12);
    house.at("2026-12-24T09:00:00Z");
    const reveal = (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/reveal`, undefined, { cookie: null }))
      .body as RevealDoc;
    expect(reveal.table.builders).toHaveLength(1);
    expect(reveal.table.builders[0]?.rank).toBeNull();
    expect(JSON.stringify(reveal)).not.toContain("entry-");
  });

  it("show no standings in a run that celebrates, and ranks only where the scoring ranks", async () => {
    const run = await makeRun(house);
    await sendTo(house, run, goodEntry("one"));
    const [entry] = await entriesOf(house, run.id);
    await house.ask("POST", `/api/runs/${run.id}/entries/${entry?.id}/decision`, { decision: "accepted", why: "", revision: 1 });
    const reveal = async (scoring: string): Promise<RevealDoc> => {
      const now = await read(run.id);
      await house.ask("PUT", `/api/runs/${run.id}`, { ...settings(now), scoring });
      return (await house.ask("GET", `/api/runs/${run.id}/reveal`)).body as RevealDoc;
    };
    expect((await reveal("celebrate")).table.builders[0]).toMatchObject({ best: null, improved: null, rank: null });
    expect((await reveal("best")).table.builders[0]).toMatchObject({ best: { low: 1.66, high: 1.66 }, rank: 1 });
  });
});

describe("the house's address", () => {
  it("is what the QR carries, whatever host was asked", async () => {
    const run = await makeRun(house);
    expect(run.publicUrl).toBe("https://builds.example");
    const path = `/api/public/runs/${encodeURIComponent(run.code ?? "")}/qr.svg`;
    const [here, there] = [
      await house.ask("GET", path, undefined, { headers: { host: "localhost:1" } }),
      await house.ask("GET", path, undefined, { headers: { host: "desk.example" } }),
    ];
    expect(here.body).toBe(there.body);
  });
});
