import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  bagCode,
  type CrateInput,
  crateCode,
  crateTasks,
  type LineUse,
  manifestOf,
  packingOf,
  secondsOf,
  usualTimes,
} from "../src/index.ts";

const counted = (id: string, amount: number, patch: Partial<LineUse> = {}): CrateInput["lines"][number] =>
  ({
    id,
    per: "builder",
    kind: "counted",
    amount,
    perRebuild: 0.5,
    spoilRate: 0.05,
    price: 10,
    onHand: 0,
    ...patch,
  }) as CrateInput["lines"][number];
const input = (lines: CrateInput["lines"], buildBy: "builder" | "team" = "builder"): CrateInput => ({
  sessions: [{ id: "s", heads: { model: "forecast", low: 20, likely: 30, high: 44 } }],
  grouping: { teamSize: 3, seats: 6, share: 0.5, rigServes: 10 },
  rebuilding: { buildBy, rate: 0.4, loops: 2 },
  target: 0.95,
  lines,
});
const packed = (of: CrateInput, tiers: readonly { id: string; share: number }[] = []) =>
  packingOf({ lines: of.lines, manifest: manifestOf({ ...of, tiers }), buildBy: of.rebuilding.buildBy, teamSize: 3, tiers });

describe("packing", () => {
  it("puts a builder's lines into bags and what is beyond them into spares; nothing is lost", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.constantFrom("builder" as const, "team" as const), (amount, buildBy) => {
        const of = input([counted("a", amount), counted("b", 0.4, { per: "team" })], buildBy);
        const manifest = manifestOf(of);
        const { bags, spares, stations } = packed(of);
        for (const line of manifest.lines) {
          const inBags = bags.reduce((sum, bag) => sum + bag.count * (bag.contents.find((c) => c.lineId === line.id)?.amount ?? 0), 0);
          const beside = [...spares, ...stations.flatMap((s) => s.lines)].filter((p) => p.lineId === line.id);
          expect(inBags + beside.reduce((sum, p) => sum + p.amount, 0)).toBeGreaterThanOrEqual(line.quantity - 1e-9);
        }
        expect(bags.every((bag) => bag.count === manifest.bags)).toBe(true);
      }),
      { numRuns: 25 },
    );
  });

  it("puts each builder's lines three times into a team's bag of three", () => {
    const { bags } = packed(input([counted("a", 2), counted("b", 5, { per: "team" })], "team"));
    expect(bags[0]?.contents).toEqual([
      { lineId: "a", amount: 6 },
      { lineId: "b", amount: 5 },
    ]);
  });

  it("sends what is shared or stands for tables and rigs there", () => {
    const scissors = { id: "sc", per: "builder", kind: "reusable", share: 0.5, unitsPerItem: 2, loss: 0, price: 1, onHand: 0 } as const;
    const { bags, stations } = packed(input([counted("a", 1), counted("rulers", 2, { per: "table" }), scissors]));
    expect(bags[0]?.contents.map((c) => c.lineId)).toEqual(["a"]);
    expect(stations.map((s) => [s.per, s.lines.map((l) => l.lineId)])).toEqual([
      ["builder", ["sc"]],
      ["table", ["rulers"]],
    ]);
  });

  it("makes whole bags for each tier that takes something of its own, as many as there are bags", () => {
    const lines = [counted("all", 1), counted("few", 1, { tier: "limited" })];
    const { bags } = packed(input(lines), [
      { id: "limited", share: 0.34 },
      { id: "free", share: 0.66 },
    ]);
    expect(bags.map((bag) => [bag.tier, bag.contents.map((c) => c.lineId)])).toEqual([
      ["limited", ["all", "few"]],
      ["free", ["all"]],
    ]);
    const manifest = manifestOf({ ...input(lines), tiers: [] });
    expect(bags.reduce((sum, bag) => sum + bag.count, 0)).toBe(manifest.bags);
  });
});

describe("codes", () => {
  it("name a crate by four letters without vowels, the same every time, and its bags by number", () => {
    expect(crateCode("session-one")).toMatch(/^[BCDFGHJ-NP-TV-XZ]{4}$/);
    expect(bagCode("session-one", 7)).toBe(`${crateCode("session-one")}-007`);
    const codes = new Set(Array.from({ length: 200 }, (_, i) => crateCode(`session-${i}`)));
    expect(codes.size).toBeGreaterThan(195);
  });
});

describe("tasks", () => {
  it("are cutting, counting and bagging, in the seconds the formula gives", () => {
    const tasks = crateTasks([{ id: "card", sheets: { count: 10, cuts: 5 }, portions: 130 }], 45, usualTimes);
    // 3 stacks of four sheets: 15 cuts; 130 counted in lots of 60; 45 bags in lots of 20.
    expect(tasks.map((task) => [task.task, secondsOf(task)])).toEqual([
      ["cut", 60 + 15 * 8],
      ["count", 3 * 20 + 130 * 1.5],
      ["bag", 3 * 30 + 45 * 25],
    ]);
  });
});
