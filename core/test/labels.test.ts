import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Label, placeLabels } from "../src/index.ts";

const label = (key: string, x: number, width: number, align: Label["align"] = "middle"): Label => ({ key, x, width, align });
const lefts = (labels: readonly Label[], to = 500) => Object.fromEntries(placeLabels(labels, 0, to).map((p) => [p.key, [p.left, p.lane]]));

describe("words along a line", () => {
  it("stand where they belong while there is room, and inside the line", () => {
    expect(lefts([label("a", 100, 40), label("b", 200, 40, "start"), label("c", 300, 40, "end")])).toEqual({
      a: [80, 0],
      b: [200, 0],
      c: [260, 0],
    });
    expect(lefts([label("first", 5, 40), label("last", 498, 60)])).toEqual({ first: [0, 0], last: [440, 0] });
  });

  it("give way a little, and go to the next lane where that is not enough", () => {
    expect(lefts([label("a", 100, 40, "start"), label("b", 130, 40, "start")])).toEqual({ a: [100, 0], b: [148, 0] });
    expect(lefts([label("a", 100, 80, "start"), label("b", 130, 40, "start")])).toEqual({ a: [100, 0], b: [130, 1] });
    expect(lefts([label("a", 400, 80, "start"), label("b", 470, 30, "start")])).toEqual({ a: [400, 0], b: [470, 1] });
  });

  it("never lie on each other, never leave the line, and never stray from their points", () => {
    const any = fc.array(
      fc.record({
        x: fc.integer({ min: -50, max: 1050 }),
        width: fc.integer({ min: 10, max: 220 }),
        align: fc.constantFrom("start", "middle", "end"),
      }),
      { maxLength: 14 },
    );
    fc.assert(
      fc.property(any, (drawn) => {
        const labels = drawn.map((of, i) => ({ key: `${i}`, ...of }) as Label);
        const placed = placeLabels(labels, 0, 1000);
        expect(placed.map((p) => p.key).sort()).toEqual(labels.map((l) => l.key).sort());
        const boxes = placed.map((p) => ({ ...p, right: p.left + (labels.find((l) => l.key === p.key)?.width ?? 0) }));
        for (const box of boxes) expect([box.left >= 0, box.right <= 1000]).toEqual([true, true]);
        for (const [i, a] of boxes.entries())
          for (const b of boxes.slice(i + 1)) if (a.lane === b.lane) expect(a.right + 8 <= b.left || b.right + 8 <= a.left).toBe(true);
        for (const box of boxes) {
          const { x, width, align } = labels.find((l) => l.key === box.key) as Label;
          const wanted = x - (align === "start" ? 0 : align === "middle" ? width / 2 : width);
          expect(Math.abs(box.left - Math.max(0, Math.min(wanted, 1000 - width)))).toBeLessThanOrEqual(30);
        }
      }),
    );
  });
});
