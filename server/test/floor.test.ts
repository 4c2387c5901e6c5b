import type { RunDoc, TapsDoc } from "@lampcrate/contract";
import { floorNow, type Tap } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, makeRun, openTestHouse, room, type TestHouse } from "./house.ts";

let house: TestHouse;
let session: string;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  const { body } = await house.ask("POST", `/api/runs/${run.id}/sessions`, {
    title: "",
    roomId: room.id,
    start: "2026-11-25T10:00",
    minutes: 240,
    setUpMin: 0,
    tearDownMin: 0,
    heads: { model: "forecast", low: 10, likely: 16, high: 24 },
  });
  session = (body as RunDoc).sessions[0]?.id ?? "";
});
afterEach(() => house.close());

const opened = Date.parse("2026-11-25T09:00:00Z");
const party = (n: number, by: string): Tap => ({
  id: `party-${by}-${n}`,
  at: opened + n * 60_000 + (by === "A" ? 0 : 30_000),
  by,
  body: { kind: "in", heads: 1 + (n % 4), number: n },
});
const send = (taps: readonly unknown[], after = 0) => house.ask("POST", `/api/sessions/${session}/taps`, { after, taps });
const fieldsOf = (body: unknown): string[] => (body as { errors: { field: string }[] }).errors.map(({ field }) => field);

describe("the floor of a session", () => {
  it("60 parties on two tablets, one without a line for a while, sent in bursts, twice, and out of order: nothing is lost, nothing counts twice, both agree", async () => {
    const [a, b] = (["A", "B"] as const).map((by) => Array.from({ length: 30 }, (_, i) => party(i + 1, by)));
    if (!a || !b) throw new Error("two tablets");
    let known: Tap[] = [];
    let next = 0;
    const take = ({ body }: { body: unknown }): void => {
      const doc = body as TapsDoc;
      known = [...known, ...doc.taps];
      next = doc.next;
    };
    for (let i = 0; i < 30; i += 5) take(await send(a.slice(i, i + 5), next));
    // The answer to the last burst got lost, and it is sent again with what came since.
    take(await send(a.slice(20), next));
    // The other tablet was out of reach until now, and sends its newest first.
    await send([...b].reverse().slice(0, 20));
    await send(b);
    take(await house.ask("GET", `/api/sessions/${session}/taps?from=${next}`));
    const theirs = ((await house.ask("GET", `/api/sessions/${session}/taps?from=0`)).body as TapsDoc).taps;
    expect([known.length, theirs.length]).toEqual([60, 60]);
    expect(floorNow(known, "team")).toEqual(floorNow(theirs, "team"));
    const heads = [...a, ...b].reduce((sum, { body }) => sum + (body.kind === "in" ? body.heads : 0), 0);
    expect(floorNow(known, "team")).toMatchObject({ parties: 60, heads, kitsUsed: 60 });
  });

  it("tells what it goes by, to whoever is signed in; a sifter may look and not tap, nobody else may either", async () => {
    expect((await house.ask("GET", `/api/sessions/${session}/floor`)).body).toMatchObject({
      session: { id: session },
      run: { title: "Spinners" },
      room: "Marsh Room",
      testRoom: { roomLengthM: Math.hypot(12, 8), ceilingM: 3 },
      day: null,
      brief: { family: "descent" },
    });
    expect((await house.ask("GET", `/api/sessions/${session}/floor`, undefined, { cookie: null })).status).toBe(401);
    expect((await house.ask("GET", "/api/sessions/nobodys-session/floor")).status).toBe(404);
    await house.ask("POST", "/api/staff", { name: "Rush", signIn: "rush", role: "sifter", active: true, password: "a long enough word" });
    const cookie = await house.signIn("rush", "a long enough word");
    expect((await house.ask("POST", `/api/sessions/${session}/taps`, { after: 0, taps: [] }, { cookie })).status).toBe(403);
  });

  it.each([
    ["a party of nobody", "taps[0].body.heads", { ...party(1, "A"), body: { kind: "in", heads: 0, number: 1 } }],
    ["a tap of no kind", "taps[0].body.kind", { ...party(1, "A"), body: { kind: "dance" } }],
    ["a note without words", "taps[0].body.words", { ...party(1, "A"), body: { kind: "note", words: "" } }],
    ["a tablet's clock that is days off", "taps[0].at", { ...party(1, "A"), at: opened - 4 * 86_400_000 }],
    ["a unit that is none", "taps[0].body.unit", { ...party(1, "A"), body: { kind: "line", unit: "../x" } }],
  ])("refuses %s at its field, and keeps none of the burst", async (_, field, tap) => {
    const before = everything(house);
    const { status, body } = await send([tap, party(2, "A")]);
    expect(status).toBe(422);
    expect(fieldsOf(body)).toContain(field);
    expect(everything(house)).toEqual(before);
  });

  it("takes nothing for a session that doesn't take place; one that has been counted on isn't removed", async () => {
    await send([party(1, "A")]);
    expect((await house.ask("DELETE", `/api/runs/${run.id}/sessions/${session}`)).status).toBe(409);
    const doc = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
    const [held] = doc.sessions;
    await house.ask("PUT", `/api/runs/${run.id}/sessions/${session}`, {
      revision: held?.revision,
      title: "",
      roomId: room.id,
      start: held?.start,
      minutes: 240,
      setUpMin: 0,
      tearDownMin: 0,
      heads: held?.heads,
      cancelled: true,
    });
    expect((await send([party(2, "A")])).status).toBe(409);
  });
});
