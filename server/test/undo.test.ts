import type { RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { goodEntry, makeRun, openTestHouse, password, sendTo, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house, { publish: false });
});
afterEach(() => house.close());

const read = async (id = run.id): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const session = (id: string, start: string, cookie?: string) =>
  house.ask(
    "POST",
    `/api/runs/${id}/sessions`,
    {
      title: "",
      roomId: "marsh-room",
      start,
      minutes: 60,
      setUpMin: 30,
      tearDownMin: 30,
      heads: { model: "forecast", low: 5, likely: 8, high: 12 },
    },
    cookie ? { cookie } : {},
  );

describe("undo", () => {
  it("takes settings back over one's own publishing, and the run stays published", async () => {
    await house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: "Renamed" }));
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
    expect(await read()).toMatchObject({ title: "Spinners", status: "published" });
    await house.ask("POST", `/api/runs/${run.id}/unpublish`);
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(200);
    expect((await read()).opensOn).toBeNull();
  });

  it("leaves behind what somebody else has changed since, says so once, and goes on with what came before", async () => {
    await house.ask("POST", "/api/staff", { name: "Two", signIn: "two", role: "planner", active: true, password });
    const two = await house.signIn("two", password);
    await house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: "Mine first" }));
    await session(run.id, "2026-12-05T10:00");
    const [mine] = (await read()).sessions;
    await house.ask("PUT", `/api/runs/${run.id}/sessions/${mine?.id}`, sessionSave(mine, { minutes: 70 }));
    const [now] = (await read()).sessions;
    await house.ask("PUT", `/api/runs/${run.id}/sessions/${mine?.id}`, sessionSave(now, { minutes: 80 }), { cookie: two });
    const refused = await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(refused).toMatchObject({ status: 409, body: { title: "Changed since" } });
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).status).toBe(409);
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`)).body).toEqual({ undone: "changed title" });
    expect((await read()).title).toBe("Spinners");
  });

  it("is there for floor staff: a count of theirs, and nobody else's change", async () => {
    await house.ask("POST", "/api/staff", { name: "Fen", signIn: "fen", role: "floor", active: true, password });
    const fen = await house.signIn("fen", password);
    await session(run.id, "2026-11-24T10:00");
    const [held] = (await read()).sessions;
    const count = { builders: 7, rebuilds: [2], lines: [] };
    expect((await house.ask("PUT", `/api/runs/${run.id}/sessions/${held?.id}/count`, count, { cookie: fen })).status).toBe(200);
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`, undefined, { cookie: fen })).body).toEqual({
      undone: "counted what was left",
    });
    expect((await house.ask("POST", `/api/runs/${run.id}/undo`, undefined, { cookie: fen })).status).toBe(409);
    expect((await read()).sessions).toHaveLength(1);
  });
});

describe("a room", () => {
  it.each(["unpublish", "publish"])("that was given away is not taken twice by calling a cancelled run back: %s", async (back) => {
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    await session(run.id, "2026-12-05T10:00");
    await house.ask("POST", `/api/runs/${run.id}/cancel`);
    const other = await makeRun(house, { title: "Others" });
    expect((await session(other.id, "2026-12-05T10:30")).status).toBe(201);
    const answer = await house.ask("POST", `/api/runs/${run.id}/${back}`);
    expect(answer).toMatchObject({ status: 409, body: { errors: [{ field: "roomId", message: expect.stringContaining("Others") }] } });
    expect((await read()).status).toBe("cancelled");
    const [theirs] = (await read(other.id)).sessions;
    await house.ask("DELETE", `/api/runs/${other.id}/sessions/${theirs?.id}`);
    expect((await house.ask("POST", `/api/runs/${run.id}/${back}`)).status).toBe(200);
  });
});

