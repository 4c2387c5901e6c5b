import { type Faller, fallenAfter, fallTime } from "../descent/fall.ts";
import { gravity } from "../physical.ts";
import { floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene } from "../shape.ts";
import { rungs } from "./ladder.ts";

export interface LandingPicture {
  readonly heightM: number;
  readonly firstM: number;
  readonly lastM: number;
  readonly buildM: number;
  /** How far it crushes, m; 0 where riders only bounce. */
  readonly crushM: number;
  readonly speed: number;
  /** How high riders bounce; null for a cargo. */
  readonly bounceM: number | null;
  readonly wallM: number;
  readonly verdict: string;
  /** What slows it, and how wide it is; null without a canopy. */
  readonly canopy: { readonly faller: Faller; readonly acrossM: number } | null;
}

/** The build at its rung beside the ladder of heights; let go, it falls and gives. */
export function landingScene(p: LandingPicture): Scene {
  const { heightM: h } = p;
  const size = Math.max(p.buildM, h * 0.07);
  const width = h * 2 + size * 2;
  const x = width * 0.34;
  const ladder: Mark[] = rungs(p.firstM, Math.min(p.lastM, h * 1.3)).flatMap((rung) => [
    lineMark("path", [
      [width * 0.9, rung],
      [width * 0.97, rung],
    ]),
  ]);
  const build = (foot: number, crush: number): Mark[] => [
    { kind: "block", role: "build", x: x - size / 2, y: foot, w: size, h: size - crush },
    { kind: "disc", role: "load", x, y: foot + (size - crush) * 0.45, r: size * 0.2 },
    ...(p.canopy ? canopyMarks(x, foot + size - crush, Math.min(p.canopy.acrossM, h) / 2) : []),
  ];
  const faller = p.canopy?.faller;
  const fallS = faller ? fallTime(faller, h) : Math.sqrt((2 * h) / gravity);
  const fallen = (t: number): number => (faller ? fallenAfter(faller, t) : (gravity * t * t) / 2);
  const stopS = p.bounceM === null ? Math.max(0.05, (2 * p.crushM) / Math.max(p.speed, 0.1)) : 0;
  const riseS = p.bounceM === null ? 0 : Math.sqrt((2 * p.bounceM) / gravity);
  const still = build(h, 0);
  return {
    width,
    height: Math.max(h + size + (p.canopy ? Math.min(p.canopy.acrossM, h) * 0.9 : 0), Math.min(p.lastM, h * 1.3)) + h * 0.1,
    describe: "The build held with its lowest point at the rung, and the ladder of heights beside it.",
    marks: [
      ...still,
      floorMark(width, h * 0.012),
      lineMark("support", [
        [width * 0.935, 0],
        [width * 0.935, Math.min(p.lastM, h * 1.3) * 1.03],
      ]),
      ...ladder,
      { kind: "arrow", role: "path", from: [x, h * 0.92], to: [x, h * 0.08] },
      { kind: "measure", from: [width * 0.06, 0], to: [width * 0.06, h], valueSi: h },
      { kind: "note", x: x + size * 0.8, y: h * 0.55, words: "arrives at {}", fill: [[p.speed, "speed"]] },
      { kind: "note", x: x + size * 0.8, y: h * 0.42, words: p.verdict, tone: "predicted" },
    ],
    grips: [lengthGrip("spec", "goalM", [width * 0.06, h], [0, 1])],
    motion: {
      durationS: fallS + stopS + 2 * riseS + 0.3,
      told: {
        words:
          p.bounceM === null
            ? `It falls for {}, arrives at {} and stops: ${p.verdict}.`
            : `It falls for {}, arrives at {}; the riders jump {}.`,
        fill: [[fallS, "time"], [p.speed, "speed"], ...(p.bounceM === null ? [] : [[p.bounceM, "length"] as const])],
      },
      replaces: still.map((_, i) => i),
      at: (t) => {
        if (t < fallS) return build(Math.max(0, h - fallen(t)), 0);
        if (p.bounceM === null) return build(0, Math.min(size * 0.8, p.crushM * Math.min(1, (t - fallS) / stopS)));
        const since = Math.min(t - fallS, 2 * riseS);
        const up = Math.max(0, Math.sqrt(2 * gravity * p.bounceM) * since - (gravity * since * since) / 2);
        return [
          { kind: "block", role: "build", x: x - size / 2, y: 0, w: size, h: size },
          { kind: "disc", role: "load", x, y: size * 0.45 + up, r: size * 0.2 },
          ...build(0, 0).slice(2),
        ];
      },
    },
  };
}

/** A canopy over a build, and the lines to its rim. */
function canopyMarks(x: number, top: number, half: number): readonly Mark[] {
  const rim = top + half * 1.1;
  const arc = Array.from({ length: 17 }, (_, i): readonly [number, number] => {
    const a = (Math.PI * i) / 16;
    return [x - half * Math.cos(a), rim + half * 0.6 * Math.sin(a)];
  });
  const line = (side: 1 | -1): Mark =>
    lineMark("path", [
      [x + side * half, rim],
      [x, top],
    ]);
  return [lineMark("build", arc, true), line(-1), line(1)];
}
