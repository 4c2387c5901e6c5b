import type { CalendarDoc, CalendarSession, HouseDoc, RunDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, loft, makeRun, openTestHouse, room, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const heads = { model: "forecast", low: 10, likely: 16, high: 24 };
const slot = (start: string, patch: object = {}) => ({
  title: "",
  roomId: room.id,
  start,
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  heads,
  ...patch,
});
const add = (run: RunDoc, start: string, patch: object = {}) => house.ask("POST", `/api/runs/${run.id}/sessions`, slot(start, patch));
const calendar = async (): Promise<CalendarDoc> => (await house.ask("GET", "/api/calendar")).body as CalendarDoc;
const one = async (start: string): Promise<CalendarSession> => {
  const found = (await calendar()).sessions.find((session) => session.start === start);
  if (!found) throw new Error(`nothing at ${start}`);
  return found;
};
const inputOf = (session: CalendarSession) => {
  const { id, revision, title, roomId, start, minutes, setUpMin, tearDownMin, heads: kept, people, part, cancelled } = session;
  return { id, revision, title, roomId, start, minutes, setUpMin, tearDownMin, heads: kept, people, part, cancelled };
};
const save = (changes: readonly object[], words = "moved") => house.ask("PUT", "/api/calendar", { words, changes });
const places = ({ sessions }: CalendarDoc) => sessions.map(({ start, roomId }) => `${start} ${roomId}`).sort();
const sequences = (): unknown[] => house.deps.db.$client.prepare("select sequence from session order by start_at, room_id").pluck().all();
const fieldsOf = (body: unknown): string[] => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);

