import { saying } from "../../language/language.ts";
import { band } from "../band.ts";
import { type Bounds, commonHard, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { tokenById } from "../materials/things.ts";
import { gravity } from "../physical.ts";
import type { Family, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { greatestLoadKg } from "./bounds.ts";
import { materialBound, structureOf, wellMade } from "./build.ts";
import { spanScene } from "./drawing.ts";
import { spanDesign, spanSpec, spanVariables } from "./fields.ts";
import { factors, hold, sag } from "./structure.ts";
import { spanCautions, spanHowTo, spanIdea, spanProtocol, spanQuestions, spanRules, spanSymptoms, spanTiers } from "./words.ts";

const holdFactor = 2.5;

function loadBand(spec: Values, design: Values, built = structureOf(spec, design)) {
  const kg = hold(built, numberOf(spec, spanSpec, "deckHeightM")) / gravity;
  return band(kg, holdFactor);
}

function predict(spec: Values, design: Values): readonly Prediction[] {
  const built = structureOf(spec, design);
  const deck = numberOf(spec, spanSpec, "deckHeightM");
  const sagM = sag(built, numberOf(spec, spanSpec, "loadKg") * gravity);
  const load: Prediction = { id: "load", words: "Greatest load held", dimension: "mass", band: loadBand(spec, design) };
  if (sagM === null) return [load];
  return [
    load,
    {
      id: "sag",
      words: "Sag under the goal's load",
      dimension: "length",
      band: band(Math.min(sagM, deck), factors(built.form).sag, { atMost: deck }),
    },
  ];
}

function cannot(spec: Values, design: Values): Told | null {
  const { mid } = loadBand(spec, design);
  if (mid > 0) return null;
  return {
    words: "This deck can't carry its own weight over {}: shorten the gap, or make it deeper.",
    fill: [[numberOf(spec, spanSpec, "gapM"), "length"]],
  };
}

function bounds(measure: string, spec: Values, design: Values, sd: number): Bounds {
  if (measure === "sag") {
    return { hard: [0, numberOf(spec, spanSpec, "deckHeightM") + 3 * sd], soft: [0, Number.POSITIVE_INFINITY] };
  }
  const common = commonHard("load", sd);
  const bound = materialBound(spec, design);
  const most = bound
    ? greatestLoadKg(bound.tensilePa, bound.volumeM3, numberOf(spec, spanSpec, "gapM")) + 3 * sd
    : Number.POSITIVE_INFINITY;
  // What only a well made one holds is not rare: the model knows little of joints.
  const { mid, factor } = loadBand(spec, design, wellMade(spec, design));
  return { hard: tightest(common, [0, most]), soft: usualSoft(mid, factor, sd) };
}

/** Bridge a gap and hold a load. */
export const span: Family = {
  id: "span",
  words: "Span",
  ask: "Bridge a gap and hold a load",
  spec: spanSpec,
  design: spanDesign,
  variables: spanVariables,
  measures: () => [
    {
      id: "load",
      words: "Greatest load held",
      dimension: "mass",
      quality: "load",
      better: "more",
      unit: "g",
      instruments: ["kitchen scale", "pocket scale", "bathroom scale"],
      token: tokenById("load-bag"),
      steps: { holds: "still holding when we stopped", breaks: "gave way at" },
    },
    { id: "sag", words: "Sag", dimension: "length", quality: "sag", better: "less", unit: "mm", instruments: ["ruler", "tape"] },
  ],
  settings: { loadKg: "load offered", gapM: "gap" },
  goal: (spec) => ({ measure: "load", value: numberOf(spec, spanSpec, "loadKg"), better: "more" }),
  goalField: () => "loadKg",
  goalWords: (spec, show) => {
    const [gap, load] = [show(numberOf(spec, spanSpec, "gapM"), "length"), show(numberOf(spec, spanSpec, "loadKg"), "mass")];
    const holdS = numberOf(spec, spanSpec, "holdS");
    return choiceOf(spec, spanSpec, "until") === "fails"
      ? saying`Span ${gap}, hold ${load} or more for ${holdS} s`
      : saying`Span ${gap}, hold ${load} for ${holdS} s`;
  },
  predict,
  cannot,
  formOf: (_spec, design) => choiceOf(design, spanDesign, "form"),
  rival: (design) => ({
    ...design,
    depthM: Math.min(0.04, 1.5 * numberOf(design, spanDesign, "depthM")),
    sideM: Math.min(0.06, 1.5 * numberOf(design, spanDesign, "sideM")),
    sheets: Math.min(12, numberOf(design, spanDesign, "sheets") + 2),
  }),
  levers: () => [{ field: "gapM", tellsMore: "down", words: "a gap" }],
  bounds,
  needs: (spec) => {
    const length = numberOf(spec, spanSpec, "gapM") + 1;
    return {
      lengthM: length,
      widthM: 1.5,
      heightM: null,
      water: false,
      floor: "level",
      minutesPerTrial: 3,
      rigsPerAdult: 3,
      words: "{} × {} of clear floor at each rig, with a catch tray under the deck",
      fill: [
        [1.5, "length"],
        [length, "length"],
      ],
    };
  },
  cautions: (_spec, context) => withCommonCautions(spanCautions, context),
  symptoms: spanSymptoms,
  protocol: spanProtocol,
  rules: spanRules,
  tiers: spanTiers,
  howTo: spanHowTo,
  idea: spanIdea,
  questions: spanQuestions,
  drawing: spanScene,
};
