import { describe, expect, it } from "vitest";
import { checkVersion, families, isMissed, practiceGoes, startValues, timerFrom, versionBounds } from "../src/index.ts";

const { descent } = families;
const spec = startValues(descent.spec);
const design = startValues(descent.design);
const build = { role: "build" as const, variables: {}, place: "indoors" as const };
const timed = (seconds: number, instrument = "hand stopwatch") => ({
  ...build,
  trials: [{ raw: String(seconds), instrument }],
});
const flagOf = (seconds: number, timer: Parameters<typeof checkVersion>[4], instrument?: string) =>
  checkVersion(descent, spec, design, timed(seconds, instrument), timer)[0]?.verdict.flag;

describe("a person at the stopwatch", () => {
  it("is missed by a press more than half a second off, either way, which counts for nothing", () => {
    expect([0.5, -0.5, 0.51, -0.51].map(isMissed)).toEqual([false, false, true, true]);
    const goes = [0.05, 0.02, -0.03, 0.08, 0.04, 0.01, 0.06, 0.03];
    expect(timerFrom([...goes.slice(0, 4), 0.8, ...goes.slice(4), -2])).toEqual(timerFrom(goes));
    expect(timerFrom(goes)?.kept).toBe(practiceGoes);
    expect(timerFrom([0.9])).toBeNull();
  });

  it("has a bias drawn towards none, the less the more goes there are", () => {
    const late = (n: number) => timerFrom(Array.from({ length: n }, () => 0.1))?.bias ?? Number.NaN;
    expect(late(1)).toBeLessThan(late(8));
    expect(late(8)).toBeLessThan(0.1);
    expect(late(400)).toBeCloseTo(0.1, 3);
  });

  it("has the bounds of their own times: moved by their bias, and yielding by their own spread, where a hand timed", () => {
    const bounds = (timer: Parameters<typeof versionBounds>[5], instrument = "hand stopwatch") =>
      versionBounds(descent, spec, design, build, instrument, timer);
    const [plain, late] = [bounds({ spread: 0.12, bias: 0 }), bounds({ spread: 0.12, bias: 0.2 })];
    expect(late.hard.map((end, i) => end - (plain.hard[i] ?? 0))).toEqual([expect.closeTo(0.2, 9), expect.closeTo(0.2, 9)]);
    expect(bounds(null)).toEqual(plain);
    // A steadier hand is believed less far.
    const steady = bounds({ spread: 0.06, bias: 0 });
    expect(steady.hard[0]).toBeGreaterThan(plain.hard[0]);
    expect(steady.hard[1]).toBeLessThan(plain.hard[1]);
    // Frames of a film are not timed by hand.
    expect(bounds({ spread: 0.4, bias: 0.3 }, "frame count")).toEqual(bounds(null, "frame count"));
  });

  it("who is late on the whole may log a time that could not happen to others, and the other way round", () => {
    const { hard } = versionBounds(descent, spec, design, build, "hand stopwatch");
    const above = Number((hard[1] + 0.1).toFixed(2));
    expect(flagOf(above, null)).toBe("impossible");
    expect(flagOf(above, { spread: 0.12, bias: 0.15 })).not.toBe("impossible");
    const below = Number((hard[0] + 0.05).toFixed(2));
    expect(flagOf(below, null)).not.toBe("impossible");
    expect(flagOf(below, { spread: 0.12, bias: 0.15 })).toBe("impossible");
    expect(flagOf(above, { spread: 0.12, bias: 0.15 }, "frame count")).toBe("impossible");
  });
});