describe("the calendar of a house", () => {
  it("has the sessions of all runs, with what each asks of its room and of people", async () => {
    const run = await makeRun(house);
    await add(run, "2026-12-05T10:00", { roomId: null });
    const doc = await calendar();
    expect(doc.runs).toMatchObject([{ id: run.id, family: "descent" }]);
    expect(doc.sessions[0]).toMatchObject({ roomId: null, asks: { children: 24, band: "5 to 7", rigs: 2 } });
    await house.ask("POST", `/api/runs/${run.id}/cancel`);
    expect((await calendar()).sessions).toEqual([]);
  });

  it("lets two sessions of two runs change rooms with one another, as one step that is undone and done again at once", async () => {
    const [first, second] = [await makeRun(house), await makeRun(house, { title: "Second" })];
    await add(first, "2026-12-05T10:00");
    await add(second, "2026-12-05T10:30", { roomId: loft.id });
    const [a, b] = [await one("2026-12-05T10:00"), await one("2026-12-05T10:30")];
    expect((await save([{ ...inputOf(a), roomId: loft.id }])).status).toBe(409);
    const swapped = await save([
      { ...inputOf(a), roomId: loft.id },
      { ...inputOf(b), roomId: room.id },
    ]);
    expect(swapped.status).toBe(200);
    const after = ["2026-12-05T10:00 weather-loft", "2026-12-05T10:30 marsh-room"];
    expect(places(swapped.body as CalendarDoc)).toEqual(after);
    expect((swapped.body as CalendarDoc).undo).toBe("moved");
    const undone = (await house.ask("POST", "/api/calendar/undo")).body as CalendarDoc;
    expect(places(undone)).toEqual(["2026-12-05T10:00 marsh-room", "2026-12-05T10:30 weather-loft"]);
    expect([undone.redo, undone.undo]).toEqual(["moved", "added a session on 2026-12-05 10:30"]);
    expect(places((await house.ask("POST", "/api/calendar/redo")).body as CalendarDoc)).toEqual(after);
    // The same step may be taken back at the run's own desk, whole.
    await house.ask("POST", `/api/runs/${first.id}/undo`);
    expect(places(await calendar())).toEqual(["2026-12-05T10:00 marsh-room", "2026-12-05T10:30 weather-loft"]);
    // And what was before it can still be taken back.
    await house.ask("POST", "/api/calendar/undo");
    expect(places(await calendar())).toEqual(["2026-12-05T10:00 marsh-room"]);
  });

  it("adds sessions of two runs and moves another in one step, all or none, undone and done again together", async () => {
    const [first, second] = [await makeRun(house), await makeRun(house, { title: "Second", kind: "series" })];
    expect((await calendar()).runs[1]?.next).toMatchObject({ minutes: 120, setUpMin: 45, tearDownMin: 30, asks: { band: "5 to 7" } });
    await add(first, "2026-12-05T10:00", { minutes: 75 });
    expect((await calendar()).runs[0]?.next).toMatchObject({ minutes: 75, setUpMin: 0, heads });
    const moved = { ...inputOf(await one("2026-12-05T10:00")), roomId: loft.id };
    const more = [
      { ...slot("2026-12-05T10:30"), runId: second.id, part: 1 },
      { ...slot("2026-12-12T10:00"), runId: second.id, part: 2 },
      { ...slot("2026-12-12T11:00"), runId: first.id },
    ];
    const put = (adds: readonly object[]) => house.ask("PUT", "/api/calendar", { words: "placed 3 sessions", changes: [moved], adds });
    const before = everything(house);
    expect((await put([...more, { ...slot("2026-12-12T11:30"), runId: first.id }])).status).toBe(409);
    expect(fieldsOf((await put([...more, { ...slot("2026-12-19T10:00"), runId: second.id, part: 1 }])).body)).toEqual(["part"]);
    expect((await put([{ ...slot("2026-12-19T10:00"), runId: "nobodys-run" }])).status).toBe(404);
    expect(everything(house)).toEqual(before);
    const placed = [
      "2026-12-05T10:00 weather-loft",
      "2026-12-05T10:30 marsh-room",
      "2026-12-12T10:00 marsh-room",
      "2026-12-12T11:00 marsh-room",
    ];
    expect(places((await put(more)).body as CalendarDoc)).toEqual(placed);
    const undone = (await house.ask("POST", "/api/calendar/undo")).body as CalendarDoc;
    expect([places(undone), undone.redo]).toEqual([["2026-12-05T10:00 marsh-room"], "placed 3 sessions"]);
    expect(places((await house.ask("POST", "/api/calendar/redo")).body as CalendarDoc)).toEqual(placed);
  });

  it("writes nothing where one of several is stale, unknown, out of the calendar or in a taken room", async () => {
    const run = await makeRun(house);
    await add(run, "2026-12-05T10:00");
    await add(run, "2026-12-05T12:00");
    const [a, b] = [inputOf(await one("2026-12-05T10:00")), inputOf(await one("2026-12-05T12:00"))];
    const before = everything(house);
    const moved = { ...a, start: "2026-12-05T09:00" };
    expect((await save([moved, { ...b, revision: 9 }])).status).toBe(409);
    expect((await save([moved, { ...b, id: "nobodys-session" }])).status).toBe(404);
    expect((await save([moved, { ...b, start: "2027-03-28T02:30" }])).status).toBe(422);
    expect((await save([moved, { ...b, start: "2026-12-05T09:30" }])).status).toBe(409);
    expect(fieldsOf((await save([{ ...a, people: ["nobody-there"] }])).body)).toEqual(["people"]);
    expect((await save([])).status).toBe(422);
    expect(everything(house)).toEqual(before);
  });

  it("refuses parts of a series out of their order, and the same part twice; a cancelled one stands in no order", async () => {
    const run = await makeRun(house, { kind: "series" });
    await add(run, "2026-12-12T10:00", { part: 2 });
    expect(fieldsOf((await add(run, "2026-12-12T10:30", { part: 1, roomId: loft.id })).body)).toEqual(["start"]);
    expect(fieldsOf((await add(run, "2026-12-19T10:00", { part: 2 })).body)).toEqual(["part"]);
    expect((await add(run, "2026-12-05T10:00", { part: 1 })).status).toBe(201);
    const first = inputOf(await one("2026-12-05T10:00"));
    expect(fieldsOf((await save([{ ...first, start: "2026-12-19T10:00" }])).body)).toEqual(["start"]);
    expect((await save([{ ...first, start: "2026-12-19T10:00", cancelled: true }])).status).toBe(200);
  });

  it("gives days that repeat as a series their parts in turn", async () => {
    const run = await makeRun(house, { kind: "series" });
    const repeats = { ...slot("2026-12-05T10:00", { part: 1 }), rule: "FREQ=WEEKLY;COUNT=3", exdates: ["2026-12-12T10:00"] };
    await house.ask("POST", `/api/runs/${run.id}/sessions/repeats`, repeats);
    const { sessions } = await calendar();
    expect(sessions.map(({ part }) => part)).toEqual([1, 2]);
    expect(new Set(sessions.map(({ repeatId }) => repeatId)).size).toBe(1);
  });

  it("raises the sequence when time, place or status change, also by undo, and not when heads do", async () => {
    const run = await makeRun(house);
    await add(run, "2026-12-05T10:00");
    const change = async (patch: object) => save([{ ...inputOf(await one("2026-12-05T10:00")), ...patch }]);
    await change({ heads: { ...heads, likely: 17 }, title: "Renamed" });
    expect(sequences()).toEqual([0]);
    await change({ roomId: loft.id });
    await change({ minutes: 90 });
    await change({ cancelled: true });
    expect(sequences()).toEqual([3]);
    await house.ask("POST", "/api/calendar/undo");
    expect(sequences()).toEqual([4]);
  });
});

