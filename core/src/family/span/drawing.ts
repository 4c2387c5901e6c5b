import { gravity } from "../physical.ts";
import type { Mark, Scene, Values } from "../shape.ts";
import { numberOf } from "../values.ts";
import { structureOf } from "./build.ts";
import { spanSpec } from "./fields.ts";
import { type Structure, sag } from "./structure.ts";

const bays = 24;

/** The rig to scale: two supports, the gap, the deck sagging as predicted under the goal's load. */
export function spanScene(spec: Values, design: Values): Scene {
  const n = (id: string): number => numberOf(spec, spanSpec, id);
  const gap = n("gapM");
  const deck = n("deckHeightM");
  const load = n("loadKg");
  const built = structureOf(spec, design);
  const down = Math.min(sag(built, load * gravity) ?? 0, deck);
  const support = Math.max(0.08, gap * 0.22);
  const left = support;
  const right = left + gap;
  const thick = depthOf(built);
  const box = Math.min(gap * 0.16, 0.05 + 0.05 * Math.cbrt(load));
  const width = gap + 2 * support;
  const height = deck + thick + box + Math.max(0.1, gap * 0.16);
  const dip = (x: number): number => {
    const u = (x - left) / gap;
    return u <= 0 || u >= 1 ? 0 : down * (1 - (2 * u - 1) ** 2);
  };
  const along = Array.from({ length: bays + 1 }, (_, i) => left - support * 0.45 + ((gap + support * 0.9) * i) / bays);
  const line = (up: number): (readonly [number, number])[] => along.map((x) => [x, deck + up - dip(x)] as const);
  const zigzag = along.map((x, i) => [x, deck + (i % 2 === 0 ? 0 : thick) - dip(x)] as const);
  const arch = built.form === "arch" ? built.riseM : 0;
  const body: Mark[] =
    arch > 0
      ? [
          {
            kind: "path",
            role: "build",
            points: along.map((x) => [x, deck + Math.max(0, arch * (1 - ((2 * (x - left)) / gap - 1) ** 2)) - dip(x)] as const),
          },
        ]
      : [
          { kind: "path", role: "build", points: line(thick) },
          ...(thick > 0.004
            ? [{ kind: "path", role: "build", points: zigzag } as const, { kind: "path", role: "build", points: line(0) } as const]
            : []),
        ];
  const top = deck + (arch > 0 ? arch : thick) - down;
  const middle = left + gap / 2;
  return {
    width,
    height,
    describe: "Two supports with the deck across the gap between them and the load in its middle.",
    marks: [
      { kind: "block", role: "floor", x: 0, y: -0.006, w: width, h: 0.006 },
      { kind: "block", role: "support", x: 0, y: 0, w: support, h: deck },
      { kind: "block", role: "support", x: right, y: 0, w: support, h: deck },
      ...body,
      { kind: "block", role: "load", x: middle - box / 2, y: top, w: box, h: box, massKg: load },
      { kind: "note", x: middle, y: top + box + 0.012, words: "load only here, between the marks", anchor: "middle" },
      {
        kind: "note",
        x: middle + box,
        y: deck + thick + 0.012,
        words: `sags about ${Math.max(1, Math.round(down * 1000))} mm`,
        tone: "predicted",
      },
      { kind: "measure", from: [left, deck * 0.22], to: [right, deck * 0.22], valueSi: gap, words: "clear" },
      { kind: "measure", from: [width - support * 0.28, 0], to: [width - support * 0.28, deck], valueSi: deck },
    ],
  };
}

function depthOf(built: Structure): number {
  switch (built.form) {
    case "pleated":
    case "sandwich":
      return built.depthM;
    case "truss":
      return built.depthM;
    case "tubes":
      return built.radiusM * 2;
    case "bricks":
      return built.layers * 0.0096;
    case "flat-bonded":
      return built.thicknessM * built.sheets;
    default:
      return 0.002;
  }
}
