import { lengthGrip, lineMark } from "../scene.ts";
import type { Mark, Scene, Told } from "../shape.ts";
import { draft, type Hull, hullVolume, loadBound, metacentricHeight } from "./hull.ts";

export interface FloatPicture {
  readonly hull: Hull;
  readonly sideM: number;
  readonly hullKg: number;
  readonly loadKg: number;
  readonly waterM: number;
}

type Point = readonly [number, number];

/** A hull in a tub, sunk as deep as the goal's tokens press it; loaded, it settles, tips or goes down. */
export function floatScene({ hull, sideM: side, hullKg, loadKg, waterM: water }: FloatPicture): Scene {
  const [base, wall] = sizeOf(hull, side);
  const box = { sideM: hull.form === "box" ? side : base, wallM: hull.form === "box" ? wall : 0, hullKg, loadKg, loadHeightM: 0.004 };
  const floats = loadKg <= loadBound(hull, hullKg, water);
  const pressed = hull.form === "box" ? draft(box) : (wall * (hullKg + loadKg)) / Math.max(1e-6, 1000 * hullVolume(hull));
  const steady = hull.form !== "box" || metacentricHeight(box) > 0;
  const sunk = Math.min(pressed, wall, water);
  const edge = 0.02;
  const tub = Math.max(1.5 * side, base * 1.3);
  const left = edge + (tub - base) / 2;
  const verdict: Told = !floats
    ? { words: "the goal's load would sink this hull" }
    : steady
      ? { words: "floats level, {} of wall left", fill: [[Math.max(0, wall - sunk), "length"]] }
      : { words: "would tip: wider and lower" };
  const loaded = (keel: number, lean: number): readonly Mark[] => hullMarks(hull, left, keel, base, wall, lean);
  const still = loaded(water - sunk, 0);
  const emptyM = Math.min(sunk, hullKg > 0 && hull.form === "box" ? draft({ ...box, loadKg: 0 }) : sunk * 0.2);
  return {
    width: tub + 2 * edge + side * 0.5,
    height: water + wall + side * 0.3,
    describe: "A hull in a tub of water, sunk as deep as the goal's tokens press it.",
    marks: [
      { kind: "block", role: "water", x: edge, y: 0, w: tub, h: water },
      ...still,
      lineMark("tub", [
        [edge, water + 0.03],
        [edge, 0],
        [edge + tub, 0],
        [edge + tub, water + 0.03],
      ]),
      {
        kind: "measure",
        from: [left, water + wall + side * 0.08],
        to: [left + base, water + wall + side * 0.08],
        valueSi: base,
        words: hull.form === "raft" ? "deck" : "base",
      },
      { kind: "measure", from: [edge + tub + side * 0.12, 0], to: [edge + tub + side * 0.12, water], valueSi: water, words: "water" },
      { kind: "note", x: left + base / 2, y: water + wall + side * 0.2, tone: "predicted", anchor: "middle", ...verdict },
    ],
    grips: [
      lengthGrip("spec", "waterM", [edge + tub + side * 0.12, water], [0, 1]),
      ...(hull.form === "box" || hull.form === "dish" ? [lengthGrip("design", "wallM", [left + base, water - sunk + wall], [0, 1])] : []),
    ],
    motion: {
      durationS: 2.6,
      told: verdict,
      replaces: still.map((_, i) => i + 1),
      at: (t) => {
        const part = Math.min(1, t / 1.6);
        const settle = emptyM + (sunk - emptyM) * part;
        const after = Math.min(1, Math.max(0, t - 1.6));
        if (!floats) return loaded((water - settle) * (1 - after), 0);
        return loaded(water - settle, steady ? 0 : after * 1.2);
      },
    },
  };
}

/** Width at the water and height of the wall. */
function sizeOf(hull: Hull, side: number): readonly [base: number, wall: number] {
  switch (hull.form) {
    case "box":
      return [side - 2 * hull.wallM, hull.wallM];
    case "dish":
      return [hull.rimRadiusM * 2, hull.depthM];
    case "raft": {
      const deck = Math.max(Math.sqrt(hull.rimAreaM2), 0.03);
      return [deck, Math.max(0.01, hull.rimM + hull.closedM3 / deck ** 2)];
    }
    case "free":
      return [side * (2 / 3), side / 6];
  }
}

function hullMarks(hull: Hull, left: number, keel: number, base: number, wall: number, lean: number): readonly Mark[] {
  const middle: Point = [left + base / 2, keel + wall / 2];
  const turn = ([x, y]: Point): Point => {
    const [dx, dy] = [x - middle[0], y - middle[1]];
    return [middle[0] + dx * Math.cos(lean) + dy * Math.sin(lean), middle[1] - dx * Math.sin(lean) + dy * Math.cos(lean)];
  };
  const outline: readonly Point[] =
    hull.form === "dish"
      ? Array.from({ length: 21 }, (_, i) => [left + (base * i) / 20, keel + wall * (i / 10 - 1) ** 2] as const)
      : [
          [left, keel + wall],
          [left, keel],
          [left + base, keel],
          [left + base, keel + wall],
        ];
  const top = Math.min(wall * 0.8, 0.012);
  const deckAt = hull.form === "raft" ? keel + wall - hull.rimM : keel;
  const load: readonly Point[] = [
    [left + base * 0.25, deckAt],
    [left + base * 0.75, deckAt],
    [left + base * 0.75, deckAt + top],
    [left + base * 0.25, deckAt + top],
  ];
  return [lineMark("build", outline.map(turn), hull.form === "raft"), { kind: "path", role: "load", closed: true, points: load.map(turn) }];
}
