import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bandDistance, sail, terminalSail, wheelsSlip } from "../src/family/drive/carts.ts";
import { farthest, fly, vacuumRange } from "../src/family/flight.ts";
import { effectiveHeight, glideRange, glideTime } from "../src/family/glide/glider.ts";
import { greatestDrop, leastCrush, peakG, rebound, staysIn } from "../src/family/landing/impact.ts";
import { halfHeight, rungs } from "../src/family/landing/ladder.ts";
import { flingSpeed } from "../src/family/launchBand/fling.ts";
import { puffSpeed } from "../src/family/launchPuff/puff.ts";
import { finForce, pressureCentre, staticMargin } from "../src/family/launchPuff/straight.ts";
import { floats } from "../src/family/probe/float.ts";
import { bankNeeded, flyOffSpeed, passSegment, wallNeeded } from "../src/family/roll/segment.ts";
import { leastTime, rollTrack } from "../src/family/roll/track.ts";
import { crushLoad, tipAngle, towerBudget } from "../src/family/tall/tower.ts";
import { follow } from "../src/numeric/ode.ts";

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("following a course", () => {
  it("meets an event of a closed form: a stone comes down after 2 v / g", () => {
    const { points, reached } = follow(
      (y, dy) => {
        dy[0] = y[1] ?? 0;
        dy[1] = -9.80665;
      },
      [0, 7],
      { until: (y) => ((y[1] ?? 0) > 0 ? 1 : (y[0] ?? 0)), maxS: 10 },
    );
    expect(reached).toBe(true);
    expect(points.at(-1)?.[0]).toBeCloseTo(14 / 9.80665, 9);
  });

  it("keeps to a decay of any rate, and gives up when the time is over", () => {
    fc.assert(
      fc.property(between(0.1, 200), (rate) => {
        const { points, reached } = follow((y, dy) => (dy[0] = -rate * (y[0] ?? 0)), [1], { until: () => 1, maxS: 1 });
        expect(reached).toBe(false);
        expect(points.at(-1)?.[1] ?? 0).toBeCloseTo(Math.exp(-rate), 6);
      }),
      { numRuns: 40 },
    );
  });
});

describe("flight", () => {
  const thrown = { speed: 8, angle: 0.6, heightM: 0.8, massKg: 0.005, acrossM: 0.02, drag: 0.5 };

  it("goes to the vacuum range as the area goes to nothing", () => {
    fc.assert(
      fc.property(between(1, 30), between(-0.4, 1.3), between(0.05, 1.5), (speed, angle, heightM) => {
        const { rangeM } = fly({ speed, angle, heightM, massKg: 0.01, acrossM: 1e-5, drag: 0.5 });
        expect(rangeM).toBeCloseTo(vacuumRange(speed, angle, heightM), 4);
      }),
      { numRuns: 50 },
    );
  });

  it("is shorter, lower and sooner over with more drag", () => {
    const light = fly({ ...thrown, drag: 1 });
    const free = fly({ ...thrown, drag: 0 });
    expect(light.rangeM).toBeLessThan(free.rangeM);
    expect(light.apexM).toBeLessThan(free.apexM);
    expect(light.timeS).toBeLessThan(free.timeS);
    expect(free.apexM).toBeCloseTo(0.8 + (8 * Math.sin(0.6)) ** 2 / (2 * 9.80665), 6);
  });

  it("finds the best whole degree that trying all of them finds", () => {
    for (const drag of [0, 0.4, 2]) {
      const all = Array.from({ length: 76 }, (_, d) => fly({ ...thrown, drag, angle: (d * Math.PI) / 180 }).rangeM);
      expect(farthest({ ...thrown, drag }).rangeM).toBeCloseTo(Math.max(...all), 6);
    }
  });

  it("never gets shorter without drag when a band is added or pulled farther", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        between(0.01, 0.2),
        between(0, 1.4),
        between(0, 1.5),
        (bands, stretchM, angle, heightM) => {
          const range = (n: number, x: number): number =>
            vacuumRange(flingSpeed({ bands: n, stiffness: 55, stretchM: x, massKg: 0.001 }), angle, heightM);
          expect(range(bands + 1, stretchM)).toBeGreaterThanOrEqual(range(bands, stretchM) - 1e-9);
          expect(range(bands, stretchM * 1.1)).toBeGreaterThanOrEqual(range(bands, stretchM) - 1e-9);
        },
      ),
    );
  });

  it("puts all of the energy in at η 1", () => {
    const v = puffSpeed({ pressure: 6500, tubeM: 0.006, overlapM: 0.1, massKg: 0.001, efficiency: 1 });
    expect(0.5 * 0.001 * v ** 2).toBeCloseTo(6500 * Math.PI * 0.003 ** 2 * 0.1, 12);
  });
});

