import { describe, expect, it } from "vitest";
import { buyProblem, type HouseSeason, preparingOf, type RunToSupply, seasonCrates, seasonRuns, seasonStore } from "../src/index.ts";
import { kitBrief, line, material, session, supplyHouse } from "./samples.ts";

const hour = 3_600_000;
const at = (iso: string): number => Date.parse(iso);

const run = (id: string, patch: Partial<RunToSupply> = {}): RunToSupply => ({
  id,
  title: id,
  kind: "drop-in",
  heads: { model: "signedUp", signedUp: 30, showRate: 1, walkIns: 0 },
  opensOn: null,
  brief: kitBrief([line("card"), line("foil", { source: "house" }), line("pencil", { source: "home" })]),
  sessions: [{ ...session(`${id}-day`), startAt: at("2026-12-05T09:00:00Z"), endAt: at("2026-12-05T10:00:00Z") }],
  ...patch,
});

const papers: HouseSeason["suppliers"][number] = {
  id: "papers",
  leadDays: 3,
  feeCents: 500,
  freeFromCents: 4000,
  leastCents: 1000,
  packs: [
    { id: "card-50", materialId: "card", size: 50, priceCents: 700, most: 2 },
    { id: "foil-1", materialId: "foil", size: 1, priceCents: 300, most: null },
  ],
};

const order = (state: HouseSeason["orders"][number]["state"], came = 0): HouseSeason["orders"][number] => ({
  dueOn: "2026-11-28",
  state,
  items: [{ materialId: "card", size: 50, count: 2, came }],
});

const now = at("2026-11-25T10:00:00Z");

const doc = (patch: Partial<HouseSeason> = {}): HouseSeason => ({
  today: "2026-11-25",
  zone: "CET",
  house: supplyHouse,
  runs: [run("walk")],
  materials: [material("card"), material("foil"), material("pencil")],
  suppliers: [papers],
  orders: [],
  ...patch,
});

const cratesOf = (of: HouseSeason, time = now) => seasonCrates(seasonRuns(of), time, of.today, preparingOf(of));

describe("the season as its crates are sized", () => {
  it("takes what is packed and lent, never what families find at home", () => {
    const [walk] = seasonRuns(doc());
    expect(walk?.crate.lines.map((l) => l.id)).toEqual(["line-card", "line-foil"]);
    expect(walk?.unpacked).toEqual(["line-foil"]);
  });

  it("packs only what goes home for a pick-up, and no crate for what is on line", () => {
    const brief = kitBrief([line("card"), line("pencil", { per: "rig" })]);
    const day = { ...session("walk-day"), startAt: at("2026-12-05T09:00:00Z"), endAt: at("2026-12-05T10:00:00Z") };
    const needs = (kind: "as the run" | "pick-up" | "on line") =>
      cratesOf(doc({ runs: [run("walk", { brief, sessions: [{ ...day, kind }] })] })).map((crate) =>
        crate.needs.map((need) => need.material),
      );
    expect([needs("as the run"), needs("pick-up"), needs("on line")]).toEqual([[["card", "pencil"]], [["card"]], []]);
  });

  it("has a crate out from its set-up to its tear-down", () => {
    const held = {
      ...session("day"),
      startAt: at("2026-12-05T09:00:00Z"),
      endAt: at("2026-12-05T11:00:00Z"),
      setUpMin: 60,
      tearDownMin: 30,
    };
    expect(seasonRuns(doc({ runs: [run("walk", { sessions: [held] })] }))[0]?.sessions[0]).toMatchObject({
      date: "2026-12-05",
      from: at("2026-12-05T08:00:00Z"),
      to: at("2026-12-05T11:30:00Z"),
    });
  });

  it("has bags ready on the opening day of a run at home that has no session, by the house's clock", () => {
    const home = run("home", { kind: "at-home", opensOn: "2026-12-01", sessions: [] });
    const [bags] = seasonRuns(doc({ runs: [home] }))[0]?.sessions ?? [];
    expect(bags).toMatchObject({ id: "home", date: "2026-12-01", from: at("2026-11-30T23:00:00Z") + 8 * hour });
    expect(seasonRuns(doc({ runs: [{ ...home, opensOn: null }] }))[0]?.sessions).toEqual([]);
    expect(seasonRuns(doc({ runs: [{ ...home, kind: "workshop" }] }))[0]?.sessions).toEqual([]);
  });

  it("packs nothing for a session that was called off or is over", () => {
    const held = session("gone", true);
    expect(cratesOf(doc({ runs: [run("walk", { sessions: [held] })] }))).toEqual([]);
    expect(cratesOf(doc({ today: "2026-12-06" }), at("2026-12-06T10:00:00Z"))).toEqual([]);
    expect(cratesOf(doc())).toHaveLength(1);
  });
});

describe("the store as the buying is planned", () => {
  it("counts what is on its way and nothing that arrived or was called off", () => {
    const due = (state: HouseSeason["orders"][number]["state"]) => seasonStore(doc({ orders: [order(state)] })).due;
    expect(due("placed")).toEqual([{ material: "card", amount: 100, date: "2026-11-28" }]);
    expect([due("arrived"), due("called off")]).toEqual([[], []]);
  });

  it("counts of what came in part only what is still to come", () => {
    const due = (came: number) => seasonStore(doc({ orders: [order("placed", came)] })).due;
    expect(due(1)).toEqual([{ material: "card", amount: 50, date: "2026-11-28" }]);
    expect(due(3).map(({ amount }) => amount)).toEqual([0]);
  });

  it("keeps to what a supplier has, where that is known", () => {
    expect(seasonStore(doc()).packs).toEqual([
      { id: "card-50", material: "card", supplier: "papers", size: 50, price: 700, max: 2 },
      { id: "foil-1", material: "foil", supplier: "papers", size: 1, price: 300 },
    ]);
  });

  it("lets an order that comes on a closed day count on the next working day", () => {
    const of = doc();
    const problem = (closures: HouseSeason["house"]["closures"]) => {
      const shut = { ...of, house: { ...of.house, closures } };
      return buyProblem(shut, cratesOf(shut));
    };
    // Wednesday and three days is a Saturday; the house works from Monday to Friday.
    expect(problem([]).suppliers[0]?.lead).toBe(5);
    expect(problem([{ from: "2026-11-30", to: "2026-12-01" }]).suppliers[0]?.lead).toBe(7);
  });
});
