import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  clashesTold,
  freePeople,
  type HeldHouse,
  type HeldRun,
  type HeldSession,
  hoursSaid,
  inScope,
  instantOf,
  type Room,
  tellNeeds,
  usualRules,
  wallBetween,
  wallLater,
  wallOf,
} from "../src/index.ts";

const zone = "CET";
const at = (wall: string): number => instantOf(wall, zone) ?? 0;
const now = at("2026-11-25T10:00");

const room = (id: string, name: string, patch: Partial<Room> = {}): Room => ({
  id,
  name,
  lengthM: 10,
  widthM: 8,
  heightM: 4,
  seats: 40,
  water: true,
  floor: "hard",
  ...patch,
});
const person = (id: string, patch: Partial<HeldHouse["people"][number]> = {}): HeldHouse["people"][number] => ({
  id,
  name: id[0]?.toUpperCase() + id.slice(1),
  weekHours: null,
  away: [],
  ...patch,
});
const house = (patch: Partial<HeldHouse> = {}): HeldHouse => ({
  zone,
  rooms: [room("marsh", "Marsh Room"), room("loft", "Loft")],
  closures: [],
  people: [],
  rules: usualRules,
  rigs: [],
  ...patch,
});
const run = (id: string, patch: Partial<HeldRun> = {}): HeldRun => ({
  id,
  title: id,
  kind: "workshop",
  family: "span",
  closesOn: null,
  series: null,
  ...patch,
});
const session = (id: string, start: string, patch: Partial<HeldSession> = {}): HeldSession => ({
  id,
  runId: "Spans",
  title: "",
  startAt: at(start),
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  roomId: "marsh",
  people: [],
  part: null,
  kind: "as the run",
  cancelled: false,
  asks: {
    room: { lengthM: 2, widthM: 2, heightM: null, seats: 10, water: false, floor: "any" },
    children: 12,
    band: "8 to 10",
    adults: 1,
    rigs: 2,
  },
  ...patch,
});
const told = (sessions: readonly HeldSession[], home = house(), runs = [run("Spans")], only?: readonly string[]) =>
  clashesTold({ sessions, runs, house: home, units: "metric", now, only });
const sentences = (...of: Parameters<typeof told>): string[] => told(...of).map(({ words, solve }) => `${words} ${solve}`);

