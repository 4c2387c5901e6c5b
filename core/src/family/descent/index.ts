import { saying } from "../../language/language.ts";
import { showNumber } from "../../quantity/show.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { missBeside } from "../further.ts";
import type { Family, Prediction, Scene, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { descentScene } from "./drawing.ts";
import { type Faller, fallTime, freeFallTime, impactSpeed, slowDown } from "./fall.ts";
import { descentDesign, descentSpec, descentVariables } from "./fields.ts";
import {
  descentCautions,
  descentHowTo,
  descentIdea,
  descentProtocol,
  descentQuestions,
  descentRules,
  descentSymptoms,
  descentTiers,
} from "./words.ts";

const factor = 1.3;

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
  const cargo = typeof d["cargoKg"] === "number" ? d["cargoKg"] : numberOf(s, descentSpec, "cargoKg");
  const shape = areaAndDrag(choiceOf(d, descentDesign, "kind"), numberOf(d, descentDesign, "sizeM"));
  return { massKg: cargo + numberOf(d, descentDesign, "canopyKg"), ...shape };
}

/** The bare cargo: as dense as a paper cup with its front, 0.0044 m² for 50 g, scaled by its size. */
function controlOf(s: Values): Faller {
  const massKg = numberOf(s, descentSpec, "cargoKg");
  return { massKg, areaM2: 0.0044 * (massKg / 0.05) ** (2 / 3), drag: 1 };
}

function timeBand(faller: Faller, heightM: number): Band {
  return band(fallTime(faller, heightM), factor, { atLeast: freeFallTime(heightM) });
}

function predict(s: Values, d: Values): readonly Prediction[] {
  const h = numberOf(s, descentSpec, "heightM");
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
  const indoors = place?.indoors ?? choiceOf(s, descentSpec, "place") === "indoors";
  return boundsOf(fallerOf(s, d), numberOf(s, descentSpec, "heightM"), sd, indoors);
}

function drawing(s: Values, d: Values): Scene {
  const h = numberOf(s, descentSpec, "heightM");
  const { band: time } = predict(s, d)[0] ?? { band: band(0, 1) };
  return descentScene({
    heightM: h,
    acrossM: numberOf(d, descentDesign, "sizeM"),
    kind: choiceOf(d, descentDesign, "kind"),
    build: fallerOf(s, d),
    control: controlOf(s),
    time,
  });
}

/** Slow a fall. */
export const descent: Family = {
  id: "descent",
  words: "Descent",
  ask: "Slow a fall",
  spec: descentSpec,
  design: descentDesign,
  variables: descentVariables,
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
  further: () => [missBeside],
  settings: { heightM: "drop height" },
  worked: (spec, si) => ({ words: "mean speed {}", fill: [[numberOf(spec, descentSpec, "heightM") / si, "speed"]] }),
  goal: (s) => ({ measure: "time", value: numberOf(s, descentSpec, "goalS"), better: "more" }),
  goalField: () => "goalS",
  goalWords: (s, show) =>
    saying`Fall ${show(numberOf(s, descentSpec, "heightM"), "length")} in ${showNumber(numberOf(s, descentSpec, "goalS"), 1)} s or longer`,
  predict,
  cannot: (s, d) => {
    const speed = impactSpeed(fallerOf(s, d), numberOf(s, descentSpec, "heightM"));
    const bare = impactSpeed(controlOf(s), numberOf(s, descentSpec, "heightM"));
    return speed > bare * 0.97
      ? {
          words: "This canopy hardly slows it: {} where the bare cargo lands at {}. Larger, or less cargo.",
          fill: [
            [speed, "speed"],
            [bare, "speed"],
          ],
        }
      : null;
  },
  formOf: (_s, d) => choiceOf(d, descentDesign, "kind"),
  rival: (d) => ({ ...d, sizeM: Math.min(0.9, 1.3 * numberOf(d, descentDesign, "sizeM")) }),
  levers: () => [{ field: "heightM", tellsMore: "up", words: "a drop" }],
  bounds,
  controlBounds: (s, _d, sd) => boundsOf(controlOf(s), numberOf(s, descentSpec, "heightM"), sd, false),
  needs: (s) => {
    const h = numberOf(s, descentSpec, "heightM");
    const circle = 0.5 + 0.3 * h;
    return {
      lengthM: circle,
      widthM: circle,
      heightM: h + 0.5,
      water: false,
      floor: "any",
      minutesPerTrial: 1,
      rigsPerAdult: h > 2.2 ? 1 : 3,
      words: "a clear circle of {} across at each rig and {} of height",
      fill: [
        [circle, "length"],
        [h + 0.5, "length"],
      ],
    };
  },
  cautions: (s, context) => withCommonCautions(descentCautions(numberOf(s, descentSpec, "heightM")), context),
  symptoms: descentSymptoms,
  protocol: descentProtocol,
  rules: descentRules,
  tiers: descentTiers,
  howTo: descentHowTo,
  idea: descentIdea,
  questions: descentQuestions,
  drawing,
};
