import { describe, expect, it } from "vitest";
import { type PhotoRulerInput, type PictureEnds, photoLength } from "../src/index.ts";

const line = (x: number, y: number, long: number, degrees = 0): PictureEnds => {
  const turn = (degrees * Math.PI) / 180;
  return [
    { x, y },
    { x: x + long * Math.cos(turn), y: y + long * Math.sin(turn) },
  ];
};

const base: PhotoRulerInput = {
  known: line(100, 700, 780),
  knownM: 0.3,
  knownOffM: 0,
  claimed: line(300, 400, 260),
  endOff: 2,
  depth: "same",
};

describe("a length read off a picture", () => {
  it("is the known length by the ratio of their distances, whichever way the lines run", () => {
    expect(photoLength(base)?.si).toBeCloseTo(0.1, 12);
    const [a, b] = base.claimed;
    expect(photoLength({ ...base, claimed: [b, a] })?.si).toBeCloseTo(0.1, 12);
    expect(photoLength({ ...base, claimed: line(300, 400, 260, 25) })?.si).toBeCloseTo(0.1, 12);
  });

  it("is as far off as drawing its ends at random makes it, 19 times in 20", () => {
    const [endOff, knownOffM] = [4, 0.001];
    const found = photoLength({ ...base, endOff, knownOffM });
    let state = 42;
    const uniform = (): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return (state + 0.5) / 2 ** 32;
    };
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const moved = ([a, b]: PictureEnds): number =>
      Math.hypot(b.x - a.x + endOff * (normal() - normal()), b.y - a.y + endOff * (normal() - normal()));
    const draws = Array.from({ length: 20_000 }, () => ((0.3 + knownOffM * normal()) * moved(base.claimed)) / moved(base.known));
    const within = draws.filter((length) => Math.abs(length - 0.1) <= (found?.off ?? 0)).length / draws.length;
    expect(within).toBeGreaterThan(0.94);
    expect(within).toBeLessThan(0.96);
  });

  it("is worse by a shorter line, a rougher hand, a rougher ruler", () => {
    const off = (patch: Partial<PhotoRulerInput>): number => photoLength({ ...base, ...patch })?.off ?? Number.NaN;
    expect(off({ known: line(100, 700, 200), knownM: (0.3 * 200) / 780 })).toBeGreaterThan(off({}));
    expect(off({ endOff: 4 })).toBeCloseTo(2 * off({}), 9);
    expect(off({ knownOffM: 0.005 })).toBeGreaterThan(off({}));
    // Closed form: 1.96 × 0.1 m × √(2·2²/260² + 2·2²/780²).
    expect(off({})).toBeCloseTo(0.00224753, 7);
  });

  it("says what speaks against one plane, and which way the length is then wrong", () => {
    expect(photoLength(base)).toMatchObject({ doubts: [], limit: null });
    expect(photoLength({ ...base, depth: "nearer" })).toMatchObject({ doubts: ["nearer"], limit: "at least" });
    expect(photoLength({ ...base, depth: "farther" })).toMatchObject({ doubts: ["farther"], limit: "at most" });
    expect(photoLength({ ...base, claimed: line(300, 400, 260, 29) })?.doubts).toEqual([]);
    expect(photoLength({ ...base, claimed: line(300, 400, 260, 31) })?.doubts).toEqual(["turned"]);
    expect(photoLength({ ...base, claimed: line(560, 400, 260, 180) })?.doubts).toEqual([]);
    expect(photoLength({ ...base, known: line(100, 1560, 780) })?.doubts).toEqual([]);
    expect(photoLength({ ...base, known: line(100, 1580, 780) })?.doubts).toEqual(["apart"]);
  });

  it("is none where a line is hardly longer than the hand is unsure, or nothing is known", () => {
    expect(photoLength({ ...base, claimed: line(300, 400, 11) })).toBeNull();
    expect(photoLength({ ...base, claimed: line(300, 400, 12) })).not.toBeNull();
    expect(photoLength({ ...base, known: line(300, 400, 0) })).toBeNull();
    expect(photoLength({ ...base, knownM: 0 })).toBeNull();
  });
});