describe("clashes of a house in words", () => {
  it("a room twice: what is free then, and from when it is free", () => {
    const [clash] = told([session("a", "2026-12-05T10:00"), session("b", "2026-12-05T10:30", { setUpMin: 15 })], house(), undefined, ["b"]);
    expect(clash?.words).toBe(
      "Marsh Room would hold Spans, Sat 5 Dec 10:00 and Spans, Sat 5 Dec 10:30 at once, set-up and tear-down included.",
    );
    expect(clash?.solve).toBe("Loft is free then; Marsh Room is free from Sat 5 Dec 11:15.");
    expect(clash?.ways).toEqual([
      { session: "b", words: "Take Loft", roomId: "loft" },
      { session: "b", words: "Start at 11:15", start: "2026-12-05T11:15" },
    ]);
  });

  it("no room of the house is offered that lacks what the session asks", () => {
    const home = house({ rooms: [room("marsh", "Marsh Room"), room("loft", "Loft", { lengthM: 1.5 })] });
    const [clash] = told([session("a", "2026-12-05T10:00"), session("b", "2026-12-05T10:30")], home, undefined, ["b"]);
    expect(clash?.ways.map(({ words }) => words)).toEqual(["Start at 11:00"]);
  });

  it("a room that lacks length says by how much, and which would do", () => {
    const home = house({ rooms: [room("marsh", "Marsh Room", { lengthM: 1.5 }), room("loft", "Loft")] });
    const [clash] = told([session("a", "2026-12-05T10:00")], home);
    expect(clash?.words).toMatch(/^Spans, Sat 5 Dec 10:00: Marsh Room is 1\.5.m long; this brief needs 2.m\.$/);
    expect(clash?.ways).toEqual([{ session: "a", words: "Take Loft", roomId: "loft" }]);
  });

  it("asks one adult, and nobody else, where kits are picked up or all is on line; no rigs are taken there", () => {
    const nothing = { room: { ...session("a", "2026-12-05T10:00").asks.room, seats: null }, children: 0, adults: 1, rigs: 0 };
    const asks = { ...nothing, band: "8 to 10" as const };
    const home = house({ people: [person("moss")], rigs: [{ family: "span", owned: 0 }] });
    const apart = (patch: Partial<HeldSession>) => told([session("a", "2026-12-05T10:00", { asks, kind: "pick-up", ...patch })], home);
    expect(apart({}).map(({ words }) => words)).toEqual([
      "Spans, Sat 5 Dec 10:00 needs 1 adult to hold it; nobody is on it, 1 missing. Parents are not counted.",
    ]);
    expect(apart({ people: ["moss"] })).toEqual([]);
    expect(tellNeeds({ ...asks, room: { ...asks.room, lengthM: null, widthM: null } }, "span", "metric")).toBe(
      "It asks nothing of its room.",
    );
  });

  it("people: twice, away, over their hours, without a break, too few; and who could be put on instead", () => {
    const ivy = person("ivy", { weekHours: 3, away: [{ from: "2026-12-07T08:00", to: "2026-12-08T20:00", why: "course" }] });
    const home = house({ people: [ivy, person("moss"), person("fen")], rules: { ...usualRules, leastAdults: 1, breakAfterMinutes: 150 } });
    const on = { people: ["ivy"] };
    expect(sentences([session("a", "2026-12-05T10:00", on), session("b", "2026-12-05T10:30", { ...on, roomId: "loft" })], home)).toContain(
      "Ivy would be on Spans, Sat 5 Dec 10:00 and Spans, Sat 5 Dec 10:30 at once. Moss and Fen are free then.",
    );
    expect(sentences([session("a", "2026-12-07T10:00", on)], home)).toContain(
      "Ivy is away then: course, until Tue 8 Dec 20:00. Moss and Fen are free then.",
    );
    const long = [session("a", "2026-12-01T10:00", { ...on, minutes: 120 }), session("b", "2026-12-01T12:15", { ...on, minutes: 90 })];
    expect(sentences(long, home)).toEqual(
      expect.arrayContaining([
        "Ivy would work 3 h 30 min in the week of Mon 30 Nov; 3 h at most. Moss and Fen are free then.",
        expect.stringContaining("Ivy would work 3 h 45 min without 30 min of break, from Tue 1 Dec 10:00; 2 h 30 min at most."),
      ]),
    );
    const [few] = told([session("a", "2026-12-02T10:00", on)], home);
    expect(few).toMatchObject({
      kind: "adults too few",
      words: "Spans, Wed 2 Dec 10:00 needs 2 adults for up to 12 children, 8 to 10; 1 is on it, 1 missing. Parents are not counted.",
      ways: [{ person: "moss" }, { person: "fen" }],
    });
  });

  it("adults are not counted in a house without people, nor at home", () => {
    expect(told([session("a", "2026-12-05T10:00")])).toEqual([]);
    const home = house({ people: [person("ivy")] });
    expect(told([session("a", "2026-12-05T10:00")], home, [run("Spans", { kind: "at-home" })])).toEqual([]);
  });

  it("closed days, rigs, series, closing dates and crates that can't be ready each have their words", () => {
    const closed = house({ closures: [{ from: "2026-12-05", to: "2026-12-06", why: "Winter rest" }] });
    expect(sentences([session("a", "2026-12-05T10:00")], closed)[0]).toMatch(/^The house is closed: Winter rest\. Take another day/);
    const three = ["a", "b", "c"].map((id, i) => session(id, "2026-12-05T10:00", { roomId: null, runId: "Spans", title: String(i) }));
    expect(sentences(three, house({ rigs: [{ family: "span", owned: 5 }] }))[0]).toMatch(
      /need 6 rigs of one kind at once; the house has 5\. Move one of them, or set up one rig fewer/,
    );
    const parts = [session("a", "2026-12-05T10:00", { part: 1 }), session("b", "2026-12-06T10:00", { part: 2 })];
    const series = [run("Spans", { series: { leastDays: 2, mostDays: 9 } })];
    expect(sentences(parts, house(), series)[0]).toMatch(
      /^1 day between Spans part 1, .* and Spans part 2, .*; the series asks for at least 2 and at most 9\./,
    );
    expect(sentences([session("a", "2026-12-05T10:00")], house(), [run("Spans", { closesOn: "2026-12-04" })])[0]).toMatch(
      /^Entries close Fri 4 Dec, before/,
    );
    const late = clashesTold({
      sessions: [session("a", "2026-11-26T10:00")],
      runs: [run("Spans")],
      house: house(),
      units: "metric",
      now,
      slackOf: () => -2,
    });
    expect(late[0]?.words).toBe("The crate for Spans, Thu 26 Nov 10:00 can't be ready in time: 2 working days late.");
  });

  it("what is over clashes no more; only those asked for are told", () => {
    const past = [session("a", "2026-11-20T10:00"), session("b", "2026-11-20T10:00")];
    expect(told(past)).toEqual([]);
    const two = [session("a", "2026-12-05T10:00"), session("b", "2026-12-05T10:00"), session("c", "2026-12-05T10:00", { roomId: "loft" })];
    expect(told(two, house(), undefined, ["c"])).toEqual([]);
    expect(told(two)).toHaveLength(1);
  });

  it("whoever is free is on nothing then, and not away", () => {
    const home = house({
      people: [person("ivy"), person("moss"), person("fen", { away: [{ from: "2026-12-05T11:00", to: "2026-12-05T12:00", why: "" }] })],
    });
    const sessions = [
      session("a", "2026-12-05T10:00", { tearDownMin: 30 }),
      session("b", "2026-12-05T11:00", { roomId: "loft", people: ["ivy"] }),
    ];
    expect(freePeople("a", { sessions, runs: [run("Spans")], house: home })).toEqual(["moss"]);
  });
});