describe("straightness", () => {
  const rocket = { bodyM: 0.02, noseM: 0.04, fins: 3, finSpanM: 0.03, rootM: 0.05, tipM: 0.03, sweepM: 0.02, rootAtM: 0.2 };

  it("moves the centre of pressure back with larger fins, and to the nose without any", () => {
    expect(pressureCentre({ ...rocket, fins: 0 })).toBeCloseTo((2 / 3) * 0.04, 12);
    expect(pressureCentre({ ...rocket, finSpanM: 0.05 })).toBeGreaterThan(pressureCentre(rocket));
    expect(staticMargin({ ...rocket, fins: 2 }, 0.1)).toBeLessThan(0);
    expect(finForce({ ...rocket, fins: 6 }) / finForce(rocket)).toBeCloseTo(2, 12);
  });
});

describe("glide", () => {
  it("loses half of a surplus of speed to the swoop, and never starts below the floor", () => {
    expect(effectiveHeight({ kind: "dart", heightM: 1.4, speed: 4 })).toBeCloseTo(1.4, 12);
    expect(effectiveHeight({ kind: "dart", heightM: 0.2, speed: 1 })).toBe(0);
    const thrown = { kind: "wide", heightM: 1.4, speed: 6 } as const;
    expect(glideRange(thrown) / glideTime(thrown)).toBeLessThan(2.5);
  });
});

describe("landing", () => {
  it("makes crush and drop each other's inverse, for both cushions", () => {
    fc.assert(
      fc.property(between(0.1, 6), between(20, 500), fc.constantFrom("even" as const, "springy" as const), (h, g, cushion) => {
        expect(greatestDrop(leastCrush(h, g, cushion), g, cushion)).toBeCloseTo(h, 9);
        expect(peakG(h, leastCrush(h, g, cushion), cushion)).toBeCloseTo(g, 6);
      }),
    );
  });

  it("keeps riders aboard behind a wall higher than their bounce", () => {
    expect(rebound(1, 0.3)).toBeCloseTo(0.09, 12);
    expect([staysIn(1, 0.3, 0.08), staysIn(1, 0.3, 0.1)]).toEqual([false, true]);
  });

  it("moves the height that half survive up with survivals and down with failures, and narrows", () => {
    const none = halfHeight(0.5, 4, []);
    const up = halfHeight(0.5, 4, [{ heightM: 2, survived: true }]);
    const down = halfHeight(0.5, 4, [{ heightM: 1, survived: false }]);
    expect(up.h50M).toBeGreaterThan(none.h50M);
    expect(down.h50M).toBeLessThan(none.h50M);
    const many = [1, 1.25, 1.56, 1.95].flatMap((heightM) => [
      { heightM, survived: heightM < 1.5 },
      { heightM, survived: heightM < 1.5 },
    ]);
    const sure = halfHeight(0.5, 4, many);
    expect(sure.highM / sure.lowM).toBeLessThan(none.highM / none.lowM / 4);
  });

  it("steps the ladder by a quarter", () => {
    const ladder = rungs(0.5, 4);
    expect(ladder[0]).toBe(0.5);
    expect((ladder[3] ?? 0) / (ladder[2] ?? 1)).toBeCloseTo(1.25, 12);
    expect(ladder.at(-1)).toBeLessThanOrEqual(4.001);
  });
});

