import { band } from "../band.ts";
import type { Bounds } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { sheetById, sheets, tokenById, tokens } from "../materials.ts";
import { waterDensity } from "../physical.ts";
import type { Family, Field, Prediction, Scene, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import {
  bestBoxVolume,
  countBound,
  draft,
  greatestLoad,
  type Hull,
  loadBound,
  metacentricHeight,
  shareFactor,
  usualShare,
} from "./hull.ts";
import { floatCautions, floatHowTo, floatIdea, floatProtocol, floatQuestions, floatRules, floatSymptoms } from "./words.ts";

const spec: readonly Field[] = [
  {
    kind: "number",
    id: "sideM",
    words: "Square sheet, side",
    dimension: "length",
    min: 0.08,
    max: 0.4,
    step: 0.005,
    start: 0.2,
    unit: "mm",
  },
  {
    kind: "choice",
    id: "token",
    words: "Token",
    start: "washer-m10",
    options: tokens.filter((t) => t.id !== "load-bag").map((t) => ({ id: t.id, words: t.words })),
  },
  { kind: "number", id: "goalCount", words: "Tokens to carry", dimension: "count", min: 1, max: 300, step: 1, start: 40 },
  { kind: "number", id: "waterM", words: "Water depth", dimension: "length", min: 0.03, max: 0.4, step: 0.01, start: 0.12, unit: "mm" },
];

const formField: Field = {
  kind: "choice",
  id: "form",
  words: "Form",
  start: "box",
  options: [
    { id: "box", words: "open box" },
    { id: "dish", words: "round dish" },
    { id: "free", words: "free" },
  ],
};

const wall: Field = {
  kind: "number",
  id: "wallM",
  words: "Wall height",
  dimension: "length",
  min: 0.005,
  max: 0.1,
  step: 0.001,
  start: 0.03,
  unit: "mm",
};

const design: readonly Field[] = [
  formField,
  { kind: "choice", id: "sheet", words: "Sheet", start: "kitchen-foil", options: sheets.map((s) => ({ id: s.id, words: s.words })) },
  { ...wall, when: { field: "form", is: ["box", "dish"] } },
];

const variables: readonly Field[] = [formField, { ...wall, unit: "cm" }];

function hullOf(s: Values, d: Values): Hull {
  const sideM = numberOf(s, spec, "sideM");
  const wallM = Math.min(numberOf(d, design, "wallM"), sideM / 2.5);
  switch (choiceOf(d, design, "form")) {
    case "dish":
      return { form: "dish", depthM: wallM, rimRadiusM: Math.sqrt(Math.max(sideM ** 2 / 4 - wallM ** 2, 1e-4)) };
    case "free":
      return { form: "free", sideM };
    default:
      return { form: "box", sideM, wallM };
  }
}

const hullKg = (s: Values, d: Values): number => numberOf(s, spec, "sideM") ** 2 * sheetById(choiceOf(d, design, "sheet")).areaMassKgM2;

const tokenOf = (s: Values) => tokenById(choiceOf(s, spec, "token"));

function predict(s: Values, d: Values): readonly Prediction[] {
  const bound = loadBound(hullOf(s, d), hullKg(s, d), numberOf(s, spec, "waterM"));
  const load = band(usualShare * bound, shareFactor, { atMost: bound });
  const token = tokenOf(s).massKg;
  const count = band(Math.round(load.mid / token), shareFactor);
  const most = countBound(bound, token);
  return [
    {
      id: "count",
      words: "Tokens carried",
      dimension: "count",
      band: { ...count, low: Math.round(load.low / token), high: Math.min(most, Math.round(load.high / token)) },
    },
    { id: "load", words: "Load carried", dimension: "mass", band: load },
    { id: "bound", words: "Hull bound: no load above this stays dry", dimension: "mass", band: band(bound, 1) },
  ];
}

function bounds(measure: string, s: Values, d: Values, sd: number): Bounds {
  const side = numberOf(s, spec, "sideM");
  const hull = hullKg(s, d);
  const per = measure === "count" ? tokenOf(s).massKg : 1;
  return {
    hard: [0, greatestLoad(side, hull) / per + 3 * sd],
    soft: [0, Math.max(0, waterDensity * bestBoxVolume(side) - hull) / per + 3 * sd],
  };
}

function drawing(s: Values, d: Values): Scene {
  const side = numberOf(s, spec, "sideM");
  const water = numberOf(s, spec, "waterM");
  const hull = hullOf(s, d);
  const wallM = hull.form === "box" ? hull.wallM : hull.form === "dish" ? hull.depthM : side / 6;
  const base = hull.form === "dish" ? hull.rimRadiusM * 2 : side - 2 * wallM;
  const goalKg = numberOf(s, spec, "goalCount") * tokenOf(s).massKg;
  const box = { sideM: side, wallM, hullKg: hullKg(s, d), loadKg: goalKg, loadHeightM: 0.004 };
  const sunk = Math.min(draft(box), wallM, water);
  const steady = metacentricHeight(box) > 0;
  const tub = Math.max(1.5 * side, base * 1.3);
  const edge = 0.02;
  const left = edge + (tub - base) / 2;
  const keel = water - sunk;
  const floats = draft(box) < wallM;
  return {
    width: tub + 2 * edge + side * 0.5,
    height: water + wallM + side * 0.3,
    describe: "A hull in a tub of water, sunk as deep as the goal's tokens press it.",
    marks: [
      { kind: "block", role: "water", x: edge, y: 0, w: tub, h: water },
      {
        kind: "path",
        role: "tub",
        points: [
          [edge, water + 0.03],
          [edge, 0],
          [edge + tub, 0],
          [edge + tub, water + 0.03],
        ],
      },
      {
        kind: "path",
        role: "build",
        points:
          hull.form === "dish"
            ? arc(left, keel, base, wallM)
            : [
                [left, keel + wallM],
                [left, keel],
                [left + base, keel],
                [left + base, keel + wallM],
              ],
      },
      { kind: "block", role: "load", x: left + base * 0.25, y: keel, w: base * 0.5, h: Math.min(wallM * 0.8, 0.012) },
      {
        kind: "measure",
        from: [left, water + wallM + side * 0.08],
        to: [left + base, water + wallM + side * 0.08],
        valueSi: base,
        words: "base",
      },
      { kind: "measure", from: [edge + tub + side * 0.12, 0], to: [edge + tub + side * 0.12, water], valueSi: water, words: "water" },
      {
        kind: "note",
        x: left + base / 2,
        y: water + wallM + side * 0.2,
        tone: "predicted",
        anchor: "middle",
        words: !floats
          ? "the goal's load would sink this hull"
          : steady
            ? "floats level with the goal's load"
            : "would tip: wider and lower",
      },
    ],
  };
}

function arc(left: number, keel: number, width: number, depth: number): (readonly [number, number])[] {
  return Array.from({ length: 21 }, (_, i) => {
    const u = i / 10 - 1;
    return [left + (width * (u + 1)) / 2, keel + depth * u * u] as const;
  });
}

/** Carry a load on water. */
export const float: Family = {
  id: "float",
  words: "Float",
  ask: "Carry a load on water",
  spec,
  design,
  variables,
  measures: (s) => [
    {
      id: "count",
      words: "Tokens carried",
      dimension: "count",
      quality: "count",
      better: "more",
      unit: null,
      instruments: ["token count"],
      token: tokenOf(s),
    },
  ],
  goal: (s) => ({ measure: "count", value: numberOf(s, spec, "goalCount"), better: "more" }),
  goalField: "goalCount",
  goalWords: (s, show) =>
    `Carry ${numberOf(s, spec, "goalCount")} ${tokenOf(s).words}s on a sheet of ${show(numberOf(s, spec, "sideM"), "length")} square`,
  predict,
  bounds,
  needs: (s) => {
    const side = numberOf(s, spec, "sideM");
    return {
      lengthM: 1.5 * side + 1.2,
      widthM: 1.5 * side + 1.2,
      heightM: null,
      water: true,
      minutesPerTrial: 3,
      rigsPerAdult: 3,
      words: `a tub at least ${Math.ceil(150 * side)} cm wide at each rig, water deeper than the walls by 20 mm, a dry way round`,
    };
  },
  cautions: (_s, context) => withCommonCautions(floatCautions, context),
  symptoms: floatSymptoms,
  protocol: floatProtocol,
  rules: floatRules,
  howTo: floatHowTo,
  idea: floatIdea,
  questions: floatQuestions,
  drawing,
};
