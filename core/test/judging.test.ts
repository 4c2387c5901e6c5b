import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type Cure,
  cureWords,
  families,
  goalForShare,
  learnAmount,
  learnedBand,
  learnRebuild,
  learnSpoil,
  measurability,
  measurabilityWords,
  parseQuantity,
  rankingCertainty,
  reachOf,
  reachWords,
  showQuantity,
  startValues,
  type TestedBrief,
  timesIn100,
  unitById,
  units,
  unknownNames,
  unknownParts,
  withUnknownParts,
} from "../src/index.ts";
import { normalBelow } from "../src/numeric/normal.ts";

describe("reach", () => {
  const band = { mid: 2, factor: 2 };

  it("is a half at the middle, a tenth at the band's end, and more within more loops", () => {
    const at = (goal: number, loops = 0) => reachOf({ band, ratios: [], better: "more" }, goal, loops);
    expect(at(2).first).toBeCloseTo(0.5, 9);
    expect(at(4).first).toBeCloseTo(0.1, 6);
    expect(at(1).first).toBeCloseTo(0.9, 6);
    expect(at(2, 3).within).toBeGreaterThan(at(2, 1).within);
    expect(at(2, 0).within).toBeCloseTo(at(2).first, 6);
  });

  it("agrees with draws of a shared bias and a scatter of each build", () => {
    const s = Math.log(2) / 1.2815516 / Math.SQRT2;
    let [met, seed] = [0, 12345];
    const uniform = (): number => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return (seed + 0.5) / 4294967296;
    };
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const draws = 40_000;
    for (let i = 0; i < draws; i += 1) {
      const bias = s * normal();
      if ([0, 1, 2].some(() => 2 * Math.exp(bias + s * normal()) >= 3)) met += 1;
    }
    expect(reachOf({ band, ratios: [], better: "more" }, 3, 2).within).toBeCloseTo(met / draws, 2);
  });

  it("finds the goal for a share, either way round", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.constantFrom("more" as const, "less" as const),
        fc.integer({ min: 0, max: 5 }),
        (share, better, loops) => {
          const goal = goalForShare({ band, ratios: [1.2, 0.9], better }, share, loops) ?? 0;
          expect(reachOf({ band, ratios: [1.2, 0.9], better }, goal, loops).within).toBeCloseTo(share, 6);
        },
      ),
    );
    expect(goalForShare({ band: { mid: 0, factor: 2 }, ratios: [], better: "more" }, 0.5, 1)).toBeNull();
  });

  it("follows what results teach", () => {
    const full = { mid: 2, low: 1, high: 4, factor: 2 };
    const learned = learnedBand(full, [1.5, 1.5, 1.5]);
    expect(learned.mid).toBeGreaterThan(2);
    expect(learned.factor).toBeLessThan(2);
    expect(learned.high / learned.mid).toBeCloseTo(learned.factor, 12);
    expect(reachOf({ band, ratios: [1.5, 1.5, 1.5], better: "more" }, 3, 0).first).toBeGreaterThan(
      reachOf({ band, ratios: [], better: "more" }, 3, 0).first,
    );
  });

  it("says it in words", () => {
    expect(reachWords({ first: 0.534, within: 0.821 }, 2)).toBe(
      "About 53 in 100 should meet the goal with their first version, about 82 in 100 within 3.",
    );
    expect(reachWords({ first: 0, within: 0.999 }, 1)).toBe(
      "Hardly any should meet the goal with their first version, nearly all within 2.",
    );
    expect([timesIn100(0.34), timesIn100(0.999), timesIn100(0.001)]).toEqual(["34 times in 100", "nearly always", "hardly ever"]);
  });
});

describe("measurability", () => {
  const family = families.descent;
  const design = startValues(family.design);
  const brief: TestedBrief = {
    family,
    spec: startValues(family.spec),
    design,
    rival: { ...design, sizeM: 0.1 },
    trials: 3,
    instrument: "hand stopwatch",
    seen: null,
  };

  it("is better with more trials and with frames than by hand", () => {
    const by = (patch: Partial<TestedBrief>) => measurability({ ...brief, ...patch })?.chance ?? 0;
    expect(by({ trials: 9 })).toBeGreaterThan(by({ trials: 3 }));
    expect(by({ instrument: "frame count" })).toBeGreaterThan(by({}));
  });

  it("offers only cures that cure", () => {
    const told = measurability({ ...brief, rival: { ...design, sizeM: 0.15 }, trials: 2 });
    expect(told?.cures.length).toBeGreaterThan(0);
    for (const cure of told?.cures ?? []) {
      const cured = measurability({
        ...brief,
        rival: { ...design, sizeM: 0.15 },
        trials: cure.kind === "trials" ? cure.to : Math.max(2, cure.trials),
        instrument: cure.kind === "instrument" ? cure.what : brief.instrument,
        spec: cure.kind === "lever" ? { ...brief.spec, [cure.what]: cure.to } : brief.spec,
      });
      expect([cure.kind, (cured?.chance ?? 0) >= 0.8]).toEqual([cure.kind, true]);
    }
  });

  it("takes the scatter that was seen in place of a tenth", () => {
    const seen = measurability({ ...brief, seen: 0.5 });
    expect(seen?.sigma).toBeCloseTo(0.5, 9);
    expect(measurability({ ...brief, seen: 0.01 })?.sigmaDesign).toBe(0);
  });

  it("tells nothing from one trial, and nothing of designs that do the same", () => {
    const words = (patch: Partial<TestedBrief>): string => {
      const b = { ...brief, ...patch };
      const found = measurability(b);
      return found ? (measurabilityWords(found, b.trials, "metric")[0] ?? "") : "";
    };
    expect(words({ trials: 1 })).toContain("repeat it");
    expect(words({ rival: design })).toContain("predicted to do the same");
    expect(words({})).toContain("can hardly tell the two apart");
    expect(measurability({ ...brief, family: families.probe, spec: startValues(families.probe.spec) })).toBeNull();
  });

  it("puts each cure into words of the brief's own", () => {
    const lever: Cure = {
      kind: "lever",
      what: "heightM",
      words: "a drop",
      field: family.spec.find((f) => f.id === "heightM") as never,
      to: 3.6,
      trials: 5,
    };
    expect(cureWords(lever, 5, "metric")).toBe("From a drop of 3.6\u00a0m, 5 trials of each will do.");
    expect(cureWords({ ...lever, kind: "trials", to: 14 }, 3, "metric")).toBe("Make 14 trials of each in place of 3.");
  });
});

