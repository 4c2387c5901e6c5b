import { describe, expect, it } from "vitest";
import { weakestShare } from "../src/family/span/joints.ts";
import { families, learnedBand, likeness, startValues } from "../src/index.ts";
import { normalQuantile } from "../src/random/normal.ts";
import { seedOf, uniformAt } from "../src/random/stream.ts";

const { span } = families;
const truss = { ...startValues(span.design), form: "truss", stick: "paper-straw", joint: "band" };
const spec = { ...startValues(span.spec), gapM: 0.25, loadKg: 0.2 };

describe("the weakest of several joints", () => {
  it("is, in the middle, as strong as draws say", () => {
    const seed = seedOf("joints");
    const draws = 20_000;
    for (const joints of [1, 4, 8]) {
      const share = weakestShare(joints, 3);
      let below = 0;
      for (let draw = 0; draw < draws; draw += 1) {
        const strengths = Array.from({ length: joints }, (_, i) => 3 ** (normalQuantile(uniformAt(seed, draw, i)) / 1.2815516));
        if (Math.min(...strengths) < share) below += 1;
      }
      expect(below / draws).toBeCloseTo(0.5, 1);
    }
    expect(weakestShare(1, 3)).toBeCloseTo(1, 9);
    expect(weakestShare(8, 3)).toBeCloseTo(0.305, 2);
  });

  it("bounds a truss that is predicted, and what a well made one holds is not called rare", () => {
    const band = span.predict(spec, truss).find(({ id }) => id === "load")?.band;
    const [, rare] = span.bounds("load", spec, truss, 0).soft;
    const wellMade = (band?.mid ?? 0) / weakestShare(8, 3);
    expect(wellMade).toBeGreaterThan(3 * (band?.mid ?? 0));
    expect(rare).toBeCloseTo(wellMade * 2.5 ** 2, 3);
  });
});

describe("a deck that is expected to give way", () => {
  const said = (loadKg: number) => {
    const scene = span.drawing({ ...spec, loadKg }, truss);
    const load = scene.marks.find((mark) => mark.kind === "block" && mark.role === "load");
    return { words: scene.marks.flatMap((mark) => (mark.kind === "note" ? [mark.words] : [])), y: load?.kind === "block" ? load.y : null };
  };

  it("is not drawn with its load on it", () => {
    expect(said(0.1).words).toContain("sags about {}");
    const failing = said(3);
    expect(failing.words).toContain("gives way before {}");
    // Down by the whole height of the deck: on the floor, but for the deck's own depth.
    expect((said(0.1).y ?? 0) - (failing.y ?? 0)).toBeGreaterThan(0.1);
    expect(span.drawing({ ...spec, loadKg: 3 }, truss).motion?.told.words).toBe("Under {} it gives way and goes down to the floor.");
  });
});

describe("what a checked result teaches", () => {
  const at = (patch: object, design: object = {}) => ({ spec: { ...spec, ...patch }, design: { ...truss, ...design } });

  it("weighs by how alike the builds are in numbers that stand for them, the goal apart", () => {
    expect(likeness(span, at({}), at({}))).toBe(1);
    expect(likeness(span, at({}), at({ loadKg: 2 }))).toBe(1);
    expect(likeness(span, at({}), at({ gapM: 0.5 }))).toBeCloseTo(Math.exp(-0.5), 12);
    expect(likeness(span, at({}), at({}, { trussDepthM: 0.12, spacingM: 0.03 }))).toBeLessThan(0.5);
    // A number of another form says nothing here.
    expect(likeness(span, at({}), at({}, { brickLayers: 6 }))).toBe(1);
  });

  it("moves the middle by its weight", () => {
    const band = { mid: 1, low: 0.4, high: 2.5, factor: 2.5 };
    const half = learnedBand(band, [
      { ratio: 2, weight: 0.5 },
      { ratio: 2, weight: 0.5 },
    ]);
    expect(half.mid).toBeCloseTo(learnedBand(band, [2]).mid, 12);
    expect(half.factor).toBeCloseTo(learnedBand(band, [2]).factor, 12);
    expect(learnedBand(band, [{ ratio: 2, weight: 0 }])).toMatchObject({ mid: 1, factor: 2.5 });
  });
});
