import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type CrateInput,
  type CutPlan,
  certaintyCurve,
  collectStart,
  cutLayout,
  manifestOf,
  offcutsServe,
  preparation,
  rectangleCount,
  tornadoOf,
} from "../src/index.ts";

const plan: CutPlan = { parentW: 2100, parentH: 2970, pieceW: 700, pieceH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0 };

const anyPlan = fc.record({
  parentW: fc.integer({ min: 200, max: 900 }),
  parentH: fc.integer({ min: 200, max: 900 }),
  pieceW: fc.integer({ min: 60, max: 400 }),
  pieceH: fc.integer({ min: 60, max: 400 }),
  rotate: fc.boolean(),
  kerf: fc.integer({ min: 0, max: 8 }),
  trimW: fc.integer({ min: 0, max: 20 }),
  trimH: fc.integer({ min: 0, max: 20 }),
});

describe("what offcuts serve", () => {
  // Five strips of 100 × 600 from 700 × 500 leave one strip of 100 × 500.
  const strips = { ...plan, parentW: 7000, parentH: 5000, pieceW: 6000, pieceH: 1000 };
  const other = (id: string, pieceW: number, pieceH: number, patch: Partial<CutPlan> = {}) => ({
    id,
    plan: { ...strips, pieceW, pieceH, ...patch },
  });

  it("is what fits on them, the most useful first", () => {
    const { offcuts, pieces } = cutLayout(strips) ?? { offcuts: [], pieces: [] };
    expect([pieces.length, offcuts.map(({ w, h }) => [w, h])]).toEqual([5, [[1000, 5000]]]);
    expect(offcutsServe(offcuts, [other("flags", 900, 400), other("squares", 1000, 1000), other("decks", 6000, 2000)])).toEqual([
      { id: "squares", pieces: 5 },
      { id: "flags", pieces: 12 },
    ]);
  });

  it("minds the grain, the saw, and that two triangles share a rectangle", () => {
    const { offcuts } = cutLayout(strips) ?? { offcuts: [] };
    const only = (patch: Partial<CutPlan>) => offcutsServe(offcuts, [other("one", 2400, 900, patch)])[0]?.pieces ?? 0;
    expect([only({}), only({ rotate: false }), only({ kerf: 300 }), only({ perRectangle: 2 })]).toEqual([2, 0, 1, 4]);
  });
});

describe("a cut map", () => {
  it("lays out as many pieces as the count says, inside the parent, none over another", () => {
    fc.assert(
      fc.property(anyPlan, (of) => {
        const { pieces, offcuts } = cutLayout(of) ?? { pieces: [], offcuts: [] };
        expect(pieces).toHaveLength(rectangleCount(of).count);
        for (const piece of pieces) {
          expect(piece.x).toBeGreaterThanOrEqual(of.trimW);
          expect(piece.y).toBeGreaterThanOrEqual(of.trimH);
          expect(piece.x + piece.w).toBeLessThanOrEqual(of.parentW);
          expect(piece.y + piece.h).toBeLessThanOrEqual(of.parentH);
          expect([piece.w, piece.h].sort((a, b) => a - b)).toEqual([of.pieceW, of.pieceH].sort((a, b) => a - b));
          if (!of.rotate) expect([piece.w, piece.h]).toEqual([of.pieceW, of.pieceH]);
        }
        const all = [...pieces, ...offcuts];
        for (const left of offcuts) expect(left.x + left.w <= of.parentW && left.y + left.h <= of.parentH).toBe(true);
        // Without a saw's loss nothing vanishes: pieces and offcuts are the whole sheet.
        const area = all.reduce((sum, { w, h }) => sum + w * h, 0);
        if (of.kerf === 0) expect(area).toBe((of.parentW - of.trimW) * (of.parentH - of.trimH));
        for (const [i, a] of all.entries())
          for (const b of all.slice(i + 1)) {
            const apart = (from: number, size: number, other: number): boolean => from + size + of.kerf <= other;
            expect(apart(a.x, a.w, b.x) || apart(b.x, b.w, a.x) || apart(a.y, a.h, b.y) || apart(b.y, b.h, a.y)).toBe(true);
          }
      }),
      { numRuns: 150 },
    );
  });

  it("counts each straight separation: halves of a sheet take one cut, a piece from a corner two", () => {
    expect(cutLayout({ ...plan, parentW: 1000, parentH: 500, pieceW: 500, pieceH: 500 })?.cuts).toHaveLength(1);
    expect(cutLayout({ ...plan, parentW: 900, parentH: 700, pieceW: 600, pieceH: 500, rotate: false })?.cuts).toHaveLength(2);
    expect(cutLayout({ ...plan, parentW: 500, parentH: 500, pieceW: 500, pieceH: 500 })?.cuts).toHaveLength(0);
    expect(cutLayout({ ...plan, pieceW: 5000, pieceH: 5000 })).toEqual({
      pieces: [],
      cuts: [],
      offcuts: [{ x: 0, y: 0, w: 2100, h: 2970 }],
    });
  });

  it("squares the first edges off before anything else", () => {
    const { cuts, pieces } = cutLayout({ ...plan, trimW: 50, trimH: 50 }) ?? { cuts: [], pieces: [] };
    expect(cuts.slice(0, 2).map((cut) => cut.from)).toEqual([
      [50, 0],
      [50, 50],
    ]);
    expect(Math.min(...pieces.map((piece) => piece.x))).toBe(50);
  });
});