describe("people of a house", () => {
  const sedge = { id: "person-sedge", name: "M. Sedge", weekHours: 20, away: [] as object[] };
  const saveHouse = async (patch: Partial<Record<keyof HouseDoc, unknown>>) => {
    const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
    return house.ask("PUT", "/api/house", { ...doc, ...patch });
  };

  it("are put on sessions, and are off them once they are gone", async () => {
    const run = await makeRun(house);
    expect((await saveHouse({ people: [sedge] })).status).toBe(200);
    await add(run, "2026-12-05T10:00", { people: [sedge.id] });
    expect((await one("2026-12-05T10:00")).people).toEqual([sedge.id]);
    await saveHouse({ people: [] });
    expect((await one("2026-12-05T10:00")).people).toEqual([]);
  });

  it.each([
    [
      "back before away",
      "people",
      { people: [{ ...sedge, away: [{ id: "away-1", from: "2026-12-05T10:00", to: "2026-12-05T09:00", why: "" }] }] },
    ],
    [
      "away on a day that is none",
      "people",
      { people: [{ ...sedge, away: [{ id: "away-1", from: "2026-02-30T10:00", to: "2026-12-05T09:00", why: "" }] }] },
    ],
    ["no name", "people", { people: [{ ...sedge, name: "" }] }],
    ["a break after no time", "rules", { rules: { leastAdults: 2, childrenPerAdult: {}, breakMinutes: 30, breakAfterMinutes: 0 } }],
    ["rigs of no family", "rigs", { rigs: [{ family: "rockets", owned: 2 }] }],
  ])("are refused at their field: %s", async (_, field, patch) => {
    const { status, body } = await saveHouse(patch);
    expect(status).toBe(422);
    expect(fieldsOf(body)[0]).toMatch(new RegExp(`^${field}`));
  });
});

describe("calendar addresses", () => {
  const make = async (scope: string, subject: string) => house.ask("POST", "/api/feeds", { scope, subject });
  const pathOf = (body: unknown): string => new URL((body as { address: string }).address).pathname;
  const feed = async (path: string) => house.ask("GET", path, undefined, { cookie: null });

  it("hold what their view holds and nobody's name; a change raises the sequence under the same uid, and what is cancelled says so", async () => {
    const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
    const person = { id: "person-sedge", name: "Marsh Sedge", weekHours: null, away: [] };
    await house.ask("PUT", "/api/house", { ...doc, people: [person] });
    const run = await makeRun(house);
    await add(run, "2026-12-05T10:00", { people: [person.id], setUpMin: 30 });
    await add(run, "2026-12-06T10:00", { roomId: loft.id });
    const addresses = [await make("house", ""), await make("room", loft.id), await make("person", person.id)].map(({ body }) =>
      pathOf(body),
    );
    const texts = async () => Promise.all(addresses.map(async (path) => String((await feed(path)).body)));
    const [all = "", inLoft = "", hers = ""] = await texts();
    const starts = (text: string) => [...text.matchAll(/DTSTART;TZID=CET:(\d{8}T\d{6})/g)].map(([, at]) => at);
    expect([starts(all), starts(inLoft), starts(hers)]).toEqual([
      ["20261205T100000", "20261206T100000"],
      ["20261206T100000"],
      ["20261205T100000"],
    ]);
    expect(all + inLoft).not.toContain("Sedge");
    expect(all).toContain("DESCRIPTION:set-up 30 min before");
    const uids = (text: string) => [...text.matchAll(/UID:(.*)\r/g)].map(([, uid]) => uid);
    await save([{ ...inputOf(await one("2026-12-05T10:00")), start: "2026-12-05T11:00" }]);
    const [, , moved = ""] = await texts();
    expect([uids(moved), starts(moved)]).toEqual([uids(hers), ["20261205T110000"]]);
    expect([hers, moved].map((text) => /SEQUENCE:(\d)/.exec(text)?.[1])).toEqual(["0", "1"]);
    await house.ask("POST", `/api/runs/${run.id}/cancel`);
    const [, , cancelled = ""] = await texts();
    expect(cancelled).toContain("STATUS:CANCELLED");
    expect(/SEQUENCE:(\d)/.exec(cancelled)?.[1]).toBe("2");
  });

  it("are told once, are listed without their secret, and lead nowhere once they are ended or their room is gone", async () => {
    const made = await make("room", loft.id);
    expect((await feed(pathOf(made.body))).headers.get("content-type")).toMatch(/text\/calendar/);
    const { id } = made.body as { id: string };
    expect((await house.ask("GET", "/api/feeds")).body).toEqual([{ id, scope: "room", subject: loft.id, madeAt: expect.any(Number) }]);
    expect(await house.deps.db.$client.prepare("select token_hash from feed").pluck().get()).not.toBe(pathOf(made.body).split("/").at(-2));
    const doc = (await house.ask("GET", "/api/house")).body as HouseDoc;
    await house.ask("PUT", "/api/house", { ...doc, rooms: doc.rooms.filter((one) => one.id !== loft.id) });
    expect((await feed(pathOf(made.body))).status).toBe(404);
    const other = await make("house", "");
    await house.ask("DELETE", `/api/feeds/${(other.body as { id: string }).id}`);
    expect((await feed(pathOf(other.body))).status).toBe(404);
    expect((await make("room", "broom-cupboard")).status).toBe(422);
    expect((await feed("/api/public/feeds/short/calendar.ics")).status).toBe(422);
  });

  it("say how a session is held that isn't as its run is, and it asks nothing of its room; one on line takes none", async () => {
    const run = await makeRun(house, { title: "Spinners" });
    await add(run, "2026-12-05T10:00", { kind: "pick-up" });
    await add(run, "2026-12-06T10:00", { kind: "on line", roomId: null });
    expect((await add(run, "2026-12-07T10:00", { kind: "by mail" })).status).toBe(422);
    const text = String((await feed(pathOf((await make("house", "")).body))).body);
    expect([...text.matchAll(/SUMMARY:(.*)\r/g)].map(([, words]) => words)).toEqual([
      "Spinners\\, kits are picked up",
      "Spinners\\, on line",
    ]);
    const { sessions } = (await house.ask("GET", "/api/calendar")).body as CalendarDoc;
    expect(sessions.map(({ asks }) => [asks.children, asks.adults, asks.rigs, asks.room.seats])).toEqual([
      [0, 1, 0, null],
      [0, 1, 0, null],
    ]);
  });

  it("and sessions as CSV: on the house's clock, formulas defused", async () => {
    const run = await makeRun(house, { title: "=Spinners" });
    await add(run, "2026-12-05T23:00", { minutes: 120 });
    const { body } = await house.ask("GET", "/api/calendar.csv");
    expect(String(body).split("\r\n").slice(0, 2)).toEqual([
      "run,kind,status,part,held,called,day,starts,ends,zone,minutes,set-up min,tear-down min,room,people,takes place",
      '"\'=Spinners",at-home,published,,as the run,,2026-12-05,23:00,2026-12-06 01:00,CET,120,0,0,Marsh Room,,yes',
    ]);
  });
});

