import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type CrateInput, type CrateLine, manifestOf } from "../src/index.ts";
import { commonRank } from "../src/kit/crate/serviceLevel.ts";
import { drawLine } from "../src/kit/draws/demand.ts";
import { drawHeads } from "../src/kit/draws/heads.ts";
import { runDraws } from "../src/kit/draws/sessionDraws.ts";
import { unitsFor } from "../src/kit/draws/units.ts";

const sticks: CrateLine = {
  id: "sticks",
  per: "builder",
  kind: "counted",
  amount: 12,
  perRebuild: 0.5,
  spoilRate: 0.06,
  price: 4,
  onHand: 300,
};
const tape: CrateLine = {
  id: "tape",
  per: "builder",
  kind: "measured",
  amount: 450,
  perRebuild: 0.6,
  spread: 0.45,
  step: 10,
  price: 0.2,
  onHand: 1e6,
};
const scissors: CrateLine = { id: "scissors", per: "table", kind: "reusable", share: 1, unitsPerItem: 1, loss: 1.5, price: 260, onHand: 3 };

const crate = (patch: Partial<CrateInput> = {}): CrateInput => ({
  sessions: [{ id: "session-a", heads: { model: "forecast", low: 20, likely: 34, high: 60 } }],
  grouping: { teamSize: 2, seats: 6, share: 0.7, rigServes: 10 },
  rebuilding: { buildBy: "builder", rate: 0.4, loops: 2 },
  target: 0.95,
  lines: [sticks, tape, scissors],
  ...patch,
});

const quantities = (input: CrateInput): Record<string, number> =>
  Object.fromEntries(manifestOf(input).lines.map((line) => [line.id, line.quantity]));

