import { describe, expect, it } from "vitest";
import { driveScene } from "../src/family/drive/drawing.ts";
import {
  allotted,
  type BuyCrate,
  clearest,
  type FindingEntry,
  families,
  manifestOf,
  packingOf,
  runFindings,
  seasonUseOf,
  startValues,
  takenBefore,
} from "../src/index.ts";

const crate = (id: string, needBy: number, needs: Record<string, number>, patch: Partial<BuyCrate> = {}): BuyCrate => ({
  id,
  needBy,
  needs,
  out: { from: 100 * needBy, to: 100 * needBy + 50 },
  ...patch,
});

describe("what comes back", () => {
  const goggles = { id: "goggles", onHand: 12, reusable: true };
  const crates = [
    crate("one", 1, { goggles: 10 }, { losses: { goggles: 3 } }),
    crate("two", 2, { goggles: 10 }, { losses: { goggles: 2 } }),
    crate("three", 3, { goggles: 10 }),
  ];

  it("is less by all that was lost before: three of twelve leave nine for ten, and what was bought for it stays", () => {
    expect(allotted(goggles, crates).crates).toEqual([
      { crate: "one", need: 10, stock: 10, bought: 0, lent: 0, lacks: 0, taken: 0 },
      { crate: "two", need: 10, stock: 9, bought: 1, lent: 0, lacks: 0, taken: 3 },
      // Twelve less five lost, and the one bought before.
      { crate: "three", need: 10, stock: 7, bought: 2, lent: 1, lacks: 0, taken: 5 },
    ]);
    expect(seasonUseOf(goggles, crates)).toEqual({ due: 0, asked: 15, short: 3 });
  });

  it("that is out with another crate is not there, whatever was lost of it", () => {
    const [one, two, three] = crates as [BuyCrate, BuyCrate, BuyCrate];
    const together = [one, { ...two, out: { from: 120, to: 150 } }, three];
    expect(allotted(goggles, together).crates.map((p) => p.bought)).toEqual([0, 8, 0]);
    expect(takenBefore(goggles, three, together)).toBe(5);
  });
});

describe("what is used up", () => {
  it("is bought for whoever lacks it, so that an earlier crate's lack takes nothing from a later one's stock", () => {
    const card = { id: "card", onHand: 10, arrivals: [{ day: 5, amount: 20 }] };
    const crates = [crate("one", 1, { card: 15 }), crate("two", 5, { card: 15 }), crate("three", 6, { card: 9 })];
    expect(allotted(card, crates).crates).toEqual([
      { crate: "one", need: 15, stock: 10, bought: 5, lent: 0, lacks: 0, taken: 0 },
      { crate: "two", need: 15, stock: 15, bought: 0, lent: 0, lacks: 0, taken: 10 },
      { crate: "three", need: 9, stock: 5, bought: 4, lent: 0, lacks: 0, taken: 25 },
    ]);
    expect(takenBefore(card, crates[1] as BuyCrate, crates)).toBe(10);
    expect(takenBefore(card, crates[2] as BuyCrate, crates)).toBe(25);
  });
});

describe("bags shared out over tiers", () => {
  const lines = ["all", "few"].map((id) => ({
    id,
    per: "builder" as const,
    kind: "counted" as const,
    amount: 1,
    perRebuild: 0,
    spoilRate: 0,
    price: 1,
    onHand: 0,
    ...(id === "few" ? { tier: "a" } : {}),
  }));
  const bagsFor = (heads: number, tiers: readonly { id: string; share: number }[]) => {
    const input = {
      sessions: [{ id: "s", heads: { model: "signedUp" as const, signedUp: heads, showRate: 1, walkIns: 0 } }],
      grouping: { teamSize: 1, seats: 6, share: 1, rigServes: 10 },
      rebuilding: { buildBy: "builder" as const, rate: 0, loops: 0 },
      target: 0.95,
      lines,
      tiers,
    };
    return packingOf({ lines, manifest: manifestOf(input), buildBy: "builder", teamSize: 1, tiers }).bags.map((bag) => [
      bag.tier,
      bag.count,
    ]);
  };

  it("go to the largest remainders first, and what no tier takes is a bag of none", () => {
    // 10 × 0.26 = 2.6, 10 × 0.26 = 2.6, 10 × 0.38 = 3.8, and 0.1 of ten for nobody.
    const tiers = [
      { id: "a", share: 0.26 },
      { id: "b", share: 0.26 },
      { id: "c", share: 0.38 },
    ];
    expect(bagsFor(10, tiers)).toEqual([
      ["a", 3],
      ["b", 2],
      ["c", 4],
      [null, 1],
    ]);
    expect(bagsFor(10, [{ id: "a", share: 1 }])).toEqual([["a", 10]]);
    expect(bagsFor(3, [{ id: "a", share: 0.5 }])).toEqual([
      ["a", 2],
      [null, 1],
    ]);
  });
});