describe("a house that changes its time zone", () => {
  const toZone = async (zone: string): Promise<void> => {
    const { body } = await house.ask("GET", "/api/house");
    expect((await house.ask("PUT", "/api/house", { ...(body as HouseDoc), zone })).status).toBe(200);
  };
  const csvOf = async (): Promise<string> => String((await house.ask("GET", "/api/calendar.csv")).body);

  it("keeps the times of day of its sessions to come, everywhere the same; what is over stays when it was", async () => {
    const run = await makeRun(house);
    await add(run, "2026-11-25T12:00");
    await add(run, "2026-12-12T10:00");
    const before = await one("2026-11-25T12:00");
    house.at(new Date(before.endAt + 1).toISOString());
    await toZone("Asia/Tokyo");
    expect(await one("2026-11-25T12:00")).toMatchObject({ startAt: before.startAt, zone: before.zone });
    const after = await one("2026-12-12T10:00");
    expect([after.zone, new Date(after.startAt).toISOString(), after.endAt - after.startAt]).toEqual([
      "Asia/Tokyo",
      "2026-12-12T01:00:00.000Z",
      3_600_000,
    ]);
    expect(await csvOf()).toContain("2026-12-12,10:00,11:00,Asia/Tokyo");
  });

  it("puts an earlier time of day back by undo, by the clocks of the new zone", async () => {
    const run = await makeRun(house);
    await add(run, "2026-12-12T10:00");
    await save([{ ...inputOf(await one("2026-12-12T10:00")), start: "2026-12-12T14:00" }]);
    await toZone("Asia/Tokyo");
    expect((await house.ask("POST", "/api/calendar/undo")).status).toBe(200);
    const back = await one("2026-12-12T10:00");
    expect([back.zone, new Date(back.startAt).toISOString()]).toEqual(["Asia/Tokyo", "2026-12-12T01:00:00.000Z"]);
  });

  it("moves a time of day that the new zone's clocks leave out as much later", async () => {
    const run = await makeRun(house);
    await add(run, "2027-03-28T01:30");
    await toZone("Europe/London");
    expect((await one("2027-03-28T02:30")).zone).toBe("Europe/London");
  });
});
