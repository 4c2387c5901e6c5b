import { describe, expect, it } from "vitest";
import { applies, families, familyIds, type Grip, startValues } from "../src/index.ts";

const fieldOf = (id: (typeof familyIds)[number], grip: Grip) => families[id][grip.of].find((field) => field.id === grip.field);

describe.each(familyIds)("what can be taken hold of in the drawing of %s", (id) => {
  const family = families[id];
  const [spec, design] = [startValues(family.spec), startValues(family.design)];
  const grips = family.drawing(spec, design).grips ?? [];

  it("is a number that stands, in the picture, and lies further that way when there is more of it", () => {
    for (const grip of grips) {
      const field = fieldOf(id, grip);
      expect(field?.kind, grip.field).toBe("number");
      if (field?.kind !== "number") continue;
      expect(applies(field.when, { ...spec, ...design }), grip.field).toBe(true);
      expect(Math.hypot(...grip.toward)).toBeCloseTo(1, 9);
      const values = grip.of === "spec" ? spec : design;
      const more = { ...values, [grip.field]: Number(values[grip.field]) + field.step };
      const scene = family.drawing(grip.of === "spec" ? more : spec, grip.of === "design" ? more : design);
      const moved = scene.grips?.find((other) => other.field === grip.field && other.of === grip.of);
      const along = (moved?.at ?? [0, 0]).map((m, i) => (m - (grip.at[i] ?? 0)) * (grip.toward[i] ?? 0)).reduce((a, b) => a + b, 0);
      expect(along, grip.field).toBeGreaterThan(0);
    }
  });

  it("is inside the picture", () => {
    const { width, height } = family.drawing(spec, design);
    for (const { at } of grips) expect([at[0] >= 0, at[0] <= width, at[1] >= 0, at[1] <= height]).toEqual([true, true, true, true]);
  });
});

describe("grips that are known", () => {
  const gripOf = (id: (typeof familyIds)[number], field: string, patch: object = {}): Grip => {
    const family = families[id];
    const found = family
      .drawing({ ...startValues(family.spec), ...patch }, { ...startValues(family.design), ...patch })
      .grips?.find((grip) => grip.field === field);
    if (!found) throw new Error(`${id} has no grip ${field}`);
    return found;
  };

  it("a gap of 40 cm ends 40 cm beyond its left edge; an arm at 90° is turned sideways", () => {
    expect(gripOf("span", "gapM", { gapM: 0.4 }).perM).toBe(1);
    const up = gripOf("launch-band", "angle", { angle: Math.PI / 2 - 0.2 });
    expect(up.toward[0]).toBeCloseTo(-Math.sin(Math.PI / 2 - 0.2), 9);
    expect(up.toward[1]).toBeCloseTo(Math.cos(Math.PI / 2 - 0.2), 9);
  });

  it("a slope is steeper further down, by its own part and no other", () => {
    const family = families.roll;
    const grips = family.drawing(startValues(family.spec), startValues(family.design)).grips ?? [];
    expect(grips.map(({ field }) => field)).toEqual(["slope1", "slope3", "slope5"]);
    for (const { toward } of grips) expect(toward[1]).toBeLessThan(0);
  });
});
