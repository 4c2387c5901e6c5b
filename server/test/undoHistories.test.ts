import type { EntryDoc, LearnedDoc, RunDoc } from "@lampcrate/contract";
import { seedOf, uniformAt, usualLine } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { addMaterial, entriesOf, goodEntry, loft, makeRun, openTestHouse, room, sendTo, settings, type TestHouse } from "./house.ts";
import { pictureId, sendPicture, still } from "./pictures.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const read = async (): Promise<RunDoc> => (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
const undo = () => house.ask("POST", `/api/runs/${run.id}/undo`);
const redo = () => house.ask("POST", `/api/runs/${run.id}/redo`);
const sessionAt = (start: string, roomId: string | null = room.id) => ({
  title: "",
  roomId,
  start,
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  heads: { model: "forecast", low: 5, likely: 8, high: 12 },
});
const addSession = (start: string, roomId: string | null = room.id) =>
  house.ask("POST", `/api/runs/${run.id}/sessions`, sessionAt(start, roomId));
const tap = (sessionId: string, start: string) =>
  house.ask("POST", `/api/sessions/${sessionId}/taps`, {
    after: 0,
    taps: [{ id: `tap-${sessionId}`, at: Date.parse(`${start}:00Z`), by: "A", body: { kind: "in", heads: 3, number: 1 } }],
  });
const count = { builders: 3, rebuilds: [0], lines: [] };
const rows = (table: string) => house.deps.db.$client.prepare(`select count(*) from ${table}`).pluck().get();
const setRooms = async (rooms: readonly object[]) => {
  const now = (await house.ask("GET", "/api/house")).body as Record<string, unknown>;
  return house.ask("PUT", "/api/house", { ...now, rooms });
};

describe("a session with floor taps or a count is never deleted", () => {
  const held = "2026-11-25T10:00";
  const mark = {
    taps: (id: string) => tap(id, held),
    "a count": (id: string) => house.ask("PUT", `/api/runs/${run.id}/sessions/${id}/count`, count),
  };

  it.each(["taps", "a count"] as const)("by removing it or by deleting its run: %s", async (what) => {
    await addSession(held);
    const id = (await read()).sessions[0]?.id ?? "";
    expect((await mark[what](id)).status).toBe(200);
    const removed = await house.ask("DELETE", `/api/runs/${run.id}/sessions/${id}`);
    expect(removed).toMatchObject({ status: 409, body: { detail: expect.stringContaining("Cancel the session instead") } });
    await house.ask("POST", `/api/runs/${run.id}/unpublish`);
    expect(await house.ask("DELETE", `/api/runs/${run.id}`)).toMatchObject({ status: 409, body: { title: "Run has records" } });
    expect((await read()).sessions).toHaveLength(1);
  });

  it("by undo, which says why and goes on to the change before it", async () => {
    await house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: "Renamed" }));
    await addSession(held);
    const id = (await read()).sessions[0]?.id ?? "";
    await tap(id, held);
    expect(await undo()).toMatchObject({ status: 409, body: { title: "Session has records" } });
    expect(rows("floor_tap")).toBe(1);
    expect((await undo()).body).toEqual({ undone: "changed title" });
    expect((await read()).sessions).toHaveLength(1);
  });

  it("by undo of a whole repeat, or by redo of a removal", async () => {
    await house.ask("POST", `/api/runs/${run.id}/sessions/repeats`, {
      ...sessionAt(held),
      rule: "FREQ=WEEKLY;COUNT=3",
      exdates: [],
      part: null,
    });
    const id = (await read()).sessions[0]?.id ?? "";
    await tap(id, held);
    expect((await undo()).status).toBe(409);
    expect((await read()).sessions).toHaveLength(3);
    const last = (await read()).sessions[2]?.id ?? "";
    await house.ask("DELETE", `/api/runs/${run.id}/sessions/${last}`);
    await undo();
    expect((await tap(last, "2026-12-09T10:00")).status).toBe(200);
    expect(await redo()).toMatchObject({ status: 409, body: { title: "Session has records" } });
    expect((await read()).sessions).toHaveLength(3);
  });
});