it("two set-ups at once make one house and one planner", async () => {
  const empty = await openTestHouse({ setUp: false });
  const input = {
    code: "1234-5678",
    houseName: "Twice",
    zone: "CET",
    currency: "EUR",
    units: "metric",
    publicUrl: "https://builds.example",
    name: "Pat",
    password,
  };
  const answers = await Promise.all(
    ["one", "two"].map((signIn) => empty.ask("POST", "/api/setup", { ...input, signIn }, { cookie: null })),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  expect(empty.deps.db.$client.prepare("select count(*) from staff").pluck().get()).toBe(1);
  empty.close();
});

it("an entry's own words never stand in the trail", async () => {
  const open = await makeRun(house, { title: "Open" });
  const entry = goodEntry("trail");
  await sendTo(house, open, entry);
  const [alias] = house.deps.db.$client.prepare("select alias from entry").pluck().all() as string[];
  await house.ask("POST", `/api/runs/${open.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "fine", revision: 1 });
  const trail = JSON.stringify(house.deps.db.$client.prepare("select * from audit").all());
  expect(trail).toContain("Pat Planner");
  expect(trail).not.toContain(alias ?? "?");
});

function sessionSave(of: RunDoc["sessions"][number] | undefined, patch: object): object {
  if (!of) throw new Error("no session");
  const { title, roomId, start, minutes, setUpMin, tearDownMin, heads, revision } = of;
  return { title, roomId, start, minutes, setUpMin, tearDownMin, heads, revision, ...patch };
}

describe("doing again what was taken back", () => {
  const undo = () => house.ask("POST", `/api/runs/${run.id}/undo`);
  const redo = () => house.ask("POST", `/api/runs/${run.id}/redo`);
  const brief = async (patch: object, words: string) => {
    const now = await read();
    return house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words, brief: { ...now.brief, ...patch } });
  };

  it("goes back through what was taken back, one by one, and may take it back again", async () => {
    await brief({ trials: 4 }, "4 trials each");
    await brief({ trials: 5 }, "5 trials each");
    await house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: "Renamed" }));
    expect((await read()).redo).toBeNull();
    for (const _ of [1, 2, 3]) expect((await undo()).status).toBe(200);
    expect(await read()).toMatchObject({ redo: "4 trials each", brief: { trials: 3 } });
    expect((await redo()).body).toEqual({ redone: "4 trials each" });
    expect(await read()).toMatchObject({ undo: "4 trials each", redo: "5 trials each", brief: { trials: 4 } });
    expect((await redo()).body).toEqual({ redone: "5 trials each" });
    expect((await redo()).body).toEqual({ redone: "changed title" });
    expect(await read()).toMatchObject({ title: "Renamed", brief: { trials: 5 }, undo: "changed title", redo: null });
    for (const _ of [1, 2, 3]) expect((await undo()).status).toBe(200);
    expect(await read()).toMatchObject({ title: "Spinners", brief: { trials: 3 } });
    expect((await redo()).status).toBe(200);
    expect((await read()).brief.trials).toBe(4);
  });

  it("ends with the next change, for what was taken back lies before it no more", async () => {
    await brief({ trials: 4 }, "4 trials each");
    await undo();
    await brief({ trials: 6 }, "6 trials each");
    expect((await read()).redo).toBeNull();
    expect(await redo()).toMatchObject({ status: 409, body: { title: "Nothing to do again" } });
    expect((await read()).brief.trials).toBe(6);
  });

  it("brings a session back with all its parts, moves it again, and takes it away again", async () => {
    await session(run.id, "2026-12-05T10:00");
    const [added] = (await read()).sessions;
    await undo();
    expect((await read()).sessions).toEqual([]);
    await redo();
    expect((await read()).sessions[0]).toMatchObject({ id: added?.id, start: "2026-12-05T10:00", roomId: "marsh-room" });
    const [back] = (await read()).sessions;
    await house.ask("PUT", `/api/runs/${run.id}/sessions/${back?.id}`, sessionSave(back, { minutes: 90 }));
    await undo();
    await redo();
    expect((await read()).sessions[0]?.minutes).toBe(90);
    await house.ask("DELETE", `/api/runs/${run.id}/sessions/${back?.id}`);
    await undo();
    await redo();
    expect((await read()).sessions).toEqual([]);
  });

  it("accepts an entry again, with who decided and why", async () => {
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    const sent = goodEntry("once");
    await sendTo(house, await read(), sent);
    await house.ask("POST", `/api/runs/${run.id}/entries/${sent.id}/decision`, { decision: "set aside", why: "a joke", revision: 1 });
    await undo();
    expect((await read()).entries.waiting).toBe(1);
    await redo();
    const page = (await house.ask("GET", `/api/runs/${run.id}/entries`)).body as { entries: readonly object[] };
    expect(page.entries[0]).toMatchObject({ state: "set aside", why: "a joke", decidedBy: "Pat Planner" });
  });

  it("says it when somebody has changed the same thing meanwhile, and leaves theirs", async () => {
    await house.ask("POST", "/api/staff", { name: "Two", signIn: "two", role: "planner", active: true, password });
    const two = await house.signIn("two", password);
    await brief({ trials: 4 }, "4 trials each");
    await undo();
    const now = await read();
    const theirs = { revision: now.briefRevision, words: "7 trials each", brief: { ...now.brief, trials: 7 } };
    expect((await house.ask("PUT", `/api/runs/${run.id}/brief`, theirs, { cookie: two })).status).toBe(200);
    expect(await redo()).toMatchObject({ status: 409, body: { title: "Changed since" } });
    expect(await read()).toMatchObject({ redo: null, brief: { trials: 7 } });
  });

  it("is over one's own publishing too, and doesn't bring back what must be typed anew", async () => {
    await house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: "Renamed" }));
    await undo();
    await house.ask("POST", `/api/runs/${run.id}/publish`);
    expect((await redo()).status).toBe(200);
    expect((await read()).title).toBe("Renamed");
    await session(run.id, "2026-11-24T10:00");
    const [held] = (await read()).sessions;
    await house.ask("PUT", `/api/runs/${run.id}/sessions/${held?.id}/count`, { builders: 7, rebuilds: [2], lines: [] });
    await undo();
    expect((await read()).redo).toBeNull();
  });
});