const crate: CrateInput = {
  sessions: [{ id: "a session", heads: { model: "forecast", low: 20, likely: 34, high: 60 } }],
  grouping: { teamSize: 1, seats: 6, share: 0.6, rigServes: 12 },
  rebuilding: { buildBy: "builder", rate: 0.4, loops: 2 },
  target: 0.95,
  lines: [
    { id: "sticks", per: "builder", kind: "counted", amount: 12, perRebuild: 0.5, spoilRate: 0.06, price: 4, onHand: 0 },
    { id: "tape", per: "builder", kind: "measured", amount: 600, perRebuild: 0.5, spread: 0.35, step: 10, price: 0.2, onHand: 0 },
  ],
};

describe("what matters to a crate's cost", () => {
  it("is told widest first, each bar round the base, which is the manifest's own cost", () => {
    const { base, swings } = tornadoOf(crate);
    expect(base).toBeCloseTo(manifestOf(crate).cost, 6);
    const widths = swings.map(({ low, high }) => high - low);
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    for (const { low, high } of swings) expect([low <= base, high >= base]).toEqual([true, true]);
    expect(swings[0]?.factor).toBe("attendance");
  });

  it("never gets cheaper with more certainty, and one session twice as large costs more", () => {
    const costs = certaintyCurve(crate, [0.5, 0.8, 0.9, 0.95, 0.99]).map(([, cost]) => cost);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    const twice = { ...crate, sessions: crate.sessions.map((session) => ({ ...session, scale: 2 })) };
    expect(manifestOf(twice).cost / manifestOf(crate).cost).toBeGreaterThan(1.8);
    expect(certaintyCurve({ ...crate, lines: [] }, [0.9])).toEqual([[0.9, 0]]);
  });

  it("leaves out what can't vary", () => {
    const sure: CrateInput = { ...crate, rebuilding: { ...crate.rebuilding, rate: 0 }, lines: [{ ...crate.lines[1], spread: 0 } as never] };
    expect(
      tornadoOf(sure)
        .swings.filter(({ low, high }) => low === high)
        .map(({ factor }) => factor),
    ).toEqual(expect.arrayContaining(["rebuild", "spoil"]));
  });
});

describe("preparing", () => {
  const bag = { task: "bag", units: 60, setup: 0, batch: 60, each: 60 } as const;

  it("starts on the latest day that still has hours enough, and never on a closed one", () => {
    const days = [0, 1, 2, 3].map((day) => ({ day, people: 1, hours: day === 2 ? 0 : 0.5 }));
    expect(preparation([bag], days)).toMatchObject({ personHours: 1, latestStart: 1 });
    expect(preparation([{ ...bag, units: 30 }], days).latestStart).toBe(3);
    expect(preparation([{ ...bag, units: 120 }], days)).toMatchObject({ latestStart: null, shortHours: 0.5 });
  });

  it("cuts stacks at once", () => {
    const cut = { task: "cut", cuts: 3, sheets: 21, stack: 10, setup: 0, batch: 1, each: 10 } as const;
    expect(preparation([cut], []).seconds).toBe(3 * 3 * 10);
    expect(collectStart(20, 0, 5)).toBe(20);
  });
});
