import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { place } from "../src/calendar/placing/place.ts";
import { type HeldHouse, type PlaceAsked, placeErrors, slotsOf, usualRules, type Wanted, wantedPlacing } from "../src/index.ts";

const room = (id: string, name: string, seats: number) => ({
  id,
  name,
  lengthM: 10,
  widthM: 6,
  heightM: 3,
  seats,
  water: false,
  floor: "hard" as const,
});
const person = (id: string, name: string, away: HeldHouse["people"][number]["away"] = []) => ({ id, name, weekHours: null, away });

const house: HeldHouse = {
  zone: "Europe/Zurich",
  rooms: [room("marsh", "Marsh Room", 30), room("loft", "Loft", 12)],
  closures: [{ from: "2026-12-24", to: "2027-01-02", why: "midwinter" }],
  people: [person("moss", "Moss Lark", [{ from: "2026-12-12T08:00", to: "2026-12-12T13:00", why: "training" }]), person("fen", "Fen Wren")],
  rules: usualRules,
  rigs: [],
};

const wanted = (patch: Partial<Wanted> = {}): Wanted => ({
  runId: "raft",
  title: "Reed Raft Rescue",
  count: 3,
  minutes: 90,
  setUpMin: 30,
  tearDownMin: 30,
  needs: { lengthM: 4, widthM: null, heightM: null, seats: 20, water: false, floor: "any" },
  people: 1,
  after: null,
  inOrder: true,
  leastDays: null,
  mostDays: null,
  oneRoom: false,
  likesRoom: null,
  likesPerson: null,
  ...patch,
});

const asked = (patch: Partial<PlaceAsked> = {}): PlaceAsked => ({
  from: "2026-12-05",
  to: "2026-12-31",
  slots: [{ weekdays: [6], start: "10:00", end: "12:00" }],
  wanted: [wanted()],
  mostEach: null,
  pins: [],
  given: [],
  ...patch,
});

const session = (id: string, at: string, patch: object = {}) => ({
  id,
  runId: "span",
  title: "Boardwalk over the Bog",
  startAt: Date.parse(at),
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  roomId: "marsh",
  people: [],
  part: null,
  kind: "as the run" as const,
  cancelled: false,
  asks: { room: wanted().needs, children: 0, band: "8 to 10" as const, adults: 0, rigs: 0 },
  ...patch,
});

describe("slots of the days asked", () => {
  it("are on the wall clock across a clock change, and none on closed days or at a time that never comes", () => {
    const of = (patch: Partial<PlaceAsked>) => slotsOf(asked(patch), house).map(({ start, at }) => [start, new Date(at).toISOString()]);
    expect(of({ from: "2026-12-19", to: "2027-01-09" })).toEqual([
      ["2026-12-19T10:00", "2026-12-19T09:00:00.000Z"],
      ["2027-01-09T10:00", "2027-01-09T09:00:00.000Z"],
    ]);
    const night = { from: "2027-03-27", to: "2027-03-29", slots: [{ weekdays: [6, 7, 1], start: "02:30", end: "04:30" }] };
    expect(of(night)).toEqual([
      ["2027-03-27T02:30", "2027-03-27T01:30:00.000Z"],
      ["2027-03-29T02:30", "2027-03-29T00:30:00.000Z"],
    ]);
  });
});