describe("undo after what it refers to was deleted", () => {
  it("brings a session back without its room when the room is gone", async () => {
    const attic = { ...room, id: "attic-room", name: "Attic" };
    expect((await setRooms([room, loft, attic])).body).toMatchObject({ rooms: [room, loft, attic] });
    expect((await addSession("2026-12-05T10:00", "attic-room")).status).toBe(201);
    const id = (await read()).sessions[0]?.id ?? "";
    await house.ask("DELETE", `/api/runs/${run.id}/sessions/${id}`);
    expect((await setRooms([room, loft])).status).toBe(200);
    expect((await undo()).body).toEqual({ undone: "removed the session on 2026-12-05 10:00" });
    expect((await read()).sessions).toMatchObject([{ id, roomId: null, start: "2026-12-05T10:00" }]);
    expect((await undo()).body).toEqual({ undone: "added a session on 2026-12-05 10:00" });
    expect((await redo()).status).toBe(200);
  });

  it("says that a material is gone, and goes on to the change before it", async () => {
    const now = await read();
    const washi = await addMaterial(house, "Washi", { onHand: 0 });
    await house.ask("PUT", `/api/runs/${run.id}`, settings(now, { title: "Renamed" }));
    const save = async (materialId: string | null, words: string) => {
      const { brief, briefRevision } = await read();
      const lines = materialId === null ? [] : [usualLine("line-one", materialId)];
      return house.ask("PUT", `/api/runs/${run.id}/brief`, {
        revision: briefRevision,
        words,
        brief: { ...brief, lines },
      });
    };
    expect((await save(washi.id, "added Washi")).status).toBe(200);
    expect((await save(null, "removed Washi")).status).toBe(200);
    expect((await house.ask("DELETE", `/api/materials/${washi.id}`)).status).toBe(200);
    expect(rows("material")).toBe(0);
    expect(await undo()).toMatchObject({ status: 409, body: { title: "No longer possible" } });
    // The change before it made the brief that is still here: it can't be undone past one that stays.
    expect(await undo()).toMatchObject({ status: 409, body: { title: "Changed since" } });
    expect((await undo()).body).toEqual({ undone: "changed title" });
  });
});

/** Everything a person can do to a run here, and everything that can be deleted under it. */
type Deed = () => Promise<{ status: number }>;

