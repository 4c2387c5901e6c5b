import { saying } from "../../language/language.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { timeBeside } from "../further.ts";
import { sticks } from "../materials/sticks.ts";
import { gravity } from "../physical.ts";
import type { Family, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { tallScene } from "./drawing.ts";
import { tallDesign, tallSpec, tallVariables } from "./fields.ts";
import { highestStack } from "./limits.ts";
import { type Base, type Budget, crushLoad, tipAngle, towerBudget, usualLeanCos } from "./tower.ts";
import { tallCautions, tallHowTo, tallIdea, tallProtocol, tallQuestions, tallRules, tallSymptoms, tallTiers } from "./words.ts";

const s = (spec: Values, id: string): number => numberOf(spec, tallSpec, id);
const stickOf = (spec: Values) => sticks[choiceOf(spec, tallSpec, "stick")] ?? sticks["spaghetti"];
const leanCos = (design: Values): number => (choiceOf(design, tallDesign, "braces") === "cut" ? 1 : usualLeanCos);

function budgetOf(spec: Values, design: Values): Budget {
  const used = (id: string, of: string): number => Math.min(Math.round(numberOf(design, tallDesign, id)), Math.round(s(spec, of)));
  return towerBudget(used("sticksUsed", "sticks"), used("jointsUsed", "joints"), s(spec, "stickM"), leanCos(design));
}

const heightBand = (spec: Values, design: Values): Band => band(budgetOf(spec, design).predictedM, 1.4);

/** Mass of the sticks, and 5 g a joint. */
function towerKg(spec: Values, design: Values): number {
  const line = stickOf(spec)?.lineMass ?? 0.004;
  const used = Math.min(numberOf(design, tallDesign, "sticksUsed"), s(spec, "sticks"));
  return used * s(spec, "stickM") * line + 0.005 * Math.min(numberOf(design, tallDesign, "jointsUsed"), s(spec, "joints"));
}

function tipOf(spec: Values, design: Values): number {
  const base = choiceOf(design, tallDesign, "base");
  const shape: Base = base === "square" || base === "round" ? base : "triangle";
  return tipAngle(
    shape,
    numberOf(design, tallDesign, "baseM"),
    Math.max(budgetOf(spec, design).predictedM, 0.01),
    towerKg(spec, design),
    s(spec, "topKg"),
  );
}

function crushKg(spec: Values, design: Values): number {
  const stick = stickOf(spec);
  return stick ? crushLoad(stick.section, s(spec, "stickM"), stick.stiffnessPa, stick.bendingPa, leanCos(design)) / gravity : 0;
}

function predict(spec: Values, design: Values): readonly Prediction[] {
  const { layers, peak } = budgetOf(spec, design);
  return [
    {
      id: "height",
      words: `Height, ${layers} ${layers === 1 ? "layer" : "layers"}${peak ? " and a peak" : ""}`,
      dimension: "length",
      band: heightBand(spec, design),
    },
    { id: "crush", words: "Load that would crush its top", dimension: "mass", band: band(crushKg(spec, design), 2) },
    { id: "tip", words: "Leans this far before it falls", dimension: "angle", band: band(tipOf(spec, design), 1.2) },
  ];
}

function bounds(_measure: string, spec: Values, design: Values, sd: number, place?: Place): Bounds {
  const most = highestStack(s(spec, "sticks"), s(spec, "joints"), s(spec, "stickM"));
  const { layers, peak } = towerBudget(Math.round(s(spec, "sticks")), Math.round(s(spec, "joints")), s(spec, "stickM"), leanCos(design));
  return {
    hard: tightest(commonHard("height", sd, place), [0, most + 3 * sd]),
    soft: [0, 1.25 * (layers + peak) * s(spec, "stickM") + 3 * sd],
  };
}

function cannot(spec: Values, design: Values): Told | null {
  const { layers, peak } = budgetOf(spec, design);
  if (layers + peak === 0)
    return { words: "So few sticks or joints make no layer: a base takes 3 and 3, each layer 9 sticks and 3 joints." };
  const top = s(spec, "topKg");
  const crush = crushKg(spec, design);
  if (top > crush)
    return {
      words: "The load of {} is likely to crush its top, which bears about {}: shorter or thicker sticks.",
      fill: [
        [top, "mass"],
        [crush, "mass"],
      ],
    };
  return null;
}

/** Build high. */
export const tall: Family = {
  id: "tall",
  words: "Tall",
  ask: "Build high from few sticks",
  spec: tallSpec,
  design: tallDesign,
  variables: tallVariables,
  measures: () => [
    { id: "height", words: "Height", dimension: "length", quality: "height", better: "more", unit: "cm", instruments: ["ruler", "tape"] },
  ],
  further: () => [timeBeside("Time it stood")],
  settings: { topKg: "load on top" },
  goal: (spec) => ({ measure: "height", value: s(spec, "goalM"), better: "more" }),
  goalField: () => "goalM",
  goalWords: (spec, show) =>
    saying`Stand ${show(s(spec, "goalM"), "length")} high for ${s(spec, "standS").toFixed(0)} s, from ${s(spec, "sticks")} sticks and ${s(spec, "joints")} joints`,
  predict,
  cannot,
  formOf: (spec) => choiceOf(spec, tallSpec, "stick"),
  rival: (design) => ({ ...design, braces: choiceOf(design, tallDesign, "braces") === "cut" ? "whole" : "cut" }),
  levers: () => [{ field: "sticks", tellsMore: "up", words: "a kit" }],
  bounds,
  needs: (spec) => {
    const high = towerBudget(Math.round(s(spec, "sticks")), Math.round(s(spec, "joints")), s(spec, "stickM"), 1).heightM + 0.5;
    return {
      lengthM: 1.2,
      widthM: 1.2,
      heightM: high,
      water: false,
      floor: "level",
      minutesPerTrial: 2,
      rigsPerAdult: 3,
      words: "{} × {} for each team and {} of height",
      fill: [
        [1.2, "length"],
        [1.2, "length"],
        [high, "length"],
      ],
    };
  },
  cautions: (spec, context) => {
    const wheat = choiceOf(spec, tallSpec, "stick") === "spaghetti" && !context.allergens.includes("wheat") ? ["wheat"] : [];
    return withCommonCautions(tallCautions, { ...context, allergens: [...context.allergens, ...wheat] });
  },
  symptoms: tallSymptoms,
  protocol: tallProtocol,
  rules: tallRules,
  tiers: tallTiers,
  howTo: tallHowTo,
  idea: tallIdea,
  questions: tallQuestions,
  drawing: (spec, design) =>
    tallScene({
      budget: budgetOf(spec, design),
      baseM: numberOf(design, tallDesign, "baseM"),
      goalM: s(spec, "goalM"),
      topKg: s(spec, "topKg"),
      tip: tipOf(spec, design),
    }),
};