describe("what is wanted, placed", () => {
  it("goes in order into the rooms that can host it, past a room that is taken and a person who is away", () => {
    // Set up from 08:30, torn down by 11:00 UTC: what begins then is no clash.
    const { placing, slots, sessions } = wantedPlacing(asked(), house, [session("s", "2026-12-19T11:00:00Z")]);
    const early = place(placing, solve);
    expect(early.possible && early.plan.map(({ slot }) => slot)).toEqual([0, 1, 2]);
    const more = wantedPlacing(asked({ to: "2027-01-31" }), house, [session("s", "2026-12-19T10:59:00Z")]);
    const plan = place(more.placing, solve);
    expect(plan).toMatchObject({ possible: true, proven: true });
    if (!plan.possible) return;
    expect(plan.plan.map(({ session: id, slot, room: at, people }) => [id, more.slots[slot]?.start, at, people.length])).toEqual([
      ["raft 1", "2026-12-05T10:00", "marsh", 1],
      ["raft 2", "2026-12-12T10:00", "marsh", 1],
      ["raft 3", "2027-01-09T10:00", "marsh", 1],
    ]);
    expect(plan.plan[1]?.people).toEqual(["fen"]);
    expect(slots).toHaveLength(3);
    expect(sessions.map(({ words }) => words)).toEqual(["Reed Raft Rescue 1 of 3", "Reed Raft Rescue 2 of 3", "Reed Raft Rescue 3 of 3"]);
  });

  it("counts days between sessions, wherever their slots lie", () => {
    const slotRules = [
      { weekdays: [6], start: "10:00", end: "12:00" },
      { weekdays: [6, 7], start: "14:00", end: "16:00" },
    ];
    const of = (leastDays: number | null, mostDays: number | null) => {
      const { placing, slots } = wantedPlacing(asked({ slots: slotRules, wanted: [wanted({ count: 2, leastDays, mostDays })] }), house, []);
      const found = place(placing, solve);
      return found.possible ? found.plan.map(({ slot }) => slots[slot]?.start.slice(8)) : null;
    };
    expect(of(null, null)).toEqual(["05T10:00", "05T14:00"]);
    expect(of(1, null)).toEqual(["05T10:00", "06T14:00"]);
    expect(of(2, 6)).toEqual(["06T14:00", "12T10:00"]);
    expect(of(3, 4)).toBeNull();
  });

  it("says in words what can't hold together, and holds without what was given up", () => {
    const impossible = asked({ to: "2026-12-13" });
    const one = wantedPlacing(impossible, house, []);
    const found = place(one.placing, solve);
    expect(found.possible).toBe(false);
    if (found.possible) return;
    const words = (ids: readonly string[]): readonly string[] =>
      ids.map((id) => one.demands.find(({ demand }) => demand.id === id)?.words ?? "");
    expect(found.mustGive.map(words)).toContainEqual(["Reed Raft Rescue 1 of 3 is held"]);
    expect(words(found.conflict)).toEqual(
      expect.arrayContaining(["Reed Raft Rescue 1 of 3 is held", "Reed Raft Rescue 2 of 3 is held", "Reed Raft Rescue 3 of 3 is held"]),
    );
    const given = wantedPlacing({ ...impossible, given: ["held raft 3"] }, house, []);
    expect(given.demands).toHaveLength(one.demands.length);
    const without = place(given.placing, solve);
    expect(without.possible && without.plan.map((placed) => placed.session)).toEqual(["raft 1", "raft 2"]);
  });

  it("keeps a pin, comes after the parts that stand, and meets a wish where it can", () => {
    const { placing, slots, demands } = wantedPlacing(
      asked({
        to: "2027-01-31",
        wanted: [wanted({ count: 1, after: { part: 2, endAt: Date.parse("2026-12-05T12:00:00Z") }, likesPerson: "moss" })],
      }),
      house,
      [],
    );
    expect(demands.map(({ words }) => words)).toContain("Reed Raft Rescue comes after part 2");
    const found = place(placing, solve);
    expect(found.possible && found.plan.map(({ slot, people }) => [slots[slot]?.start, people])).toEqual([["2026-12-19T10:00", ["moss"]]]);
    const pinned = wantedPlacing(
      asked({
        to: "2027-01-31",
        wanted: [wanted({ count: 2 })],
        pins: [{ session: "raft 1", start: "2027-01-09T10:00", room: "marsh", people: ["fen"] }],
      }),
      house,
      [],
    );
    const stays = place(pinned.placing, solve);
    expect(stays.possible && stays.plan.map(({ slot }) => pinned.slots[slot]?.start)).toEqual(["2027-01-09T10:00", "2027-01-16T10:00"]);
    expect(stays.possible && stays.plan[0]?.people).toEqual(["fen"]);
    expect(pinned.demands.map(({ words }) => words)).toEqual(
      expect.arrayContaining([
        "Reed Raft Rescue 1 of 2 stays on Sat 9 Jan 10:00",
        "Reed Raft Rescue 1 of 2 stays in Marsh Room",
        "Reed Raft Rescue 1 of 2 stays with Fen Wren",
      ]),
    );
  });
});

describe("what can't be asked", () => {
  const fields = (patch: Partial<PlaceAsked>) => placeErrors(asked(patch), house).map(({ field }) => field);

  it("is refused by its field", () => {
    expect(fields({})).toEqual([]);
    expect(fields({ from: "soon" })).toEqual(["from"]);
    expect(fields({ to: "2026-12-01" })).toEqual(["to"]);
    expect(fields({ to: "2029-12-01" })).toEqual(["to"]);
    expect(fields({ slots: [] })).toEqual(["slots"]);
    expect(fields({ slots: [{ weekdays: [6], start: "12:00", end: "10:00" }] })).toEqual(["slots.0.end"]);
    expect(fields({ slots: [{ weekdays: [6], start: "25:00", end: "26:00" }] })).toEqual(["slots.0.start", "slots.0.end"]);
    expect(fields({ wanted: [] })).toEqual(["wanted"]);
    expect(fields({ wanted: [wanted({ count: 61 })] })).toEqual(["wanted"]);
    expect(fields({ wanted: [wanted({ count: 0.5, people: -1, leastDays: 8, mostDays: 6 })] })).toEqual([
      "wanted.0.count",
      "wanted.0.people",
      "wanted.0.mostDays",
    ]);
    expect(fields({ mostEach: -1 })).toEqual(["mostEach"]);
    expect(fields({ from: "2026-12-24", to: "2027-01-01" })).toEqual(["slots"]);
  });

  it("is two slots of a day with no time to tear down and set up between, with when the later may begin", () => {
    const slots = [
      { weekdays: [6, 7], start: "12:30", end: "14:30" },
      { weekdays: [6], start: "10:00", end: "12:00" },
    ];
    expect(placeErrors(asked({ slots }), house)).toEqual([
      {
        field: "slots.0.start",
        message:
          "Sat 10:00 to 12:00 and 12:30 to 14:30: tearing down and setting up take 60 min in between. Let the later one begin at 13:00 or after.",
      },
    ]);
    expect(fields({ slots: [{ ...slots[0], start: "13:00", weekdays: [6] }, slots[1]] as PlaceAsked["slots"] })).toEqual([]);
  });
});