describe("random histories of every kind of change, with deletions between", () => {
  it.each(Array.from({ length: 12 }, (_, seed) => seed))("are undone and redone to the end, seed %i", async (seed) => {
    let draw = 0;
    const next = () => uniformAt(seedOf("undo", String(seed)), draw++);
    const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(next() * list.length)];
    let n = 0;
    let rooms: readonly (typeof room)[] = [room, loft];
    const day = () => `2026-11-${String(1 + (n % 24)).padStart(2, "0")}T${String(8 + (n % 9)).padStart(2, "0")}:00`;
    const someSession = async () => pick((await read()).sessions);
    const someEntry = async (): Promise<EntryDoc | undefined> => pick(await entriesOf(house, run.id));
    const none = { status: 200 };
    const { versions } = goodEntry("paper");
    const deeds: Record<string, Deed> = {
      brief: async () => {
        const now = await read();
        const brief = { ...now.brief, trials: 2 + (n % 7) };
        return house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: now.briefRevision, words: `trials ${n}`, brief });
      },
      settings: async () => house.ask("PUT", `/api/runs/${run.id}`, settings(await read(), { title: `Title ${n}` })),
      "session added": () => addSession(day(), pick(rooms)?.id ?? null),
      "sessions added": () =>
        house.ask("POST", `/api/runs/${run.id}/sessions/repeats`, {
          ...sessionAt(day(), pick(rooms)?.id ?? null),
          rule: "FREQ=DAILY;COUNT=2",
          exdates: [],
          part: null,
        }),
      "session changed": async () => {
        const one = await someSession();
        if (!one) return none;
        const { id, title, start, minutes, setUpMin, tearDownMin, heads, revision } = one;
        const moved = { title, start, minutes: minutes + 5, setUpMin, tearDownMin, heads, revision, roomId: pick(rooms)?.id ?? null };
        return house.ask("PUT", `/api/runs/${run.id}/sessions/${id}`, moved);
      },
      "session removed": async () => house.ask("DELETE", `/api/runs/${run.id}/sessions/${(await someSession())?.id ?? "none"}`),
      "session count": async () => house.ask("PUT", `/api/runs/${run.id}/sessions/${(await someSession())?.id ?? "none"}/count`, count),
      decision: async () => {
        const one = await someEntry();
        const decision = pick(["accepted", "set aside"] as const);
        if (!one) return none;
        return house.ask("POST", `/api/runs/${run.id}/entries/${one.id}/decision`, { decision, why: "fine", revision: one.revision });
      },
      ask: async () => {
        const one = await someEntry();
        if (!one) return none;
        return house.ask("POST", `/api/runs/${run.id}/entries/${one.id}/asks`, { words: "Really?", revision: one.revision });
      },
      picture: async () => {
        const one = (await entriesOf(house, run.id)).find(({ versions: [first] }) => first?.pictures.some(({ size }) => size !== null));
        const id = one?.versions[0]?.pictures[0]?.id;
        if (!one || !id) return none;
        const path = `/api/runs/${run.id}/entries/${one.id}/pictures/${id}/hidden`;
        return house.ask("PUT", path, { hidden: n % 2 === 0, revision: one.revision });
      },
      "keyed in": () =>
        house.ask("POST", `/api/runs/${run.id}/entries`, {
          ageBand: null,
          consentKeep: true,
          consentPhoto: false,
          consentVersion: "en-1",
          said: "",
          versions,
        }),
      "house trial": async () => {
        const own = { buildMinutes: 12, rebuilds: 1, broke: [], note: "", versions: versions.slice(0, 1) };
        const done = await house.ask("POST", `/api/runs/${run.id}/house-trials`, own);
        expect((done.body as LearnedDoc).trials?.length ?? 0, "a house trial").toBeGreaterThan(0);
        return done;
      },
      "a tap": async () => {
        const one = await someSession();
        return one ? tap(one.id, one.start) : none;
      },
      "a room deleted": async () => {
        const id = pick(rooms)?.id;
        const left = rooms.filter((one) => one.id !== id);
        const done = await setRooms(left);
        if (done.status === 200) rooms = left;
        return done;
      },
      "a room added": async () => {
        rooms = [...rooms, { ...room, id: `room-${n}`, name: `Room ${n}` }];
        return setRooms(rooms);
      },
      "an entry sent": async () => {
        const photo = pictureId(`h${n}`);
        const [first, ...more] = goodEntry("x").versions;
        const entry = goodEntry(`h${seed}-${n}`, {
          consentPhoto: true,
          versions: first ? [{ ...first, pictures: [{ id: photo, kind: "photo" }] }, ...more] : [],
        });
        const done = await sendTo(house, run, entry);
        if (n % 3 === 0) await sendPicture(house, entry.secret, photo, await (await still(64, 48)).jpeg().toBuffer());
        return done;
      },
      "an entry erased": async () => {
        const one = await someEntry();
        if (one) house.deps.db.$client.prepare("delete from entry where id = ?").run(one.id);
        return none;
      },
    };
    const names = Object.keys(deeds);
    for (; n < 45; n += 1) {
      const name = pick(names) ?? "";
      const { status } = (await deeds[name]?.()) ?? none;
      expect(status, `${n}: ${name}`).toBeLessThan(500);
      if (next() < 0.2) expect((await undo()).status).toBeLessThan(500);
    }
    const toTheEnd = async (step: typeof undo, next: "undo" | "redo"): Promise<void> => {
      for (let i = 0; i < 120; i += 1) {
        const offered = (await read())[next];
        const { status, body } = await step();
        expect(status, `${next} of ${offered}: ${JSON.stringify(body)}`).toBeLessThan(500);
        if (offered === null) return expect(status).toBe(409);
      }
      throw new Error(`${next} never came to its end: ${(await read())[next]}`);
    };
    // A published run keeps its days, and says so: here nothing is to stand in the way.
    await house.ask("POST", `/api/runs/${run.id}/unpublish`);
    const tapsBefore = rows("floor_tap");
    await toTheEnd(undo, "undo");
    await toTheEnd(redo, "redo");
    await toTheEnd(undo, "undo");
    expect(rows("floor_tap")).toBe(tapsBefore);
  });
});
