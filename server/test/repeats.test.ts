import type { RunDoc, SessionDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, loft, makeRun, openTestHouse, room, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const saturdays = {
  title: "Saturdays",
  roomId: room.id,
  start: "2026-12-05T10:00",
  minutes: 120,
  setUpMin: 30,
  tearDownMin: 30,
  heads: { model: "forecast", low: 10, likely: 16, high: 24 },
  rule: "FREQ=WEEKLY;COUNT=6",
  exdates: ["2026-12-12T10:00"],
};
const put = (run: RunDoc, patch: object = {}) => house.ask("POST", `/api/runs/${run.id}/sessions/repeats`, { ...saturdays, ...patch });
const read = async (id: string): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${id}`)).body as RunDoc;
const starts = ({ sessions }: { readonly sessions: readonly Pick<SessionDoc, "start">[] }): string[] =>
  sessions.map(({ start }) => start).sort();
const fieldsOf = (body: unknown): string[] => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);

describe("a session that repeats", () => {
  it("comes on the calendar without exceptions and closed days, as one step that is undone and done again", async () => {
    const run = await makeRun(house);
    const doc = (await house.ask("GET", "/api/house")).body as Record<string, unknown>;
    const closures = [{ id: "closed-days", from: "2026-12-24", to: "2026-12-27", why: "holidays" }];
    expect((await house.ask("PUT", "/api/house", { ...doc, closures })).status).toBe(200);
    const { status, body } = await put(run);
    expect(status).toBe(201);
    const all = ["2026-12-05T10:00", "2026-12-19T10:00", "2027-01-02T10:00", "2027-01-09T10:00"];
    expect(starts(body as RunDoc)).toEqual(all);
    expect((await read(run.id)).undo).toBe("added 4 sessions from 2026-12-05 on");
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(starts(await read(run.id))).toEqual([]);
    await house.ask("POST", `/api/runs/${run.id}/redo`);
    expect(starts(await read(run.id))).toEqual(all);
    // One of them changed since: what was added together can't be taken back together any more.
    const [first] = (await read(run.id)).sessions;
    if (!first) throw new Error("a session was added");
    const { revision, title, start, minutes, setUpMin, tearDownMin, heads } = first;
    const moved = { revision, title, roomId: loft.id, start, minutes, setUpMin, tearDownMin, heads };
    expect((await house.ask("PUT", `/api/runs/${run.id}/sessions/${first.id}`, moved)).status).toBe(200);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await read(run.id)).sessions).toHaveLength(4);
  });

  it("is refused whole where a room is taken on one day, a rule never fits, or it has no end; nothing is written", async () => {
    const run = await makeRun(house);
    const other = await makeRun(house, { title: "Other" });
    const { rule: _, exdates: __, ...single } = saturdays;
    await house.ask("POST", `/api/runs/${other.id}/sessions`, { ...single, start: "2026-12-19T11:00" });
    const before = everything(house);
    const taken = await put(run);
    expect(taken.status).toBe(409);
    expect(JSON.stringify(taken.body)).toContain("Sat 19 Dec");
    expect(fieldsOf((await put(run, { rule: "FREQ=WEEKLY;BYDAY=SU;COUNT=3" })).body)).toEqual(["rule"]);
    expect(fieldsOf((await put(run, { rule: "FREQ=DAILY", roomId: loft.id })).body)).toEqual(["rule"]);
    expect(fieldsOf((await put(run, { rule: "nonsense", roomId: loft.id })).body)).toEqual(["rule"]);
    expect(fieldsOf((await put(run, { rule: "FREQ=DAILY;COUNT=1", exdates: ["2026-12-05T10:00"], roomId: loft.id })).body)).toEqual([
      "rule",
    ]);
    expect(everything(house)).toBe(before);
  });
});
