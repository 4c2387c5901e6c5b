import type { MaterialDoc } from "@lampcrate/contract";
import type { KitCut, KitLine } from "@lampcrate/core";
import { type CutPlan, cutUnitsPerM, type Manifest } from "@lampcrate/core";
import { describe, expect, it } from "vitest";
import { cutTogether, toCut } from "../desk/crate/cutting/cutJobs.ts";
import { newLine } from "../desk/crate/lines/newLine.ts";

const material = { id: "card", unit: "piece" } as unknown as MaterialDoc;
const line = (id: string, shape: KitCut["shape"] = "rectangle", of = material): KitLine => ({
  ...newLine(id, of, { buildBy: "team", shareAtOnce: 1 }),
  cut: { shape } as unknown as KitCut,
});
const plan = (pieceW: number, pieceH: number, patch: Partial<CutPlan> = {}): CutPlan => ({
  parentW: 5000,
  parentH: 7000,
  pieceW,
  pieceH,
  rotate: true,
  kerf: 0,
  trimW: 0,
  trimH: 0,
  ...patch,
});
const manifest = (lines: readonly { id: string; quantity: number; parents: number | null }[]): Manifest =>
  ({ lines }) as unknown as Manifest;

describe("sizes cut from one material", () => {
  const lines = [line("a"), line("b"), line("c", "rectangle", { ...material, id: "foil" })];
  const plans = new Map([
    ["a", plan(1000, 2000)],
    ["b", plan(500, 700, { kerf: 10, trimW: 20, perRectangle: 2 })],
    ["c", plan(900, 900)],
  ]);
  const sized = manifest([
    { id: "a", quantity: 40, parents: 3 },
    { id: "b", quantity: 25, parents: 1 },
    { id: "c", quantity: 9, parents: 1 },
  ]);

  it("are planned together where there is more than one, beside what each would take alone", () => {
    const [card, ...more] = cutTogether(toCut(lines, plans, sized));
    expect(more).toEqual([]);
    expect(card).toMatchObject({ materialId: "card", apart: 4 });
    expect(card?.job).toEqual({
      of: "sheets",
      job: {
        parentW: 5000,
        parentH: 7000,
        rotate: true,
        kerf: 10,
        trimW: 20,
        trimH: 0,
        pieces: [
          { w: 1000, h: 2000, count: 40 },
          { w: 500, h: 700, count: 13 },
        ],
      },
    });
  });

  it("turn only where every one of them may", () => {
    const still = new Map([...plans, ["b", plan(500, 700, { rotate: false })] as const]);
    expect(cutTogether(toCut(lines, still, sized))[0]?.job).toMatchObject({ job: { rotate: false } });
  });

  it("are lengths from rolls where all are lengths", () => {
    const long = [line("a", "length"), line("b", "length")];
    const roll = { parentW: 3000, parentH: 10 * cutUnitsPerM, trimH: 50 };
    const rolls = new Map([
      ["a", plan(3000, 4000, roll)],
      ["b", plan(3000, 9000, { ...roll, kerf: 5 })],
    ]);
    expect(cutTogether(toCut(long, rolls, sized))[0]?.job).toEqual({
      of: "rolls",
      job: {
        rollLength: 10 * cutUnitsPerM - 50,
        kerf: 5,
        pieces: [
          { length: 4000, count: 40 },
          { length: 9000, count: 25 },
        ],
      },
    });
  });

  it("are not planned before the crate is sized, nor where a piece fits on no sheet", () => {
    expect(toCut(lines, plans, null)).toEqual([]);
    expect(toCut(lines, plans, manifest([{ id: "a", quantity: 40, parents: null }]))).toEqual([]);
    expect(cutTogether([])).toEqual([]);
  });
});
