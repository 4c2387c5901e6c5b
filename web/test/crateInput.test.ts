import type { BriefDoc, BriefLine, MaterialDoc, SessionDoc } from "@lampcrate/contract";
import { cutUnitsPerM, families, manifestOf, startValues } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { crateInput } from "../shared/crateInput.ts";

const material = (id: string, patch: Partial<MaterialDoc> = {}): MaterialDoc => ({
  id,
  name: id,
  unit: "piece",
  packSize: 50,
  packPriceCents: 500,
  onHand: 20,
  sheetWidthM: null,
  sheetHeightM: null,
  allergens: [],
  smallPart: false,
  latex: false,
  hazards: [],
  revision: 1,
  ...patch,
});
const line = (materialId: string, patch: Partial<BriefLine> = {}): BriefLine => ({
  id: `line-${materialId}`,
  materialId,
  per: "builder",
  kind: "counted",
  amount: 2,
  perRebuild: 0.5,
  spoilRate: 0.05,
  spread: 0.3,
  share: 0.5,
  unitsPerItem: 1,
  loss: 0.2,
  source: "packed",
  standIn: "",
  tier: null,
  cut: null,
  ...patch,
});
const brief = (lines: readonly BriefLine[]): BriefDoc => ({
  family: "span",
  story: "",
  spec: startValues(families.span.spec),
  design: startValues(families.span.design),
  trials: 3,
  youngestAge: 6,
  sketchFirst: true,
  plainBuildShown: true,
  buildBy: "builder",
  teamSize: 2,
  rebuildRate: 0.4,
  loops: 2,
  target: 0.9,
  seatsPerTable: 6,
  shareAtOnce: 0.6,
  rigServes: 12,
  lines,
  tiers: [],
  cautions: [],
  compared: null,
  instrument: "",
  buildMinutes: 20,
  protocolNote: "",
  rules: [],
  hints: [],
});
const session = (id: string, cancelled = false): SessionDoc => ({
  id,
  runId: "run",
  revision: 1,
  title: "",
  roomId: "r",
  start: "2026-12-05T10:00",
  startAt: 0,
  endAt: 1,
  zone: "CET",
  minutes: 60,
  setUpMin: 0,
  tearDownMin: 0,
  cancelled,
  heads: { model: "signedUp", signedUp: 10, showRate: 1, walkIns: 0 },
});
const heads = { model: "forecast", low: 5, likely: 9, high: 14 } as const;

describe("what the core needs of a brief", () => {
  it("is one session seeded by the run's id before any has a day", () => {
    expect(crateInput("run-one", brief([]), heads, [], [], { kind: "run" }).sessions).toEqual([{ id: "run-one", heads }]);
  });

  it("is the chosen session, or all that are not cancelled", () => {
    const sessions = [session("a"), session("b"), session("c", true)];
    const ids = (of: Parameters<typeof crateInput>[5]): string[] =>
      crateInput("run", brief([]), heads, sessions, [], of).sessions.map((s) => s.id);
    expect(ids({ kind: "session", id: "b" })).toEqual(["b"]);
    expect(ids({ kind: "run" })).toEqual(["a", "b"]);
  });

  it("leaves out what families find at home, and lines whose material is gone", () => {
    const input = crateInput(
      "run",
      brief([line("paper"), line("pencil", { source: "home" }), line("lost")]),
      heads,
      [],
      [material("paper"), material("pencil")],
      { kind: "run" },
    );
    expect(input.lines.map((l) => l.id)).toEqual(["line-paper"]);
    expect(input.lines[0]).toMatchObject({ price: 10, onHand: 20, kind: "counted" });
  });

  it("cuts from the sheet's size in whole units, and not at all while the sheet has none", () => {
    const cut = { widthM: 0.1, heightM: 0.6, rotate: true };
    const of = (patch: Partial<MaterialDoc>) =>
      crateInput("run", brief([line("card", { cut })]), heads, [], [material("card", patch)], { kind: "run" });
    expect(of({}).lines[0]?.cut).toBeUndefined();
    const sized = of({ sheetWidthM: 0.7, sheetHeightM: 0.5 });
    expect(sized.lines[0]?.cut).toMatchObject({ parentW: 0.7 * cutUnitsPerM, pieceH: 0.6 * cutUnitsPerM });
    expect(manifestOf(sized).lines[0]?.piecesPerParent).toBe(5);
  });

  it("gives each kind of line what it is reckoned by", () => {
    const lines = [line("tape", { kind: "measured", amount: 600 }), line("scissors", { kind: "reusable" })];
    const input = crateInput("run", brief(lines), heads, [], [material("tape", { unit: "mm" }), material("scissors")], { kind: "run" });
    expect(input.lines.map((l) => [l.kind, l.kind === "measured" ? l.step : l.kind === "reusable" ? l.share : null])).toEqual([
      ["measured", 10],
      ["reusable", 0.5],
    ]);
  });
});
