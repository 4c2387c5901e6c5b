import { describe, expect, it } from "vitest";
import type { KitBrief, KitMaterial } from "../src/index.ts";
import { type CrateFor, crateInput, cutUnitsPerM, kitCost, kitCut, manifestOf } from "../src/index.ts";
import { kitBrief, line, material, session } from "./samples.ts";

const heads = { model: "forecast", low: 5, likely: 9, high: 14 } as const;
const run = { id: "run-one", kind: "drop-in", heads } as const;
const wholeRun: CrateFor = { kind: "run" };

describe("what the core needs of a brief", () => {
  it("is one session seeded by the run's id before any has a day", () => {
    expect(crateInput(run, kitBrief([]), [], [], wholeRun).sessions).toEqual([{ id: "run-one", heads }]);
  });

  it("is the chosen session, or all that are not cancelled", () => {
    const sessions = [session("a"), session("b"), session("c", true)];
    const ids = (of: CrateFor): string[] => crateInput(run, kitBrief([]), sessions, [], of).sessions.map((s) => s.id);
    expect(ids({ kind: "session", id: "b" })).toEqual(["b"]);
    expect(ids({ kind: "run" })).toEqual(["a", "b"]);
  });

  it("packs only what goes home where kits are picked up, and nothing for what is on line", () => {
    const lines = [line("paper"), line("weights", { per: "rig" }), line("scissors", { kind: "reusable" })];
    const sessions = [session("a"), { ...session("b"), kind: "pick-up" as const }, { ...session("c"), kind: "on line" as const }];
    const of = (it: CrateFor) =>
      crateInput(
        run,
        kitBrief(lines),
        sessions,
        ["paper", "weights", "scissors"].map((id) => material(id)),
        it,
      );
    const packed = (id: string) => of({ kind: "session", id }).lines.map((l) => l.id);
    expect(packed("a")).toEqual(["line-paper", "line-weights", "line-scissors"]);
    expect(packed("b")).toEqual(["line-paper"]);
    expect(packed("c")).toEqual([]);
    expect(of({ kind: "run" }).sessions.map((s) => s.id)).toEqual(["a", "b"]);
  });

  it("leaves out what families find at home, and lines whose material is gone", () => {
    const input = crateInput(
      run,
      kitBrief([line("paper"), line("pencil", { source: "home" }), line("lost")]),
      [],
      [material("paper"), material("pencil")],
      wholeRun,
    );
    expect(input.lines.map((l) => l.id)).toEqual(["line-paper"]);
    expect(input.lines[0]).toMatchObject({ price: 10, onHand: 20, kind: "counted" });
  });

  it("cuts from the sheet's size in whole units, and not at all while the sheet has none", () => {
    const cut = kitCut({ widthM: 0.1, heightM: 0.6 });
    const of = (patch: Partial<KitMaterial>) => crateInput(run, kitBrief([line("card", { cut })]), [], [material("card", patch)], wholeRun);
    expect(of({}).lines[0]?.cut).toBeUndefined();
    const sized = of({ sheetWidthM: 0.7, sheetHeightM: 0.5 });
    expect(sized.lines[0]?.cut).toMatchObject({ parentW: 0.7 * cutUnitsPerM, pieceH: 0.6 * cutUnitsPerM });
    expect(manifestOf(sized).lines[0]?.piecesPerParent).toBe(5);
  });

  it("gives each kind of line what it is reckoned by", () => {
    const lines = [line("tape", { kind: "measured", amount: 600 }), line("scissors", { kind: "reusable" })];
    const input = crateInput(run, kitBrief(lines), [], [material("tape", { unit: "mm" }), material("scissors")], wholeRun);
    expect(input.lines.map((l) => [l.kind, l.kind === "measured" ? l.step : l.kind === "reusable" ? l.share : null])).toEqual([
      ["measured", 10],
      ["reusable", 0.5],
    ]);
  });

  it("makes two triangles of a rectangle, a square of a disc, and a length as wide as the roll", () => {
    const sheet = { sheetWidthM: 0.6, sheetHeightM: 0.4 };
    const made = (cut: ReturnType<typeof kitCut>) =>
      manifestOf(crateInput(run, kitBrief([line("card", { cut })]), [], [material("card", sheet)], wholeRun)).lines[0]?.piecesPerParent;
    expect(made(kitCut({ shape: "rectangle", widthM: 0.2, heightM: 0.1 }))).toBe(12);
    expect(made(kitCut({ shape: "triangle", widthM: 0.2, heightM: 0.1 }))).toBe(24);
    expect(made(kitCut({ shape: "disc", widthM: 0.2, heightM: 0.1 }))).toBe(6);
    expect(made(kitCut({ shape: "length", widthM: 0.2, heightM: 0.1 }))).toBe(4);
    expect(made(kitCut({ shape: "length", widthM: 0.2, heightM: 0.1, kerfM: 0.01 }))).toBe(3);
    expect(made(kitCut({ shape: "rectangle", widthM: 0.2, heightM: 0.1, trimM: 0.01 }))).toBe(7);
  });

  it("counts pieces cut wrong once, with those spoilt in building", () => {
    const cut = kitCut({ widthM: 0.1, heightM: 0.1, missRate: 0.1 });
    const [of] = crateInput(run, kitBrief([line("card", { cut })]), [], [material("card")], wholeRun).lines;
    expect(of?.kind === "counted" ? of.spoilRate : null).toBeCloseTo(1 - 0.95 * 0.9, 12);
  });

  it("tops the bags of a series up, but starts each workshop anew", () => {
    const sessions = [session("a"), session("b"), session("c")];
    const of = (kind: "series" | "workshop", id: string) =>
      crateInput({ ...run, kind }, kitBrief([]), sessions, [], { kind: "session", id }).series?.before.map((s) => s.id);
    expect(of("series", "c")).toEqual(["a", "b"]);
    expect(of("workshop", "c")).toBeUndefined();
    expect(crateInput({ ...run, kind: "series" }, kitBrief([]), sessions, [], wholeRun).series?.before).toEqual([]);
  });

  it("lets the costs of turning away and of an unused kit set the target", () => {
    const kit = kitBrief([line("paper"), line("scissors", { kind: "reusable" })]);
    const of = (turnedAway: KitBrief["turnedAway"]) =>
      crateInput(run, { ...kit, turnedAway }, [], [material("paper"), material("scissors")], wholeRun);
    expect(of(null).target).toBe(0.9);
    // Two sheets at 10 cents, half of which serve again: 10 cents are lost in an unused kit.
    expect(kitCost("builder", of(null).lines)).toBe(20);
    expect(of({ costCents: 90, usedAgain: 0.5 }).target).toBeCloseTo(0.9, 12);
    expect(of({ costCents: 990, usedAgain: 0.5 }).target).toBeCloseTo(0.99, 12);
    expect(of({ costCents: 1, usedAgain: 0 }).target).toBe(0.5);
  });
});
