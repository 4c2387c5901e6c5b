import { seasonCrates } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import {
  type BuyingDoc,
  buyProblem,
  type OrderDoc,
  preparingOf,
  type RunToSupply,
  type SupplierDoc,
  seasonRuns,
  seasonStore,
} from "../src/index.ts";
import { brief, line, material, session, supplyHouse } from "./samples.ts";

const hour = 3_600_000;
const at = (iso: string): number => Date.parse(iso);

const run = (id: string, patch: Partial<RunToSupply> = {}): RunToSupply => ({
  id,
  title: id,
  kind: "drop-in",
  heads: { model: "signedUp", signedUp: 30, showRate: 1, walkIns: 0 },
  opensOn: null,
  brief: brief([line("card"), line("foil", { source: "house" }), line("pencil", { source: "home" })]),
  sessions: [{ ...session(`${id}-day`), startAt: at("2026-12-05T09:00:00Z"), endAt: at("2026-12-05T10:00:00Z") }],
  ...patch,
});

const papers: SupplierDoc = {
  id: "papers",
  name: "Reedbank Papers",
  leadDays: 3,
  feeCents: 500,
  freeFromCents: 4000,
  leastCents: 1000,
  revision: 1,
  packs: [
    { id: "card-50", materialId: "card", size: 50, priceCents: 700, most: 2 },
    { id: "foil-1", materialId: "foil", size: 1, priceCents: 300, most: null },
  ],
};

const order = (state: OrderDoc["state"]): OrderDoc => ({
  id: `order-${state}`,
  supplierId: "papers",
  supplierName: "Reedbank Papers",
  placedOn: "2026-11-24",
  dueOn: "2026-11-28",
  state,
  arrivedOn: null,
  by: "Marsh Sedge",
  feeCents: 0,
  lines: [{ materialId: "card", size: 50, count: 2, priceCents: 700 }],
});

const doc = (patch: Partial<BuyingDoc> = {}): BuyingDoc => ({
  today: "2026-11-25",
  now: at("2026-11-25T10:00:00Z"),
  zone: "CET",
  house: supplyHouse,
  runs: [run("walk")],
  materials: [material("card"), material("foil"), material("pencil")],
  suppliers: [papers],
  orders: [],
  ...patch,
});

const cratesOf = (of: BuyingDoc) => seasonCrates(seasonRuns(of), of.now, of.today, preparingOf(of));

describe("the season as its crates are sized", () => {
  it("takes what is packed and lent, never what families find at home", () => {
    const [walk] = seasonRuns(doc());
    expect(walk?.crate.lines.map((l) => l.id)).toEqual(["line-card", "line-foil"]);
    expect(walk?.unpacked).toEqual(["line-foil"]);
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
    expect(cratesOf(doc({ now: at("2026-12-06T10:00:00Z"), today: "2026-12-06" }))).toEqual([]);
    expect(cratesOf(doc())).toHaveLength(1);
  });
});

describe("the store as the buying is planned", () => {
  it("counts what is on its way and nothing that arrived or was called off", () => {
    const due = (state: OrderDoc["state"]) => seasonStore(doc({ orders: [order(state)] })).due;
    expect(due("placed")).toEqual([{ material: "card", amount: 100, date: "2026-11-28" }]);
    expect([due("arrived"), due("called off")]).toEqual([[], []]);
  });

  it("keeps to what a supplier has, where that is known", () => {
    expect(seasonStore(doc()).packs).toEqual([
      { id: "card-50", material: "card", supplier: "papers", size: 50, price: 700, max: 2 },
      { id: "foil-1", material: "foil", supplier: "papers", size: 1, price: 300 },
    ]);
  });

  it("lets an order that comes on a closed day count on the next working day", () => {
    const of = doc();
    const problem = (closures: BuyingDoc["house"]["closures"]) => {
      const shut = { ...of, house: { ...of.house, closures } };
      return buyProblem(shut, cratesOf(shut));
    };
    // Wednesday and three days is a Saturday; the house works from Monday to Friday.
    expect(problem([]).suppliers[0]?.lead).toBe(5);
    expect(problem([{ id: "rest", from: "2026-11-30", to: "2026-12-01", why: "rest" }]).suppliers[0]?.lead).toBe(7);
  });
});