describe("the manifest", () => {
  it("is the same for the same input, and another for another session", () => {
    expect(manifestOf(crate())).toEqual(manifestOf(crate()));
    expect(quantities(crate())).not.toEqual(
      quantities(crate({ sessions: [{ id: "session-b", heads: { model: "forecast", low: 20, likely: 34, high: 60 } }] })),
    );
  });

  it("adds up: base, rebuilds, spoilt and certainty make the quantity", () => {
    for (const line of manifestOf(crate()).lines)
      expect(line.base + line.rebuild + line.spoilt + line.certainty).toBeCloseTo(line.quantity, 6);
  });

  it("never asks for less when sure of more, when more rebuild, or when more come", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 0.97, noNaN: true }), fc.double({ min: 0, max: 0.8, noNaN: true }), (target, rate) => {
        const base = crate({ target, rebuilding: { buildBy: "builder", rate, loops: 2 }, draws: 800 });
        const [usual, surer] = [quantities(base), quantities({ ...base, target: target + 0.02 })];
        const again =
          manifestOf({ ...base, lines: [sticks], rebuilding: { buildBy: "builder", rate: rate + 0.1, loops: 2 } }).lines[0]?.quantity ?? 0;
        const before = manifestOf({ ...base, lines: [sticks] }).lines[0]?.quantity ?? 0;
        for (const id of Object.keys(usual)) expect(surer[id]).toBeGreaterThanOrEqual(usual[id] ?? 0);
        expect(again).toBeGreaterThanOrEqual(before);
      }),
      { numRuns: 25 },
    );
  });

  it("asks for no less when more is spoilt: the same random numbers throughout", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.5, noNaN: true }), fc.double({ min: 0.005, max: 0.2, noNaN: true }), (rate, more) => {
        const of = (spoilRate: number): number =>
          quantities(crate({ lines: [{ ...sticks, spoilRate }, tape], draws: 1500 }))["sticks"] ?? 0;
        // A crate's common rank moves with its other lines too: one in two hundred is the draws', not the rate's.
        expect(of(rate + more)).toBeGreaterThanOrEqual(of(rate) * 0.995);
      }),
      { numRuns: 40 },
    );
  });

  it.each([0.8, 0.95, 0.99])("at %f holds that share of crates it never saw: fresh draws", (target) => {
    const lines = [sticks, { ...tape, spread: 0.3 }, scissors, { ...sticks, id: "more", amount: 3, spoilRate: 0.2 }];
    const sized = quantities(crate({ target, lines }));
    const fresh = 20_000;
    const drawn = runDraws(
      crate({ lines, sessions: [{ id: "another day", heads: { model: "forecast", low: 20, likely: 34, high: 60 } }] }),
      fresh,
    );
    let covered = 0;
    for (let i = 0; i < fresh; i += 1) if (lines.every((line, l) => (drawn[l]?.draws[i] ?? 0) <= (sized[line.id] ?? 0))) covered += 1;
    const spread = Math.sqrt(target * (1 - target) * (1 / 4000 + 1 / fresh));
    expect(Math.abs(covered / fresh - target)).toBeLessThan(4 * spread + 0.004);
  });

  it("turning one line's dial leaves the draws of the others alone", () => {
    const turned: CrateLine = { ...tape, spread: 0.9 };
    const alone = (input: CrateInput): number | undefined => manifestOf(input).lines.find((line) => line.id === "sticks")?.alone;
    expect(alone(crate({ lines: [sticks, turned, scissors] }))).toBe(alone(crate()));
  });

  it("says what is short, in sheets where pieces are cut", () => {
    const card: CrateLine = {
      ...sticks,
      id: "card",
      amount: 2,
      onHand: 10,
      price: 46,
      cut: { parentW: 56_000, parentH: 40_000, pieceW: 8_000, pieceH: 48_000, rotate: true, kerf: 0, trimW: 0, trimH: 0 },
    };
    const line = manifestOf(crate({ lines: [card] })).lines[0];
    expect(line?.piecesPerParent).toBe(5);
    expect(line?.parents).toBe(Math.ceil((line?.quantity ?? 0) / 5));
    expect(line?.short).toBe((line?.parents ?? 0) - 10);
    expect(line?.cost).toBe((line?.parents ?? 0) * 46);
  });

  it("adds the sessions of a run up, but lets what comes back come back", () => {
    const two = crate({
      sessions: ["a", "b"].map((id) => ({ id, heads: { model: "signedUp", signedUp: 24, showRate: 1, walkIns: 0 } as const })),
      lines: [
        { ...sticks, spoilRate: 0 },
        { ...scissors, loss: 0 },
      ],
      rebuilding: { buildBy: "builder", rate: 0, loops: 0 },
    });
    expect(quantities(two)).toEqual({ sticks: 2 * 24 * 12, scissors: unitsFor("table", 24, two.grouping) });
  });

  it("is nothing for nobody", () => {
    const none = manifestOf(
      crate({ sessions: [{ id: "x", heads: { model: "signedUp", signedUp: 0, showRate: 1, walkIns: 0 } }], lines: [sticks, tape] }),
    );
    expect(none.lines.map((line) => line.quantity)).toEqual([0, 0]);
    expect(none.costPerBuilder).toBeNull();
  });

  it("splits builders between tiers", () => {
    const tiers = [
      { id: "free", share: 0.25 },
      { id: "kit", share: 0.75 },
    ];
    const certain = {
      rebuilding: { buildBy: "builder", rate: 0, loops: 0 } as const,
      sessions: [{ id: "t", heads: { model: "signedUp", signedUp: 400, showRate: 1, walkIns: 0 } as const }],
    };
    const lines = tiers.map(({ id }): CrateLine => ({ ...sticks, id, tier: id, amount: 1, spoilRate: 0 }));
    const manifest = manifestOf(crate({ ...certain, tiers, lines }));
    expect(manifest.lines.reduce((sum, line) => sum + line.base, 0)).toBeCloseTo(400, 6);
    expect(manifest.lines[0]?.base).toBeGreaterThan(96);
    expect(manifest.lines[0]?.base).toBeLessThan(104);
  });

  it("lets tables not rebuild: E[tables] · 3 / (1 − 0.2), whatever the rebuild rate", () => {
    const heads = drawHeads({ model: "signedUp", signedUp: 24, showRate: 0.85, walkIns: 3 }, "tables", 4000);
    const tables = heads.map((h) => Math.ceil(h / 6));
    const expected = (3 * tables.reduce((a, b) => a + b, 0)) / tables.length / 0.8;
    const used = drawLine(
      { id: "l", per: "table", kind: "counted", amount: 3, perRebuild: 1, spoilRate: 0.2 },
      tables,
      new Int32Array(4000),
      "tables",
    ).draws;
    expect(used.reduce((a, b) => a + b, 0) / used.length / expected).toBeCloseTo(1, 1);
  });
});

describe("the common rank", () => {
  it("covers at least the target, and at every draw it counts covered no line is short", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 40, maxLength: 40 }), { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (draws, target) => {
          const lines = draws.map((d, i) => ({ id: `l${i}`, draws: d, price: 1, step: 1 }));
          const level = commonRank(lines, target);
          const covered =
            draws[0]?.filter((_, i) => lines.every((line) => (line.draws[i] ?? 0) <= (level.quantities[line.id] ?? 0))).length ?? 0;
          expect(covered / 40).toBeGreaterThanOrEqual(target - 1e-9);
          expect(covered / 40).toBeGreaterThanOrEqual(level.covered - 1e-9);
          for (const line of lines) expect(level.quantities[line.id]).toBeGreaterThanOrEqual(level.alone[line.id] ?? 0);
        },
      ),
    );
  });
});
