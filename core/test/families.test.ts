import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fallTime, freeFallTime, impactSpeed, terminalSpeed } from "../src/family/descent/fall.ts";
import { bestBoxVolume, greatestLoad, hullVolume, loadBound, metacentricHeight } from "../src/family/float/hull.ts";
import { collapse, hold, sag } from "../src/family/span/structure.ts";
import { calibration, families, familyIds, startValues, valueErrors, versionBounds } from "../src/index.ts";
import { units } from "../src/quantity/units.ts";
import { anyBrief } from "./anyBrief.ts";

describe.each(familyIds.map((id) => [id, families[id]] as const))("family %s", (_, family) => {
  it("starts with values of its own ranges", () => {
    expect(valueErrors(startValues(family.spec), family.spec)).toEqual({});
    expect(valueErrors(startValues(family.design), family.design)).toEqual({});
  });

  it("takes the ends of every ruler, in whatever unit they were set", () => {
    for (const fields of [family.spec, family.design])
      for (const field of fields) {
        if (field.kind !== "number") continue;
        for (const { factor } of units.filter(({ dimension }) => dimension === field.dimension))
          for (const end of [field.min, field.max]) {
            const typed = Number((end / factor).toPrecision(10)) * factor;
            expect([field.id, valueErrors({ [field.id]: typed }, fields)]).toEqual([field.id, {}]);
          }
      }
  });

  it("predicts finite bands in order, and draws them, whatever its numbers", () => {
    fc.assert(
      fc.property(anyBrief(family), ([spec, design]) => {
        for (const { band, id } of family.predict(spec, design)) {
          expect([id, Number.isFinite(band.mid) && Number.isFinite(band.low) && Number.isFinite(band.high)]).toEqual([id, true]);
          expect(band.low).toBeLessThanOrEqual(band.high);
        }
        const scene = family.drawing(spec, design);
        expect(scene.width > 0 && scene.height > 0).toBe(true);
        const points = scene.marks.flatMap((mark) =>
          mark.kind === "path" ? mark.points.flat() : mark.kind === "block" ? [mark.x, mark.y, mark.w, mark.h] : [],
        );
        expect(points.every(Number.isFinite)).toBe(true);
      }),
    );
  });

  it("calls the middle of a prediction possible, and nothing merely rare that is impossible", () => {
    fc.assert(
      fc.property(anyBrief(family), ([spec, design]) => {
        const [measure] = family.measures(spec);
        const mid = family.predict(spec, design).find((p) => p.id === measure.id)?.band.mid ?? null;
        const version = { role: "build", variables: {}, place: null, trials: [] } as const;
        const { hard, soft } = versionBounds(family, spec, design, version, measure.instruments[0] ?? "");
        const whole = measure.dimension === "count" ? 0.5 : 0;
        if (mid !== null) expect(mid).toBeLessThanOrEqual(hard[1] * (1 + 1e-9) + whole);
        // What the family says can't work is predicted as nothing, and nothing is no time that can be measured.
        if (mid !== null && family.cannot(spec, design) === null) expect(mid).toBeGreaterThanOrEqual(hard[0] - whole);
        expect(soft[0]).toBeGreaterThanOrEqual(hard[0]);
        expect(soft[1]).toBeLessThanOrEqual(hard[1]);
      }),
    );
  });

  it("ends every list of cautions by deferring to the venue, and names what the crate holds", () => {
    const list = family.cautions(startValues(family.spec), { youngestAge: 2, allergens: ["wheat"], smallParts: true, latex: true });
    expect(list.at(-1)?.id).toBe("venue");
    expect(list.map((c) => c.id)).toEqual(expect.arrayContaining(["small-parts", "latex", "allergen-wheat", "hands", "not-eaten"]));
    expect(list.find((c) => c.id === "small-parts")?.words).toContain("out of reach of children under three");
  });
});

describe("roll", () => {
  it("is not called impossible where the track ends above the cup", () => {
    const roll = families.roll;
    const spec = { ...startValues(roll.spec), startM: 1 };
    const design = { ...startValues(roll.design), kind1: "drop", drop1: 0.04, kind2: "none", kind3: "none", kind4: "none", kind5: "none" };
    const [measure] = roll.measures(spec);
    const mid = roll.predict(spec, design).find((p) => p.id === measure.id)?.band.mid ?? 0;
    const version = { role: "build", variables: {}, place: null, trials: [] } as const;
    expect(mid).toBeGreaterThanOrEqual(versionBounds(roll, spec, design, version, "stopwatch").hard[0]);
  });
});