describe("roll", () => {
  const ball = { radiusM: 0.008, resistance: 0.01 };

  it("keeps the energy of a ball that doesn't rub: v² = 2 (5/7) g h", () => {
    const { speedOut } = passSegment({ kind: "slope", lengthM: 1, slope: 0.3 }, 0, { ...ball, resistance: 0 });
    expect(speedOut ** 2).toBeCloseTo((10 / 7) * 9.80665 * Math.sin(0.3), 9);
  });

  it("is never faster than anything may be, whatever the track", () => {
    fc.assert(
      fc.property(between(0.1, 2), between(0.01, 1.2), between(0.1, 2), between(0, 0.4), (l1, s1, l2, s2) => {
        const rolled = rollTrack(
          [
            { kind: "slope", lengthM: l1, slope: s1 },
            { kind: "slope", lengthM: l2, slope: s2 },
          ],
          ball,
        );
        if (rolled.finishes)
          expect(rolled.timeS).toBeGreaterThanOrEqual(leastTime(l1 * Math.sin(s1) + l2 * Math.sin(s2), l1 + l2) * (1 - 1e-9));
      }),
    );
  });

  it("is held by the wall and by the bank that it asks for, and flies off just above", () => {
    const wall = wallNeeded(1.2, 0.1, 0, 0.008);
    expect(flyOffSpeed(0.1, 0, wall, 0.008)).toBeCloseTo(1.2, 9);
    expect(flyOffSpeed(0.1, bankNeeded(1.2, 0.1, 0.001, 0.008), 0.001, 0.008)).toBeCloseTo(1.2, 9);
    expect(flyOffSpeed(0.1, 0, 0.01, 0.008)).toBeNull();
  });

  it("says where it stops and why", () => {
    const up = rollTrack([{ kind: "slope", lengthM: 0.2, slope: -0.1 }], ball);
    expect(up).toMatchObject({ finishes: false, reason: "stall", stopSegment: 0, stopAtM: 0 });
    const off = rollTrack(
      [
        { kind: "slope", lengthM: 1, slope: 0.5 },
        { kind: "curve", radiusM: 0.05, turn: 1, wallM: 0.001 },
      ],
      ball,
    );
    expect(off).toMatchObject({ finishes: false, reason: "fly-off", stopSegment: 1 });
  });
});

describe("drive", () => {
  const cart = { bands: 1, stiffness: 80, turns: 6, axleM: 0.006, massKg: 0.12, mostM: 0.24 };

  it("goes four times as far for twice the turns, until the band bears no more", () => {
    expect(bandDistance({ ...cart, turns: 12 }) / bandDistance(cart)).toBeCloseTo(4, 9);
    expect(bandDistance({ ...cart, turns: 60 })).toBe(bandDistance({ ...cart, turns: 40 }));
    expect([wheelsSlip(cart, 0.02), wheelsSlip(cart, 0.5)]).toEqual([true, false]);
  });

  it("settles to its terminal speed in a steady wind, and stops in a dying one", () => {
    const steady = { wind: 3, fanM: null, areaM2: 0.05, massKg: 0.06 };
    expect(sail(steady).stopM).toBeNull();
    expect(sail(steady).course.at(-1)?.[2]).toBeCloseTo(terminalSail(steady), 3);
    const dying = { ...steady, fanM: 2 };
    expect(sail(dying).stopM).toBeGreaterThan(0);
    expect(sail(dying, 1).timeS).toBeGreaterThan(0);
    expect(sail({ ...dying, wind: 0.3 })).toMatchObject({ stopM: 0, timeS: null });
  });
});

describe("tall", () => {
  it("spends sticks and joints layer by layer: what is over never adds height", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 80 }), (sticks, joints) => {
        const { layers, peak } = towerBudget(sticks, joints, 0.25);
        expect(3 + 9 * layers + 3 * peak).toBeLessThanOrEqual(Math.max(3, sticks) + (layers + peak === 0 ? 3 : 0));
        expect(towerBudget(sticks + 9, joints + 3, 0.25).heightM).toBeGreaterThanOrEqual(towerBudget(sticks, joints, 0.25).heightM);
      }),
    );
  });

  it("leans less with a load on top, and bears four times as much with sticks half as long", () => {
    expect(tipAngle("triangle", 0.25, 0.8, 0.05, 0.05)).toBeLessThan(tipAngle("triangle", 0.25, 0.8, 0.05));
    const pasta = { diameterM: 0.0018 };
    expect(crushLoad(pasta, 0.125, 4e9, 40e9) / crushLoad(pasta, 0.25, 4e9, 40e9)).toBeCloseTo(4, 9);
  });
});

it("an item floats by its density, and nobody can tell near that of water", () => {
  expect([floats(0.5, 0.001).says, floats(1.5, 0.001).says, floats(1.01, 0.001).says]).toEqual(["floats", "sinks", "cannot tell"]);
});