describe("moving on the wall", () => {
  it("a wall clock moved there and back is itself, across clock changes too", () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 400 }), fc.integer({ min: -2000, max: 2000 }), (days, minutes) => {
        const from = "2026-10-20T10:00";
        const there = wallLater(wallLater(from, { days }), { minutes });
        expect(wallLater(from, { minutes: wallBetween(from, there) })).toBe(there);
      }),
    );
    // 10:00 stays 10:00 though an hour more lies between.
    expect(wallOf(at(wallLater("2026-10-24T10:00", { days: 1 })), zone)).toBe("2026-10-25T10:00");
  });

  it("a change is for one, for it and the later ones, or for all of its repeat", () => {
    const one = (id: string, startAt: number, repeatId: string | null = "r") => ({ id, startAt, repeatId });
    const all = [one("a", 1), one("b", 2), one("c", 3), one("d", 2, "other"), one("e", 2, null)];
    const ids = (id: string, scope: "this" | "later" | "all"): string =>
      inScope(all, all.find((x) => x.id === id) ?? one("", 0), scope)
        .map((x) => x.id)
        .join("");
    expect([ids("b", "this"), ids("b", "later"), ids("b", "all"), ids("e", "all")]).toEqual(["b", "bc", "abc", "e"]);
  });

  it("minutes are said in hours", () => {
    expect([0, 45, 60, 285].map(hoursSaid)).toEqual(["0 min", "45 min", "1 h", "4 h 45 min"]);
  });
});