describe("span", () => {
  const flat = { form: "flat", gapM: 0.2, widthM: 0.2, sheets: 4, thicknessM: 0.0001, stiffnessPa: 3.5e9, bendingPa: 12e6 } as const;

  it("gluing n sheets makes n² of the stiffness and n of the strength of loose ones", () => {
    const bonded = { ...flat, form: "flat-bonded" } as const;
    expect((sag(flat, 0.01) ?? 0) / (sag(bonded, 0.01) ?? 1)).toBeCloseTo(16, 9);
    expect(collapse(bonded) / collapse(flat)).toBeCloseTo(4, 9);
  });

  it("holds what sags to an eighth of the gap, and never less than nothing", () => {
    const held = hold(flat, 0.15);
    expect(sag(flat, held)).toBeCloseTo(0.2 / 8, 9);
    expect(hold({ ...flat, gapM: 1.2, selfMassKg: 5 })).toBe(0);
  });
});

describe("float", () => {
  it("has its best box at a wall of a sixth", () => {
    for (const wallM of [0.02, 0.03, 0.04]) expect(hullVolume({ form: "box", sideM: 0.2, wallM })).toBeLessThan(bestBoxVolume(0.2));
    expect(hullVolume({ form: "box", sideM: 0.18, wallM: 0.03 })).toBeCloseTo(bestBoxVolume(0.18), 12);
  });

  it("bounds every box by what a half-sphere of that area could carry", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.4, noNaN: true }),
        fc.double({ min: 0.02, max: 0.45, noNaN: true }),
        (sideM, part) => loadBound({ form: "box", sideM, wallM: sideM * part }, 0.002) <= greatestLoad(sideM, 0.002),
      ),
    );
  });

  it("tips sooner with the load held higher", () => {
    const box = { sideM: 0.2, wallM: 0.05, hullKg: 0.002, loadKg: 0.2 };
    expect(metacentricHeight({ ...box, loadHeightM: 0.04 })).toBeLessThan(metacentricHeight({ ...box, loadHeightM: 0.004 }));
  });
});

describe("descent", () => {
  const light = { massKg: 0.0003, areaM2: 0.4, drag: 0.75 };

  it("agrees with stepping the equation of motion", () => {
    const faller = { massKg: 0.012, areaM2: 0.16, drag: 0.75 };
    let [t, v, fallen] = [0, 0, 0];
    const dt = 1e-5;
    while (fallen < 2) {
      const a = 9.80665 * (1 - (v / terminalSpeed(faller)) ** 2);
      fallen += v * dt + (a * dt * dt) / 2;
      v += a * dt;
      t += dt;
    }
    expect(fallTime(faller, 2)).toBeCloseTo(t, 3);
    expect(impactSpeed(faller, 2)).toBeCloseTo(v, 3);
  });

  it("is never faster than free fall and goes to both limits", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 5, noNaN: true }),
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        (massKg, h) => fallTime({ massKg, areaM2: 0.1, drag: 1 }, h) >= freeFallTime(h) * (1 - 1e-12),
      ),
    );
    expect(fallTime({ massKg: 1e6, areaM2: 0.001, drag: 1 }, 2)).toBeCloseTo(freeFallTime(2), 9);
    const v = terminalSpeed(light);
    expect(fallTime(light, 9)).toBeCloseTo(9 / v + (Math.LN2 * v) / 9.80665, 6);
  });
});

describe("calibration", () => {
  it("narrows with every checked result and moves toward what they say", () => {
    const one = calibration(2.5, [2]);
    const ten = calibration(
      2.5,
      Array.from({ length: 10 }, () => 2),
    );
    expect(one.factor).toBeCloseTo(Math.SQRT2, 12);
    expect(ten.factor).toBeGreaterThan(one.factor);
    expect(ten.f).toBeLessThan(one.f);
    expect(calibration(2.5, [])).toEqual({ factor: 1, f: 2.5 });
  });
});

it("a track that is a bump alone has no length: it is said to be none, not to take no time", () => {
  const { roll } = families;
  const design = { ...startValues(roll.design), kind1: "none", kind2: "bump", kind3: "none", kind4: "none", kind5: "none", kind6: "none" };
  const spec = { aim: "finish", goalS: 0.5, ball: "marble-16", startM: 0.05, parts: 1 };
  expect(roll.cannot(spec, design)?.words).toMatch(/no length/);
});