describe("findings", () => {
  const family = families.descent;
  const spec = { ...startValues(family.spec), goalS: 1.5 };
  const version = (number: number, values: readonly number[], sizeM: number, role: "build" | "control" = "build") => ({
    number,
    role,
    variables: role === "control" ? {} : { kind: "spinner", sizeM },
    place: "indoors",
    instrument: "hand stopwatch",
    trials: values.map((value) => ({ kind: "number", value }) as const),
  });
  const entry = (alias: string, versions: FindingEntry["versions"]): FindingEntry => ({ id: alias, alias, versions });

  it("take the best later version for how much somebody improved, not the last", () => {
    const of = entry("Misty Heron", [version(1, [1], 0.06), version(2, [1.6], 0.08), version(3, [1.2], 0.1)]);
    expect(runFindings(family, spec, [of]).builders[0]).toMatchObject({
      first: { low: 1, high: 1 },
      last: { low: 1.2, high: 1.2 },
      best: { low: 1.6, high: 1.6 },
      change: "better",
      improved: 1.6,
    });
  });

  it("never show the bare test against the first build as the clearest, however clear it is", () => {
    const bare = entry("Calm Otter", [version(1, [0.6, 0.61, 0.6], 0, "control"), version(2, [1.6, 1.61, 1.6], 0.08)]);
    const fair = entry("Damp Newt", [version(1, [1.2, 1.5], 0.06), version(2, [1.3, 1.7], 0.08)]);
    const { comparisons } = runFindings(family, spec, [bare, fair]);
    expect(comparisons.find((c) => c.control)?.result.numbers?.welch.word).toBe("helps");
    expect(clearest(comparisons)?.alias).toBe("Damp Newt");
    expect(clearest(comparisons.filter((c) => c.control))).toBeNull();
  });
});

describe("a sail cart that hardly moves", () => {
  const spec = { ...startValues(families.drive.spec), drive: "sail", best: "far", wind: 0.5, windKind: "fan", goalM: 0.5 };
  const design = {
    ...startValues(families.drive.design),
    massKg: 0.0374421667,
    axles: "poor",
    bands: 1,
    turns: 1,
    axleM: 0.002,
    wheelM: 0.02,
    sailM: 0.47343,
  };

  it("stops where it has crept to, and that is predicted, though it was never faster than a creep", () => {
    const [distance] = families.drive.predict(spec, design);
    expect(distance?.id).toBe("distance");
    expect(distance?.band.mid).toBeCloseTo(0.0965, 3);
  });

  it("is not said to take no time where it doesn't get there", () => {
    const lane = {
      kind: "sail",
      goalM: 5,
      wheelM: 0.05,
      sailM: 0.3,
      rampM: 0.1,
      runM: 0.4,
      rolling: 0.05,
      sailing: null,
      footSpeed: 0,
    } as const;
    const said = (timeS: number | null) =>
      driveScene({ ...lane, distance: null, timeS }).marks.find((mark) => mark.kind === "note" && mark.tone === "predicted");
    expect(said(null)).toMatchObject({ words: "does not get there" });
    expect(said(null)).not.toHaveProperty("fill");
    expect(said(4)).toMatchObject({ words: "there after {}", fill: [[4, "time"]] });
  });
});