describe("ranking", () => {
  it("agrees with the closed form for two, and is a fair guess where nothing differs", () => {
    for (const within of [0.2, 1, 3]) {
      const rho = 1 / Math.sqrt(1 + within ** 2 / 3);
      const certainty = rankingCertainty({ entrants: 2, trials: 3, between: 1, within, scoredBy: "mean" }, "seed");
      expect(certainty).toBeCloseTo(0.5 + Math.asin(rho) / Math.PI, 1.8);
    }
    expect(rankingCertainty({ entrants: 8, trials: 3, between: 0, within: 1, scoredBy: "best" }, "seed")).toBe(1 / 8);
    expect(rankingCertainty({ entrants: 1, trials: 3, between: 1, within: 1, scoredBy: "median" }, "seed")).toBe(1);
  });

  it("is surer by the mean than by one best trial", () => {
    const by = (scoredBy: "mean" | "best" | "median"): number =>
      rankingCertainty({ entrants: 6, trials: 5, between: 1, within: 1.5, scoredBy }, "seed");
    expect(by("mean")).toBeGreaterThan(by("best"));
    expect(by("mean")).toBeGreaterThan(by("median") - 0.01);
  });
});

describe("learning", () => {
  it("moves from the default toward what sessions show, and narrows", () => {
    const few = learnSpoil(0.05, 3, 10);
    const many = learnSpoil(0.05, 300, 1000);
    expect(few.value).toBeGreaterThan(0.05);
    expect(many.interval[1] - many.interval[0]).toBeLessThan(few.interval[1] - few.interval[0]);
    expect(few.interval[0]).toBeLessThan(few.value);
    expect(learnRebuild(0.4, 2, []).value).toBeCloseTo(0.4, 12);
    expect(learnRebuild(0.4, 0, [{ units: 9, rebuilds: [] }]).value).toBeCloseTo(0.4, 12);
  });

  it("counts a fixed amount as three sessions", () => {
    const line = { kind: "counted", amount: 4, perRebuild: 0.5, rebuildRate: 0, loops: 0 } as const;
    expect(learnAmount(line, [{ putOut: 60, left: 0, units: 10, rebuilds: 0 }]).value).toBeCloseTo((3 * 4 + 6) / 4, 12);
  });
});

it("units come back as they went in, whichever they are typed in", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...units.filter((unit) => !/["']/.test(unit.id))),
      fc.integer({ min: 1, max: 99_999 }),
      (unit, hundredths) => {
        const read = parseQuantity(`${hundredths / 100} ${unit.id}`, { dimension: unit.dimension, defaultUnit: unit.id });
        expect(read.ok && read.si).toBeCloseTo((hundredths / 100) * unitById(unit.id).factor, 9);
      },
    ),
  );
  expect(showQuantity(Math.PI / 4, "angle")).toBe("45°");
  expect(showQuantity(3, "speed", "imperial")).toBe("9.84\u00a0ft/s");
  for (const [text, si] of [
    ["45°", Math.PI / 4],
    ["30 degrees", Math.PI / 6],
  ] as const)
    expect(parseQuantity(text, { dimension: "angle", defaultUnit: "deg" })).toMatchObject({ ok: true, si });
  expect(parseQuantity("36 km/h", { dimension: "speed", defaultUnit: "m/s" })).toMatchObject({ ok: true, si: 10 });
  expect(parseQuantity("3 m/s", { dimension: "length", defaultUnit: "m" })).toEqual({ ok: false, reason: "wrong dimension" });
});

describe("parts that are not known", () => {
  const known = { title: "a", list: [{ id: "x", words: "one" }], inside: { n: 1 } };
  const given = {
    title: "b",
    list: [
      { id: "y", more: 1 },
      { id: "x", words: "two", more: [1, 2] },
    ],
    inside: { n: 2, m: { deep: true } },
    top: null,
  };

  it("are found, named, and laid back in without touching what is known", () => {
    const parts = unknownParts(given, known);
    expect(unknownNames(parts, known)).toEqual(["list.x.more", "inside.m", "top"]);
    expect(withUnknownParts(known, parts)).toEqual({
      title: "a",
      list: [{ id: "x", words: "one", more: [1, 2] }],
      inside: { n: 1, m: { deep: true } },
      top: null,
    });
    expect(unknownParts(known, known)).toBeNull();
    expect(withUnknownParts(known, null)).toBe(known);
  });
});

it("the normal's distribution function keeps its known values", () => {
  expect(normalBelow(0)).toBe(0.5);
  expect(normalBelow(1.959963984540054)).toBeCloseTo(0.975, 14);
  expect(normalBelow(-40)).toBe(0);
});
