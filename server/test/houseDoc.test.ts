import type { HouseDoc, ProblemDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const read = async (): Promise<HouseDoc> => (await house.ask("GET", "/api/house")).body as HouseDoc;
const save = (doc: unknown) => house.ask("PUT", "/api/house", doc);

type Change = (doc: HouseDoc) => unknown;

const wrong: readonly (readonly [what: string, change: Change, field: RegExp])[] = [
  ["a zone nobody has heard of", (doc) => ({ ...doc, zone: "Reed/Marsh" }), /^zone$/],
  ["a currency of four letters", (doc) => ({ ...doc, currency: "EURO" }), /^currency$/],
  ["an address that is none", (doc) => ({ ...doc, publicUrl: "javascript:alert(1)" }), /^publicUrl$/],
  ["no name", (doc) => ({ ...doc, name: "  " }), /^name$/],
  ["entries kept for ever", (doc) => ({ ...doc, keepingDays: 9999 }), /^keepingDays$/],
  ["no working day", (doc) => ({ ...doc, preparing: { ...doc.preparing, weekdays: [] } }), /^preparing\.weekdays/],
  ["an eighth weekday", (doc) => ({ ...doc, preparing: { ...doc.preparing, weekdays: [1, 8] } }), /^preparing\.weekdays/],
  ["nobody who prepares", (doc) => ({ ...doc, preparing: { ...doc.preparing, people: 0 } }), /^preparing\.people$/],
  ["a day without hours", (doc) => ({ ...doc, preparing: { ...doc.preparing, hours: 0 } }), /^preparing\.hours$/],
  [
    "a batch of none",
    (doc) => ({ ...doc, preparing: { ...doc.preparing, times: { ...doc.preparing.times, bag: { setup: 1, batch: 0, each: 1 } } } }),
    /^preparing\.times\.bag\.batch$/,
  ],
  ["the same room twice", (doc) => ({ ...doc, rooms: [...doc.rooms, doc.rooms[0]] }), /^rooms/],
  ["a room below nothing", (doc) => ({ ...doc, rooms: doc.rooms.map((room) => ({ ...room, heightM: -2 })) }), /^rooms\[0\]\.heightM$/],
  [
    "closed days that end before they begin",
    (doc) => ({ ...doc, closures: [{ id: "winter-rest", from: "2026-12-24", to: "2026-12-20", why: "" }] }),
    /^closures\[0\]\.to$/,
  ],
  [
    "a day that is in no calendar",
    (doc) => ({ ...doc, closures: [{ id: "winter-rest", from: "2026-02-30", to: "2026-03-01", why: "" }] }),
    /^closures\[0\]\.from$/,
  ],
  ["a part that it does not have", (doc) => ({ ...doc, colour: "amber" }), /^colour$/],
];

describe("the house", () => {
  it.each(wrong)("refuses %s by its field, and writes nothing", async (_, change, field) => {
    const doc = await read();
    const before = everything(house);
    const { status, body } = await save(change(doc));
    expect(status).toBe(422);
    const errors = (body as ProblemDoc).errors ?? [];
    expect(errors.map((error) => error.field).join(" ")).toMatch(new RegExp(field.source.replace("^", "(^| )").replace("$", "( |$)")));
    expect(errors.every((error) => error.message.length > 5)).toBe(true);
    expect(everything(house)).toBe(before);
  });

  it("is saved whole, in the order given, and counts its revisions", async () => {
    const doc = await read();
    const closures = [
      { id: "spring-rest", from: "2027-04-01", to: "2027-04-05", why: "spring" },
      { id: "winter-rest", from: "2026-12-24", to: "2027-01-01", why: "winter" },
    ];
    const rooms = [...doc.rooms].reverse();
    const saved = (await save({ ...doc, name: "Quillmarsh Hall", publicUrl: "https://builds.example///", rooms, closures }))
      .body as HouseDoc;
    expect(saved).toMatchObject({ name: "Quillmarsh Hall", publicUrl: "https://builds.example", revision: doc.revision + 1 });
    expect(saved.rooms.map((room) => room.id)).toEqual(rooms.map((room) => room.id));
    expect(saved.closures.map((day) => day.id)).toEqual(["winter-rest", "spring-rest"]);
    expect(await read()).toEqual(saved);
  });

  it("refuses a save on stale data, whoever made it, with what is saved now", async () => {
    const doc = await read();
    await save({ ...doc, name: "First" });
    const before = everything(house);
    const late = await save({ ...doc, name: "Second" });
    expect(late.status).toBe(409);
    expect((late.body as ProblemDoc).current).toMatchObject({ name: "First", revision: doc.revision + 1 });
    expect(everything(house)).toBe(before);
  });

  it("drops a room that nothing is held in, with its place taken by the others", async () => {
    const doc = await read();
    const saved = (await save({ ...doc, rooms: doc.rooms.slice(1) })).body as HouseDoc;
    expect(saved.rooms).toEqual(doc.rooms.slice(1));
    expect(((await save({ ...saved, rooms: [] })).body as HouseDoc).rooms).toEqual([]);
  });
});
