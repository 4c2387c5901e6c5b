import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fallTime, impactSpeed } from "../src/family/descent/fall.ts";
import { touchSpeed } from "../src/family/landing/impact.ts";
import { families, startValues } from "../src/index.ts";

const { landing } = families;
const spec = { ...startValues(landing.spec), goalM: 1.6, lastM: 4 };
const bandOf = (design: object, id: string, of = spec) =>
  landing.predict(of, { ...startValues(landing.design), ...design }).find((p) => p.id === id)?.band;

describe("landing under a canopy", () => {
  it("touches down at the speed of the fall model, and the cargo is held against the drop that gives that speed without air", () => {
    const design = { canopy: "square", canopyM: 0.3, fallingKg: 0.08 };
    const speed = impactSpeed({ massKg: 0.08, areaM2: 0.09, drag: 0.75 }, 1.6);
    expect(bandOf(design, "speed")?.mid).toBeCloseTo(speed, 9);
    const equal = speed ** 2 / (2 * 9.80665);
    expect(bandOf(design, "peak")?.mid).toBeCloseTo(bandOf({}, "peak", { ...spec, goalM: equal })?.mid ?? 0, 6);
    // From its real greatest height it arrives as fast as a bare build does from its own.
    const real = bandOf({ ...design, paddingM: 0.04 }, "survived")?.mid ?? 0;
    const bare = bandOf({ paddingM: 0.04 }, "survived")?.mid ?? 0;
    expect(impactSpeed({ massKg: 0.08, areaM2: 0.09, drag: 0.75 }, real)).toBeCloseTo(touchSpeed(bare), 9);
  });

  it("comes through from no less than a bare build, from more the larger it is, and from any height once it never falls too fast", () => {
    const sizes = fc.tuple(fc.double({ min: 0.1, max: 1.4, noNaN: true }), fc.double({ min: 0.01, max: 0.1, noNaN: true }));
    fc.assert(
      fc.property(sizes, ([canopyM, more]) => {
        const at = (across: number) => bandOf({ canopy: "round", canopyM: across }, "survived")?.mid ?? 0;
        const bare = bandOf({}, "survived")?.mid ?? 0;
        expect(at(canopyM)).toBeGreaterThanOrEqual(Math.min(bare, 8) - 1e-9);
        expect(at(canopyM + more)).toBeGreaterThanOrEqual(at(canopyM) - 1e-9);
        expect(at(canopyM)).toBeLessThanOrEqual(8);
      }),
    );
    expect(bandOf({ canopy: "round", canopyM: 1.4 }, "survived")?.mid).toBe(8);
  });
});

describe("the drawing of a landing under a canopy", () => {
  it("falls as long as the fall model says, with its canopy, and ends on the floor", () => {
    const design = { ...startValues(landing.design), canopy: "square", canopyM: 0.3, fallingKg: 0.08 };
    const { marks, motion } = landing.drawing(spec, design);
    const { motion: bare, marks: bareMarks } = landing.drawing(spec, startValues(landing.design));
    const fall = fallTime({ massKg: 0.08, areaM2: 0.09, drag: 0.75 }, 1.6);
    expect(motion?.told.fill?.[0]?.[0]).toBeCloseTo(fall, 9);
    expect(bare?.told.fill?.[0]?.[0]).toBeCloseTo(Math.sqrt(3.2 / 9.80665), 9);
    expect(marks.length).toBe(bareMarks.length + 3);
    const moving = motion?.at(fall / 2) ?? [];
    expect([motion?.replaces, moving.length]).toEqual([[0, 1, 2, 3, 4], 5]);
    const [block] = motion?.at(fall - 1e-6) ?? [];
    expect(block?.kind === "block" ? block.y : null).toBeCloseTo(0, 3);
  });
});
