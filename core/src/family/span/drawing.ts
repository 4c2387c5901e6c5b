import { gravity } from "../physical.ts";
import { lengthGrip } from "../scene.ts";
import type { Mark, Scene, Values } from "../shape.ts";
import { numberOf } from "../values.ts";
import { structureOf } from "./build.ts";
import { spanSpec } from "./fields.ts";
import { hold, type Structure, sag } from "./structure.ts";

const bays = 24;

/** The rig to scale: two supports, the gap, the deck sagging as predicted under the goal's load. */
export function spanScene(spec: Values, design: Values): Scene {
  const n = (id: string): number => numberOf(spec, spanSpec, id);
  const gap = n("gapM");
  const deck = n("deckHeightM");
  const load = n("loadKg");
  const built = structureOf(spec, design);
  const wanted = sag(built, load * gravity) ?? 0;
  // A deck that is expected to give way is not drawn as if it held: its load has come down to the floor.
  const holds = hold(built, deck) >= load * gravity;
  const down = holds ? Math.min(wanted, deck) : deck;
  const support = Math.max(0.08, gap * 0.22);
  const left = support;
  const right = left + gap;
  const thick = depthOf(built);
  const box = Math.min(gap * 0.3, 0.04 + 0.05 * Math.cbrt(load));
  const width = gap + 2 * support;
  const height = deck + Math.max(thick, built.form === "arch" ? built.riseM : 0) + box + Math.max(0.1, gap * 0.16);
  const middle = left + gap / 2;
  const rise = built.form === "arch" ? built.riseM : 0;
  const still = loaded({ built, deck, left, gap, support, thick, box, load }, down);
  const sagged = Math.max(0.001, down);
  return {
    width,
    height,
    describe: "Two supports with the deck across the gap between them and the load in its middle.",
    marks: [
      ...still,
      { kind: "block", role: "floor", x: 0, y: -0.006, w: width, h: 0.006 },
      { kind: "block", role: "support", x: 0, y: 0, w: support, h: deck },
      { kind: "block", role: "support", x: right, y: 0, w: support, h: deck },
      { kind: "note", x: middle, y: height - Math.max(0.02, gap * 0.045), words: "load only here, between the marks", anchor: "middle" },
      holds
        ? { kind: "note", x: middle + box, y: deck + thick + 0.012, words: "sags about {}", fill: [[sagged, "length"]], tone: "predicted" }
        : {
            kind: "note",
            x: middle + box,
            y: deck + thick + 0.012,
            words: "gives way before {}",
            fill: [[load, "mass"]],
            tone: "predicted",
          },
      { kind: "measure", from: [left, deck * 0.22], to: [right, deck * 0.22], valueSi: gap, words: "clear" },
      { kind: "measure", from: [width - support * 0.28, 0], to: [width - support * 0.28, deck], valueSi: deck },
    ],
    grips: [
      lengthGrip("spec", "gapM", [right, deck * 0.22], [1, 0]),
      lengthGrip("spec", "deckHeightM", [width - support * 0.28, deck], [0, 1]),
      // Its box grows with the cube root of the load: as much again for each width of the box.
      {
        of: "spec",
        field: "loadKg",
        at: [middle + box / 2, deck + Math.max(thick, rise) - down + box],
        toward: [1, 0],
        perM: load / box,
      },
    ],
    motion: {
      durationS: 2.4,
      told:
        !holds || wanted >= deck
          ? { words: "Under {} it gives way and goes down to the floor.", fill: [[load, "mass"]] }
          : {
              words: "Under {} it sags {} and holds.",
              fill: [
                [load, "mass"],
                [sagged, "length"],
              ],
            },
      replaces: still.map((_, i) => i),
      at: (t) => loaded({ built, deck, left, gap, support, thick, box, load }, down * Math.min(1, t / 2)),
    },
  };
}

interface Loaded {
  readonly built: Structure;
  readonly deck: number;
  readonly left: number;
  readonly gap: number;
  readonly support: number;
  readonly thick: number;
  readonly box: number;
  readonly load: number;
}

/** The deck and its load, this far down in the middle. */
function loaded({ built, deck, left, gap, support, thick, box, load }: Loaded, down: number): readonly Mark[] {
  const dip = (x: number): number => {
    const u = (x - left) / gap;
    return u <= 0 || u >= 1 ? 0 : down * (1 - (2 * u - 1) ** 2);
  };
  const along = Array.from({ length: bays + 1 }, (_, i) => left - support * 0.45 + ((gap + support * 0.9) * i) / bays);
  const line = (up: number): Mark => ({ kind: "path", role: "build", points: along.map((x) => [x, deck + up - dip(x)] as const) });
  const rise = built.form === "arch" ? built.riseM : 0;
  const arch: Mark = {
    kind: "path",
    role: "build",
    points: along.map((x) => [x, deck + Math.max(0, rise * (1 - ((2 * (x - left)) / gap - 1) ** 2)) - dip(x)] as const),
  };
  const zigzag: Mark = {
    kind: "path",
    role: "build",
    points: along.map((x, i) => [x, deck + (i % 2 === 0 ? 0 : thick) - dip(x)] as const),
  };
  const body = rise > 0 ? [arch] : thick > 0.004 ? [line(thick), zigzag, line(0)] : [line(thick)];
  const middle = left + gap / 2;
  return [
    ...body,
    { kind: "block", role: "load", x: middle - box / 2, y: deck + (rise > 0 ? rise : thick) - down, w: box, h: box, massKg: load },
  ];
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
