import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import type { Family, Field, Mark, Prediction, Scene, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { type Faller, fallTime, freeFallTime, impactSpeed, slowDown } from "./fall.ts";
import { descentCautions, descentHowTo, descentIdea, descentProtocol, descentQuestions, descentRules, descentSymptoms } from "./words.ts";

const factor = 1.3;

const spec: readonly Field[] = [
  { kind: "number", id: "heightM", words: "Drop height", dimension: "length", min: 0.5, max: 8, step: 0.05, start: 1.8, unit: "m" },
  { kind: "number", id: "cargoKg", words: "Cargo", dimension: "mass", min: 0.0005, max: 0.2, step: 0.0005, start: 0.003, unit: "g" },
  { kind: "number", id: "goalS", words: "Time to reach", dimension: "time", min: 0.3, max: 20, step: 0.1, start: 1.5, unit: "s" },
  {
    kind: "choice",
    id: "place",
    words: "Where",
    start: "indoors",
    options: [
      { id: "indoors", words: "indoors, still air" },
      { id: "outdoors", words: "outdoors" },
    ],
  },
];

const kindField: Field = {
  kind: "choice",
  id: "kind",
  words: "Canopy",
  start: "spinner",
  options: [
    { id: "round", words: "round canopy" },
    { id: "square", words: "square canopy" },
    { id: "plate", words: "flat plate" },
    { id: "bag", words: "bag, laid flat" },
    { id: "spinner", words: "two spinning wings" },
  ],
};

const size: Field = {
  kind: "number",
  id: "sizeM",
  words: "Size (across, or one wing)",
  dimension: "length",
  min: 0.03,
  max: 0.9,
  step: 0.005,
  start: 0.09,
  unit: "mm",
};

const design: readonly Field[] = [
  kindField,
  size,
  {
    kind: "number",
    id: "canopyKg",
    words: "Mass of the canopy",
    dimension: "mass",
    min: 0.0002,
    max: 0.05,
    step: 0.0002,
    start: 0.0016,
    unit: "g",
  },
];

const variables: readonly Field[] = [
  kindField,
  { ...size, unit: "cm" },
  { kind: "number", id: "lines", words: "Number of lines", dimension: "count", min: 0, max: 8, step: 1, start: 4 },
  { kind: "number", id: "cargoKg", words: "Cargo", dimension: "mass", min: 0.0005, max: 0.2, step: 0.0005, start: 0.003, unit: "g" },
];

/** Drag and the area it is reckoned on; rough values, see docs/models.md. */
function areaAndDrag(kind: string, across: number): { readonly areaM2: number; readonly drag: number } {
  switch (kind) {
    case "round":
      return { areaM2: (Math.PI * across ** 2) / 4, drag: 0.75 };
    case "plate":
      return { areaM2: across ** 2, drag: 1.15 };
    case "bag":
      return { areaM2: across ** 2, drag: 0.6 };
    case "spinner":
      return { areaM2: Math.PI * across ** 2, drag: 1 };
    default:
      return { areaM2: across ** 2, drag: 0.75 };
  }
}

function fallerOf(s: Values, d: Values): Faller {
  const cargo = typeof d["cargoKg"] === "number" ? d["cargoKg"] : numberOf(s, spec, "cargoKg");
  const shape = areaAndDrag(choiceOf(d, design, "kind"), numberOf(d, design, "sizeM"));
  return { massKg: cargo + numberOf(d, design, "canopyKg"), ...shape };
}

/** The bare cargo: as dense as a paper cup with its front, 0.0044 m² for 50 g, scaled by its size. */
function controlOf(s: Values): Faller {
  const massKg = numberOf(s, spec, "cargoKg");
  return { massKg, areaM2: 0.0044 * (massKg / 0.05) ** (2 / 3), drag: 1 };
}

function timeBand(faller: Faller, heightM: number): Band {
  return band(fallTime(faller, heightM), factor, { atLeast: freeFallTime(heightM) });
}

function predict(s: Values, d: Values): readonly Prediction[] {
  const h = numberOf(s, spec, "heightM");
  const faller = fallerOf(s, d);
  return [
    { id: "time", words: "Fall with the canopy", dimension: "time", band: timeBand(faller, h) },
    { id: "control", words: "Fall of the bare cargo", dimension: "time", band: timeBand(controlOf(s), h) },
    { id: "slow-down", words: "Times slower", dimension: "ratio", band: band(slowDown(faller, controlOf(s), h), factor, { atLeast: 1 }) },
  ];
}

function boundsOf(faller: Faller, h: number, sd: number, indoors: boolean): Bounds {
  const slowest = indoors ? fallTime({ ...faller, drag: 4 }, h) + 3 * sd : Number.POSITIVE_INFINITY;
  const hard = tightest(commonHard("time", sd), [freeFallTime(h) - 3 * sd, slowest]);
  const usual = usualSoft(fallTime(faller, h), factor, sd);
  return { hard, soft: [usual[0], Math.min(usual[1], h / 0.3 + 3 * sd)] };
}

function bounds(_measure: string, s: Values, d: Values, sd: number, place?: Place): Bounds {
  const indoors = place?.indoors ?? choiceOf(s, spec, "place") === "indoors";
  return boundsOf(fallerOf(s, d), numberOf(s, spec, "heightM"), sd, indoors);
}

function drawing(s: Values, d: Values): Scene {
  const h = numberOf(s, spec, "heightM");
  const across = numberOf(d, design, "sizeM");
  const kind = choiceOf(d, design, "kind");
  const half = kind === "spinner" ? across : across / 2;
  const drawn = Math.max(half, h * 0.04);
  const width = h * 1.5;
  const x = width * 0.5;
  const cargo = Math.max(h * 0.035, 0.01);
  const hang = kind === "spinner" || kind === "plate" ? h * 0.05 : drawn * 1.3;
  const foot = h;
  const top = foot + cargo + hang;
  const canopy: Mark =
    kind === "spinner"
      ? {
          kind: "path",
          role: "build",
          points: [
            [x - drawn, top + drawn * 0.25],
            [x, top],
            [x + drawn, top + drawn * 0.25],
          ],
        }
      : kind === "plate"
        ? {
            kind: "path",
            role: "build",
            points: [
              [x - drawn, top],
              [x + drawn, top],
            ],
          }
        : {
            kind: "path",
            role: "build",
            closed: true,
            points: Array.from({ length: 17 }, (_, i) => {
              const a = (Math.PI * i) / 16;
              return [x - drawn * Math.cos(a), top + drawn * 0.6 * Math.sin(a)] as const;
            }),
          };
  const { band: time } = predict(s, d)[0] ?? { band: band(0, 1) };
  return {
    width,
    height: top + drawn * 0.7 + h * 0.04,
    describe: "The build held with its lowest point at the drop height above the floor.",
    marks: [
      { kind: "block", role: "floor", x: 0, y: -0.012 * h, w: width, h: 0.012 * h },
      canopy,
      {
        kind: "path",
        role: "path",
        points: [
          [x - (kind === "spinner" ? 0 : drawn), top],
          [x, foot + cargo],
        ],
      },
      {
        kind: "path",
        role: "path",
        points: [
          [x + (kind === "spinner" ? 0 : drawn), top],
          [x, foot + cargo],
        ],
      },
      { kind: "block", role: "load", x: x - cargo / 2, y: foot, w: cargo, h: cargo },
      { kind: "arrow", role: "path", from: [x, foot - h * 0.06], to: [x, h * 0.06] },
      { kind: "measure", from: [width * 0.14, 0], to: [width * 0.14, h], valueSi: h },
      {
        kind: "note",
        x: x + h * 0.07,
        y: h * 0.5,
        tone: "predicted",
        words: `should take ${time.low.toFixed(1)} to ${time.high.toFixed(1)} s`,
      },
      { kind: "note", x: x + h * 0.07, y: h * 0.38, words: `lands at about ${impactSpeed(fallerOf(s, d), h).toFixed(1)} m/s` },
    ],
  };
}

/** Slow a fall. */
export const descent: Family = {
  id: "descent",
  words: "Descent",
  ask: "Slow a fall",
  spec,
  design,
  variables,
  measures: () => [
    {
      id: "time",
      words: "Time to the floor",
      dimension: "time",
      quality: "time",
      better: "more",
      unit: "s",
      instruments: ["hand stopwatch", "frame count"],
    },
  ],
  goal: (s) => ({ measure: "time", value: numberOf(s, spec, "goalS"), better: "more" }),
  goalField: "goalS",
  goalWords: (s, show) => `Fall ${show(numberOf(s, spec, "heightM"), "length")} in ${numberOf(s, spec, "goalS").toFixed(1)} s or longer`,
  predict,
  bounds,
  controlBounds: (s, _d, sd) => boundsOf(controlOf(s), numberOf(s, spec, "heightM"), sd, false),
  needs: (s) => {
    const h = numberOf(s, spec, "heightM");
    const circle = 0.5 + 0.3 * h;
    return {
      lengthM: circle,
      widthM: circle,
      heightM: h + 0.5,
      water: false,
      minutesPerTrial: 1,
      rigsPerAdult: h > 2.2 ? 1 : 3,
      words: `a clear circle of ${circle.toFixed(1)} m across at each rig and ${(h + 0.5).toFixed(1)} m of height`,
    };
  },
  cautions: (s, context) => withCommonCautions(descentCautions(numberOf(s, spec, "heightM")), context),
  symptoms: descentSymptoms,
  protocol: descentProtocol,
  rules: descentRules,
  howTo: descentHowTo,
  idea: descentIdea,
  questions: descentQuestions,
  drawing,
};
