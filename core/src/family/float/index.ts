import { saying, several } from "../../language/language.ts";
import { band } from "../band.ts";
import type { Bounds } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { sheetById } from "../materials/sheets.ts";
import { tokenById } from "../materials/things.ts";
import { waterDensity } from "../physical.ts";
import type { Family, Prediction, Scene, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { floatScene } from "./drawing.ts";
import { floatDesign, floatSpec, floatVariables } from "./fields.ts";
import {
  bestBoxVolume,
  claySide,
  countBound,
  greatestLoad,
  type Hull,
  hullVolume,
  loadBound,
  shareFactor,
  tips,
  usualShare,
} from "./hull.ts";
import { floatCautions, floatHowTo, floatIdea, floatProtocol, floatQuestions, floatRules, floatSymptoms, floatTiers } from "./words.ts";

/** Side of the square that a hull is made from: the sheet's, or the one that the clay can be pressed to. */
function sideOf(s: Values): number {
  return choiceOf(s, floatSpec, "from") === "clay" ? claySide(numberOf(s, floatSpec, "clayKg")) : numberOf(s, floatSpec, "sideM");
}

function hullOf(s: Values, d: Values): Hull {
  const sideM = sideOf(s);
  const wallM = Math.min(numberOf(d, floatDesign, "wallM"), sideM / 2.5);
  switch (choiceOf(d, floatDesign, "form")) {
    case "dish":
      return { form: "dish", depthM: wallM, rimRadiusM: Math.sqrt(Math.max(sideM ** 2 / 4 - wallM ** 2, 1e-4)) };
    case "free":
      return { form: "free", sideM };
    case "raft":
      return {
        form: "raft",
        closedM3:
          (numberOf(d, floatDesign, "parts") *
            Math.PI *
            numberOf(d, floatDesign, "partAcrossM") ** 2 *
            numberOf(d, floatDesign, "partLongM")) /
          4,
        rimAreaM2: numberOf(d, floatDesign, "deckM") ** 2,
        rimM: numberOf(d, floatDesign, "rimM"),
      };
    default:
      return { form: "box", sideM, wallM };
  }
}

const isRaft = (d: Values): boolean => choiceOf(d, floatDesign, "form") === "raft";

function hullKg(s: Values, d: Values): number {
  if (isRaft(d)) return numberOf(d, floatDesign, "hullKg");
  if (choiceOf(s, floatSpec, "from") === "clay") return numberOf(s, floatSpec, "clayKg");
  return sideOf(s) ** 2 * sheetById(choiceOf(d, floatDesign, "sheet")).areaMassKgM2;
}

/** Middle of tokens one deep above the base, m. */
const tokenHeightM = 0.004;

/** Foil folded by hand leaks at its corners and tips sooner than a sheet that stands by itself: the model knows less of it. */
const foilFactor = 2;

const shareBand = (s: Values, d: Values): number =>
  !isRaft(d) && choiceOf(s, floatSpec, "from") !== "clay" && choiceOf(d, floatDesign, "sheet") === "kitchen-foil"
    ? foilFactor
    : shareFactor;

const tokenOf = (s: Values) => tokenById(choiceOf(s, floatSpec, "token"));

function predict(s: Values, d: Values): readonly Prediction[] {
  const bound = loadBound(hullOf(s, d), hullKg(s, d), numberOf(s, floatSpec, "waterM"));
  const factor = shareBand(s, d);
  const load = band(usualShare * bound, factor, { atMost: bound });
  const token = tokenOf(s).massKg;
  const count = band(Math.round(load.mid / token), factor);
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
  const side = sideOf(s);
  const hull = hullKg(s, d);
  const per = measure === "count" ? tokenOf(s).massKg : 1;
  if (isRaft(d)) {
    // A bag of parts: all its closed volume, and what its rim keeps out.
    const most = (waterDensity * hullVolume(hullOf(s, d))) / per + 3 * sd;
    return { hard: [0, most], soft: [0, most] };
  }
  return {
    hard: [0, greatestLoad(side, hull) / per + 3 * sd],
    soft: [0, Math.max(0, waterDensity * bestBoxVolume(side) - hull) / per + 3 * sd],
  };
}

function drawing(s: Values, d: Values): Scene {
  const sideM = sideOf(s);
  return floatScene({
    hull: hullOf(s, d),
    sideM,
    hullKg: hullKg(s, d),
    loadKg: numberOf(s, floatSpec, "goalCount") * tokenOf(s).massKg,
    waterM: numberOf(s, floatSpec, "waterM"),
  });
}

/** Carry a load on water. */
export const float: Family = {
  id: "float",
  words: "Float",
  ask: "Carry a load on water",
  spec: floatSpec,
  design: floatDesign,
  variables: floatVariables,
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
      steps: { holds: "still afloat when we stopped", breaks: "went under at" },
    },
  ],
  settings: { goalCount: "count offered" },
  goal: (s) => ({ measure: "count", value: numberOf(s, floatSpec, "goalCount"), better: "more" }),
  goalField: () => "goalCount",
  goalWords: (s, show) => {
    const carry = saying`Carry ${numberOf(s, floatSpec, "goalCount")} ${several(tokenOf(s).words)}`;
    const from = choiceOf(s, floatSpec, "from");
    if (from === "clay") return saying`${carry} on ${show(numberOf(s, floatSpec, "clayKg"), "mass")} of clay`;
    return from === "bag"
      ? saying`${carry} on what floats from the bag`
      : saying`${carry} on a sheet of ${show(numberOf(s, floatSpec, "sideM"), "length")} square`;
  },
  predict,
  cannot: (s, d) => {
    const goal = numberOf(s, floatSpec, "goalCount") * tokenOf(s).massKg;
    const bound = loadBound(hullOf(s, d), hullKg(s, d), numberOf(s, floatSpec, "waterM"));
    if (bound <= 0) return { words: "This hull sinks by its own weight." };
    if (goal > bound)
      return {
        words: "The goal's load of {} sinks this hull: it bears {} at most.",
        fill: [
          [goal, "mass"],
          [bound, "mass"],
        ],
      };
    const hull = hullOf(s, d);
    if (hull.form !== "box") return null;
    const box = { sideM: hull.sideM, wallM: hull.wallM, hullKg: hullKg(s, d), loadKg: goal, loadHeightM: tokenHeightM };
    return tips(box) ? { words: "Under the goal's load it would tip over: wider and lower." } : null;
  },
  formOf: (_s, d) => choiceOf(d, floatDesign, "form"),
  rival: (d) => ({
    ...d,
    wallM: Math.min(0.1, 1.4 * numberOf(d, floatDesign, "wallM")),
    parts: Math.min(60, numberOf(d, floatDesign, "parts") + 4),
  }),
  levers: (s) => {
    const from = choiceOf(s, floatSpec, "from");
    if (from === "bag") return [];
    return [
      from === "clay" ? { field: "clayKg", tellsMore: "up", words: "a lump" } : { field: "sideM", tellsMore: "up", words: "a sheet" },
    ];
  },
  bounds,
  needs: (s) => {
    const side = sideOf(s);
    return {
      lengthM: 1.5 * side + 1.2,
      widthM: 1.5 * side + 1.2,
      heightM: null,
      water: true,
      floor: "washable",
      minutesPerTrial: 3,
      rigsPerAdult: 3,
      words: "a tub at least {} wide at each rig, water deeper than the walls by {}, a dry way round",
      fill: [
        [1.5 * side, "length"],
        [0.02, "length"],
      ],
    };
  },
  cautions: (_s, context) => withCommonCautions(floatCautions, context),
  symptoms: floatSymptoms,
  protocol: floatProtocol,
  rules: floatRules,
  tiers: floatTiers,
  howTo: floatHowTo,
  idea: floatIdea,
  questions: floatQuestions,
  drawing,
};
