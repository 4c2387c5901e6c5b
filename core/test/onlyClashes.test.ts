import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type HousePlan, houseClashes, type PlannedSession } from "../src/calendar/houseClashes.ts";
import { remembered } from "../src/calendar/remembered.ts";

const hour = 3_600_000;
const ids = ["a", "b", "c", "d", "e", "f", "g"] as const;

const anySession = (id: string) =>
  fc.record<PlannedSession>({
    id: fc.constant(id),
    start: fc.integer({ min: 0, max: 60 }).map((n) => n * hour),
    minutes: fc.constantFrom(30, 60, 180),
    setUpMin: fc.constantFrom(0, 30),
    tearDownMin: fc.constantFrom(0, 30),
    roomId: fc.constantFrom("marsh", "loft", null),
    people: fc.uniqueArray(fc.constantFrom("ivy", "moss", "fen"), { maxLength: 2 }),
    cancelled: fc.boolean().map((off) => off && id === "g"),
    needs: fc.constant({ seats: 20 }),
    children: fc.constantFrom({ young: 12 }, null),
    adults: fc.constantFrom(0, 2),
    uses: fc.constantFrom<Readonly<Record<string, number>>>({}, { tub: 1 }, { tub: 2 }),
    crateSlack: fc.constantFrom(null, -1, 2),
  });

const house: HousePlan = {
  zone: "CET",
  rooms: { marsh: { seats: 30 }, loft: { seats: 10 } },
  people: { ivy: { away: [[4 * hour, 9 * hour]], weekMinutes: 240 }, moss: { away: [], weekMinutes: null } },
  shared: { tub: 2 },
  closures: [{ from: "1970-01-02", to: "1970-01-02" }],
  leastAdults: 1,
  childrenPerAdult: { young: 6 },
  breakMinutes: 30,
  breakAfterMinutes: 240,
  series: [{ order: ["a", "c", "e"], leastDays: 1, mostDays: 1 }],
  runs: [{ closes: "1970-01-01", sessions: ["b", "d", "a"] }],
};

const said = (clashes: ReturnType<typeof houseClashes>): readonly string[] => clashes.map((clash) => JSON.stringify(clash)).sort();

describe("clashes of some sessions alone", () => {
  it("are those of all sessions that they are in, whatever the house", () => {
    fc.assert(
      fc.property(fc.tuple(...ids.map(anySession)), fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 3 }), (all, of) => {
        const only = new Set<string>(of);
        const among = houseClashes(all, house).filter(({ sessions }) => sessions.some((id) => only.has(id)));
        expect(said(houseClashes(all, house, only))).toEqual(said(among));
      }),
      { numRuns: 400 },
    );
  });
});

describe("somebody listed twice on a session", () => {
  it("is one person: in one clash with another session, and no second adult", () => {
    const plain = {
      minutes: 60,
      setUpMin: 0,
      tearDownMin: 0,
      roomId: null,
      needs: {},
      adults: 0,
      uses: {},
      crateSlack: null,
      cancelled: false,
    };
    const sessions: readonly PlannedSession[] = [
      { ...plain, id: "b", start: 60 * hour, people: ["ivy", "ivy"], children: { young: 12 } },
      { ...plain, id: "d", start: 60 * hour, people: ["ivy"], children: null },
    ];
    const found = houseClashes(sessions, { ...house, runs: [] });
    expect(found.filter(({ kind }) => kind === "person twice")).toEqual([{ kind: "person twice", sessions: ["b", "d"], person: "ivy" }]);
    expect(found.filter(({ kind }) => kind === "adults too few")).toEqual([{ kind: "adults too few", sessions: ["b"], missing: 1 }]);
  });
});

describe("a function that remembers", () => {
  it("answers as the plain one does, zone by zone, and asks it once for each until it is full", () => {
    let asked = 0;
    const of = remembered((key: number, zone: string) => {
      asked += 1;
      return key === 3 ? null : `${key} ${zone}`;
    });
    expect([of(1, "CET"), of(1, "UTC"), of(1, "CET"), of(3, "CET"), of(3, "CET")]).toEqual(["1 CET", "1 UTC", "1 CET", null, null]);
    expect(asked).toBe(3);
    for (let key = 0; key < 20_000; key += 1) of(key, "CET");
    const before = asked;
    expect([of(1, "CET"), of(1, "UTC")]).toEqual(["1 CET", "1 UTC"]);
    expect(asked - before).toBeLessThanOrEqual(2);
  });
});
