import { said, saying } from "../../language/language.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { type Flight, fly, laneOf } from "../flight.ts";
import { distanceBeside, sideBeside, timeBeside } from "../further.ts";
import { laneScene } from "../launchBand/drawing.ts";
import { remembered } from "../remembered.ts";
import { lineMark } from "../scene.ts";
import type { Family, Mark, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { puffDesign, puffSpec, puffVariables } from "./fields.ts";
import { neverPuffed, type Rocket, strongestPuff } from "./limits.ts";
import { pressures, puffSpeed, type Source } from "./puff.ts";
import { type Outline, pressureCentre, staticMargin } from "./straight.ts";
import { puffCautions, puffHowTo, puffIdea, puffProtocol, puffQuestions, puffRules, puffSymptoms, puffTiers } from "./words.ts";

const rangeFactor = 1.8;
/** Paper walls and a loose fit on the tube, m on the diameter. */
const bodyOverTube = 0.0012;
const rocketDrag = 0.6;

const s = (spec: Values, id: string): number => numberOf(spec, puffSpec, id);
const d = (design: Values, id: string): number => numberOf(design, puffDesign, id);
const isFar = (spec: Values): boolean => choiceOf(spec, puffSpec, "aim") === "far";
const sourceOf = (spec: Values): Source => (choiceOf(spec, puffSpec, "source") === "stomp" ? "stomp" : "breath");
const bodyOf = (spec: Values): number => s(spec, "tubeM") + bodyOverTube;

function outlineOf(spec: Values, design: Values): Outline {
  const lengthM = d(design, "lengthM");
  const rootM = Math.min(d(design, "rootM"), lengthM);
  return {
    bodyM: bodyOf(spec),
    noseM: Math.min(d(design, "noseM"), lengthM),
    nose: choiceOf(design, puffDesign, "nose") === "rounded" ? "rounded" : "cone",
    fins: Math.round(d(design, "fins")),
    finSpanM: d(design, "finSpanM"),
    rootM,
    tipM: d(design, "tipM"),
    sweepM: d(design, "sweepM"),
    rootAtM: lengthM - rootM,
  };
}

const marginOf = (spec: Values, design: Values): number =>
  staticMargin(outlineOf(spec, design), Math.min(d(design, "massAtM"), d(design, "lengthM")));

function speedOf(spec: Values, design: Values): number {
  const overlapM = Math.min(d(design, "overlapM"), d(design, "lengthM"));
  return puffSpeed({ pressure: pressures[sourceOf(spec)].usual, tubeM: s(spec, "tubeM"), overlapM, massKg: d(design, "massKg") });
}

const flightOf = remembered((spec: Values, design: Values): Flight => {
  return fly({
    speed: speedOf(spec, design),
    angle: d(design, "angle"),
    heightM: s(spec, "releaseM"),
    massKg: d(design, "massKg"),
    acrossM: bodyOf(spec),
    drag: rocketDrag,
  });
});

const allowed = (spec: Values): Rocket => ({
  source: sourceOf(spec),
  tubeM: s(spec, "tubeM"),
  overlapM: s(spec, "mostOverlapM"),
  massKg: s(spec, "leastKg"),
  bodyM: bodyOf(spec),
  heightM: s(spec, "releaseM"),
});

/** Which of the allowed goes farthest: the lightest starts fastest, but a heavier one keeps its speed. */
const strongest = remembered((spec: Values): Flight => {
  const rocket = allowed(spec);
  return [1, 2, 5]
    .map((times) => strongestPuff({ ...rocket, massKg: rocket.massKg * times }))
    .reduce((best, flight) => (flight.rangeM > best.rangeM ? flight : best));
});

const never = remembered((spec: Values, massKg: number): number => {
  const rocket = allowed(spec);
  return Math.max(...[rocket.massKg, massKg, rocket.massKg * 2, rocket.massKg * 5].map((m) => neverPuffed({ ...rocket, massKg: m })));
});

const rangeBand = (flight: Flight): Band => band(flight.rangeM, rangeFactor);

function predict(spec: Values, design: Values): readonly Prediction[] {
  const flight = flightOf(spec, design);
  const margin = marginOf(spec, design);
  return [
    { id: "distance", words: "Distance to first touch", dimension: "length", band: rangeBand(flight) },
    {
      id: "margin",
      words: margin > 3 ? "Steadiness, so great that it turns into any wind" : "Steadiness: pressure behind balance",
      dimension: "calibres",
      band: { mid: margin, low: margin - 0.5, high: margin + 0.5, factor: 1 },
    },
    { id: "speed", words: "Speed off the tube", dimension: "speed", band: band(speedOf(spec, design), 1.4) },
    { id: "time", words: "Time in the air", dimension: "time", band: band(flight.timeS, 1.3) },
  ];
}

function bounds(measure: string, spec: Values, design: Values, sd: number, place?: Place): Bounds {
  const hard = tightest(commonHard("distance", sd, place), [0, never(spec, d(design, "massKg")) + 3 * sd]);
  return { hard, soft: measure === "distance" ? usualSoft(flightOf(spec, design).rangeM, rangeFactor, sd) : hard };
}

function cannot(spec: Values, design: Values): Told | null {
  if (d(design, "overlapM") > d(design, "lengthM")) return { words: "The part on the tube is longer than the rocket." };
  const margin = marginOf(spec, design);
  if (d(design, "fins") < 3 && d(design, "fins") > 0)
    return { words: "Fewer than three fins leave one way bare: it will not hold its line." };
  if (margin < 1)
    return { words: "Not steady: {} where 1 is wanted. More nose weight, or larger fins at the tail.", fill: [[margin, "calibres"]] };
  return null;
}

/** The rocket itself, large, with its balance point and its centre of pressure. */
function rocketMarks(spec: Values, design: Values, x: number, y: number, scale: number): readonly Mark[] {
  const outline = outlineOf(spec, design);
  const length = d(design, "lengthM") * scale;
  const r = (outline.bodyM / 2) * scale;
  const at = (fromNose: number): number => x + length - fromNose * scale;
  const nose = outline.noseM * scale;
  const root = at(outline.rootAtM);
  const finOut = outline.finSpanM * scale;
  const tip = root - outline.sweepM * scale;
  const fin = (side: 1 | -1): Mark =>
    lineMark(
      "build",
      [
        [root, y + side * r],
        [tip, y + side * (r + finOut)],
        [tip - outline.tipM * scale, y + side * (r + finOut)],
        [root - outline.rootM * scale, y + side * r],
      ],
      true,
    );
  const mass = at(Math.min(d(design, "massAtM"), d(design, "lengthM")));
  const pressure = at(pressureCentre(outline));
  const dot = Math.max(r * 0.7, length * 0.015);
  return [
    lineMark(
      "build",
      [
        [x, y - r],
        [x + length - nose, y - r],
        [x + length, y],
        [x + length - nose, y + r],
        [x, y + r],
      ],
      true,
    ),
    ...(outline.fins > 0 ? [fin(1), fin(-1)] : []),
    { kind: "disc", role: "load", x: mass, y, r: dot },
    { kind: "disc", role: "water", x: pressure, y, r: dot },
    { kind: "note", x: mass, y: y + r + finOut + dot, words: "balance", anchor: "middle" },
    { kind: "note", x: pressure, y: y - r - finOut - dot * 4.4, words: "pressure", anchor: "middle" },
  ];
}

/** Launch a paper rocket on a puff of air. */
export const launchPuff: Family = {
  id: "launch-puff",
  words: "Puff launch",
  ask: "Launch a paper rocket on a puff of air",
  spec: puffSpec,
  design: puffDesign,
  variables: puffVariables,
  measures: (spec) =>
    isFar(spec)
      ? [
          {
            id: "distance",
            words: "Distance to first touch",
            dimension: "length",
            quality: "distance",
            better: "more",
            unit: "m",
            instruments: ["tape"],
          },
        ]
      : [
          {
            id: "side",
            words: "How far off to the side",
            dimension: "length",
            quality: "distance",
            better: "less",
            unit: "cm",
            instruments: ["tape"],
          },
        ],
  further: (spec) => [isFar(spec) ? sideBeside : distanceBeside, timeBeside("Time in the air")],
  goal: (spec) =>
    isFar(spec)
      ? { measure: "distance", value: s(spec, "goalM"), better: "more" }
      : { measure: "side", value: s(spec, "withinM"), better: "less" },
  goalField: (spec) => (isFar(spec) ? "goalM" : "withinM"),
  goalWords: (spec, show) =>
    isFar(spec)
      ? saying`Fly ${show(s(spec, "goalM"), "length")} or farther on ${said(sourceOf(spec) === "breath" ? "one breath" : "one stomp")}`
      : saying`Stay within ${show(s(spec, "withinM"), "length")} to a side over ${show(s(spec, "goalM"), "length")}`,
  predict,
  cannot,
  formOf: (spec) => sourceOf(spec),
  rival: (design) => ({ ...design, fins: d(design, "fins") === 0 ? 3 : 0 }),
  levers: () => [],
  bounds,
  needs: (spec) => {
    const lane = laneOf(strongest(spec));
    return {
      lengthM: lane.lengthM,
      widthM: Math.max(1, 2 * lane.halfWidthM),
      heightM: lane.clearHeightM,
      water: false,
      floor: "any",
      minutesPerTrial: 1,
      rigsPerAdult: 1,
      words: `a lane of {} × {}, {} high, for the strongest ${sourceOf(spec)} and the lightest rocket the brief allows`,
      fill: [
        [lane.lengthM, "length"],
        [2 * lane.halfWidthM, "length"],
        [lane.clearHeightM, "length"],
      ],
    };
  },
  cautions: (spec, context) => withCommonCautions(puffCautions(sourceOf(spec) === "stomp"), context),
  symptoms: puffSymptoms,
  protocol: puffProtocol,
  rules: puffRules,
  tiers: puffTiers,
  howTo: puffHowTo,
  idea: puffIdea,
  questions: puffQuestions,
  drawing: (spec, design) => {
    const flight = flightOf(spec, design);
    const angle = d(design, "angle");
    const { low, high } = rangeBand(flight);
    const release = s(spec, "releaseM");
    const reach = Math.max(flight.rangeM, s(spec, "goalM"), high);
    const tube = Math.max(0.1, reach * 0.05);
    const lane = laneOf(strongest(spec));
    const length = d(design, "lengthM");
    const large = (reach * 0.62) / length;
    const top = Math.max(flight.apexM, release);
    const margin = marginOf(spec, design);
    const scene = laneScene({
      flight,
      releaseM: release,
      angle,
      goalM: s(spec, "goalM"),
      withinM: null,
      laneM: lane.lengthM,
      clearM: lane.clearHeightM,
      band: [low, high],
      describe:
        "A launch lane from the side with the rocket's arc, and the rocket enlarged with its balance point and its centre of pressure.",
      launcher: (foot) => [
        lineMark("support", [
          [foot - tube * Math.cos(angle), release - tube * Math.sin(angle)],
          [foot, release],
        ]),
        { kind: "block", role: "support", x: foot - tube * 1.2, y: 0, w: tube * 0.4, h: Math.max(0.01, release - tube * 0.3) },
      ],
      notes: [],
    });
    const tall = (bodyOf(spec) + 2 * d(design, "finSpanM")) * large;
    const y = top + reach * 0.17 + tall / 2;
    return {
      ...scene,
      height: y + tall / 2 + reach * 0.12,
      marks: [
        ...scene.marks,
        ...rocketMarks(spec, design, reach * 0.08, y, large),
        {
          kind: "note",
          x: reach * 0.76,
          y,
          words: margin >= 1 ? "steady: {}" : "not steady: {}",
          fill: [[margin, "calibres"]],
          tone: "predicted",
        },
      ],
    };
  },
};
