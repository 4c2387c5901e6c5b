import { said, saying } from "../../language/language.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { type Faller, impactSpeed, terminalSpeed } from "../descent/fall.ts";
import { payloads, riders } from "../materials/things.ts";
import { gravity } from "../physical.ts";
import type { Family, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { landingScene } from "./drawing.ts";
import { landingDesign, landingSpec, landingVariables } from "./fields.ts";
import { type Cushion, greatestDrop, peakG, rebound, staysIn, touchSpeed } from "./impact.ts";
import {
  landingCautions,
  landingHowTo,
  landingIdea,
  landingProtocol,
  landingQuestions,
  landingRules,
  landingSymptoms,
  landingTiers,
} from "./words.ts";

/** A canopy's drag on its area laid flat. */
const canopyDrag = 0.75;

/** Of the padding's thickness this much can be crushed. */
const crushable = 0.6;

const isWhole = (s: Values): boolean => choiceOf(s, landingSpec, "outcome") === "whole";
const goalOf = (s: Values): number => numberOf(s, landingSpec, "goalM");
const payloadOf = (s: Values) => payloads.find((p) => p.id === choiceOf(s, landingSpec, "payload")) ?? payloads[0];
const riderOf = (s: Values) => riders.find((r) => r.id === choiceOf(s, landingSpec, "rider")) ?? riders[0];
const crushOf = (d: Values): number => crushable * numberOf(d, landingDesign, "paddingM");
const cushionOf = (d: Values): Cushion => (choiceOf(d, landingDesign, "cushion") === "even" ? "even" : "springy");
const wallOf = (d: Values): number => numberOf(d, landingDesign, "wallM");

/** What falls under a canopy; null without one. */
function fallerOf(d: Values): Faller | null {
  const kind = choiceOf(d, landingDesign, "canopy");
  if (kind === "none") return null;
  const across = numberOf(d, landingDesign, "canopyM");
  const areaM2 = kind === "round" ? (Math.PI * across ** 2) / 4 : across ** 2;
  return { massKg: numberOf(d, landingDesign, "fallingKg"), areaM2, drag: canopyDrag };
}

function canopyOf(d: Values) {
  const faller = fallerOf(d);
  return faller && { faller, acrossM: numberOf(d, landingDesign, "canopyM") };
}

/** The height without air that gives the same speed at touch-down, m: v²/(2 g). */
function sameSpeedDrop(h: number, d: Values): number {
  const faller = fallerOf(d);
  return faller ? impactSpeed(faller, h) ** 2 / (2 * gravity) : h;
}

/** What is told where it never falls too fast: twice the highest that is tried. */
const mostDrop = (s: Values): number => 2 * Math.max(goalOf(s), numberOf(s, landingSpec, "lastM"));

/** The real height from which it touches down as from so high without air; from any height where it never falls faster: told as twice the highest that is tried. */
function realDrop(equal: number, s: Values, d: Values): number {
  const faller = fallerOf(d);
  if (!faller) return equal;
  const highest = mostDrop(s);
  const settled = terminalSpeed(faller) ** 2 / (2 * gravity);
  return equal >= settled ? highest : Math.min(highest, -settled * Math.log1p(-equal / settled));
}

function survivedBand(s: Values, d: Values): Band {
  const { mid, low, high, factor } = isWhole(s)
    ? band(greatestDrop(crushOf(d), payloadOf(s).toleranceG, cushionOf(d)), 2)
    : band(wallOf(d) / riderOf(s).bounce ** 2, 1.5);
  return {
    mid: realDrop(mid, s, d),
    low: realDrop(low, s, d),
    high: realDrop(high, s, d),
    factor,
    ...(fallerOf(d) ? { beyond: mostDrop(s) } : {}),
  };
}

function predict(s: Values, d: Values): readonly Prediction[] {
  const h = sameSpeedDrop(goalOf(s), d);
  const survived: Prediction = { id: "survived", words: "Highest drop it comes through", dimension: "length", band: survivedBand(s, d) };
  const speed: Prediction = {
    id: "speed",
    words: "Speed at first touch, from the goal's height",
    dimension: "speed",
    band: band(touchSpeed(h), 1),
  };
  return isWhole(s)
    ? [
        survived,
        { id: "peak", words: "Push on the cargo there", dimension: "gees", band: band(peakG(h, crushOf(d), cushionOf(d)), 2) },
        speed,
      ]
    : [survived, { id: "rebound", words: "Riders jump there", dimension: "length", band: band(rebound(h, riderOf(s).bounce), 1.5) }, speed];
}

function bounds(measure: string, s: Values, d: Values, sd: number, place?: Place): Bounds {
  if (measure === "crush") return { hard: [0, numberOf(d, landingDesign, "buildM") + 3 * sd], soft: [0, Number.POSITIVE_INFINITY] };
  const { mid, factor } = survivedBand(s, d);
  return { hard: tightest(commonHard("height", sd, place), [0, Number.POSITIVE_INFINITY]), soft: usualSoft(mid, factor, sd) };
}

function cannot(s: Values, d: Values): Told | null {
  const h = sameSpeedDrop(goalOf(s), d);
  if (isWhole(s)) return null;
  if (staysIn(h, riderOf(s).bounce, wallOf(d))) return null;
  return {
    words: "From {} this rider is likely to jump {}, over the wall of {}: softer legs, or a deeper cabin.",
    fill: [
      [goalOf(s), "length"],
      [rebound(h, riderOf(s).bounce), "length"],
      [wallOf(d), "length"],
    ],
  };
}

/** Protect what is inside. */
export const landing: Family = {
  id: "landing",
  words: "Landing",
  ask: "Bring a cargo down whole",
  spec: landingSpec,
  design: landingDesign,
  variables: landingVariables,
  measures: () => [
    {
      id: "survived",
      words: "Highest drop it came through",
      dimension: "length",
      quality: "height",
      better: "more",
      unit: "m",
      instruments: ["tape"],
      steps: { holds: "came through the highest we tried", breaks: "did not come through at" },
    },
    {
      id: "crush",
      words: "How much it was squashed",
      dimension: "length",
      quality: "sag",
      better: "less",
      unit: "mm",
      instruments: ["ruler", "tape"],
    },
  ],
  settings: { goalM: "drop height", side: "side that was hit" },
  ladder: (s) => ({ first: numberOf(s, landingSpec, "firstM"), last: numberOf(s, landingSpec, "lastM") }),
  goal: (s) => ({ measure: "survived", value: goalOf(s), better: "more" }),
  goalField: () => "goalM",
  goalWords: (s, show) =>
    isWhole(s)
      ? saying`Bring a ${said(payloadOf(s).words)} down whole from ${show(goalOf(s), "length")}`
      : saying`Keep every ${said(riderOf(s).words)} aboard from ${show(goalOf(s), "length")}`,
  predict,
  cannot,
  formOf: (s, d) => `${isWhole(s) ? cushionOf(d) : "riders"}${fallerOf(d) ? " under a canopy" : ""}`,
  rival: (d) => ({ ...d, paddingM: Math.min(0.25, 2 * numberOf(d, landingDesign, "paddingM")), wallM: Math.min(0.2, 1.5 * wallOf(d)) }),
  levers: () => [],
  bounds,
  needs: (s) => {
    const h = Math.max(goalOf(s), numberOf(s, landingSpec, "lastM"));
    const circle = 0.5 + 0.2 * h;
    return {
      lengthM: circle,
      widthM: circle,
      heightM: h + 0.5,
      water: false,
      floor: "washable",
      minutesPerTrial: 2,
      rigsPerAdult: h > 2.2 ? 1 : 3,
      words: "a washable circle of {} across at each rig and {} of height",
      fill: [
        [circle, "length"],
        [h + 0.5, "length"],
      ],
    };
  },
  cautions: (s, context) => {
    const food = isWhole(s) ? payloadOf(s) : riderOf(s);
    const allergen = "allergen" in food ? [food.allergen] : [];
    const latex = context.latex || (isWhole(s) && "latex" in food);
    const allergens = [...new Set([...context.allergens, ...allergen])];
    return withCommonCautions(landingCautions(Math.max(goalOf(s), numberOf(s, landingSpec, "lastM")), allergen.length > 0), {
      ...context,
      latex,
      allergens,
    });
  },
  symptoms: landingSymptoms,
  protocol: landingProtocol,
  rules: landingRules,
  tiers: landingTiers,
  howTo: landingHowTo,
  idea: landingIdea,
  questions: landingQuestions,
  drawing: (s, d) => {
    const h = goalOf(s);
    const whole = isWhole(s);
    const comesThrough = survivedBand(s, d).mid >= h;
    return landingScene({
      heightM: h,
      firstM: numberOf(s, landingSpec, "firstM"),
      lastM: numberOf(s, landingSpec, "lastM"),
      buildM: numberOf(d, landingDesign, "buildM"),
      crushM: whole ? Math.min(crushOf(d), numberOf(d, landingDesign, "buildM") * 0.8) : 0,
      speed: touchSpeed(sameSpeedDrop(h, d)),
      bounceM: whole ? null : rebound(sameSpeedDrop(h, d), riderOf(s).bounce),
      wallM: wallOf(d),
      canopy: canopyOf(d),
      verdict: whole
        ? comesThrough
          ? "should come through"
          : "likely to break"
        : comesThrough
          ? "riders should stay aboard"
          : "riders likely to jump out",
    });
  },
};
