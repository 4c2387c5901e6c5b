import { saying } from "../../language/language.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { type Flight, fly, laneOf } from "../flight.ts";
import { distanceBeside, missBeside, sideBeside, timeBeside } from "../further.ts";
import { bands, projectiles } from "../materials/things.ts";
import { remembered } from "../remembered.ts";
import { lineMark } from "../scene.ts";
import type { Family, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { laneScene } from "./drawing.ts";
import { bandDesign, bandSpec, bandVariables } from "./fields.ts";
import { bandsSnapped, type Fling, flingSpeed } from "./fling.ts";
import { neverFlung, strongestFling } from "./limits.ts";
import { bandCautions, bandHowTo, bandIdea, bandProtocol, bandQuestions, bandRules, bandSymptoms, bandTiers } from "./words.ts";

const rangeFactor = 1.5;

const s = (spec: Values, id: string): number => numberOf(spec, bandSpec, id);
const isFar = (spec: Values): boolean => choiceOf(spec, bandSpec, "aim") === "far";
const bandOf = (spec: Values) => bands.find((b) => b.id === choiceOf(spec, bandSpec, "band")) ?? bands[0];

/** Projectiles that the brief allows. */
function allowed(spec: Values): readonly (typeof projectiles)[number][] {
  const wanted = choiceOf(spec, bandSpec, "allowed");
  return wanted === "any" ? projectiles : projectiles.filter((p) => p.id === wanted);
}

/** What is flung by this build. */
function flung(spec: Values, design: Values): (typeof projectiles)[number] {
  const list = allowed(spec);
  return list.find((p) => p.id === choiceOf(design, bandDesign, "projectile")) ?? list[0] ?? projectiles[0];
}

function flingOf(spec: Values, design: Values): Fling {
  const { stiffness, mostM } = bandOf(spec);
  return {
    bands: numberOf(design, bandDesign, "bands"),
    stiffness,
    stretchM: Math.min(numberOf(design, bandDesign, "stretchM"), mostM),
    leftM: numberOf(design, bandDesign, "leftM"),
    massKg: flung(spec, design).massKg,
  };
}

const flightOf = remembered((spec: Values, design: Values): Flight => {
  const { massKg, acrossM, drag } = flung(spec, design);
  return fly({
    speed: flingSpeed(flingOf(spec, design)),
    angle: numberOf(design, bandDesign, "angle"),
    heightM: s(spec, "releaseM"),
    massKg,
    acrossM,
    drag,
  });
});

const rangeBand = (flight: Flight): Band => band(flight.rangeM, rangeFactor);

/** The strongest build that the brief allows, with whichever projectile goes farthest. */
const strongest = remembered((spec: Values) => {
  const { stiffness, mostM } = bandOf(spec);
  const fling = { bands: s(spec, "mostBands"), stiffness, stretchM: Math.min(s(spec, "mostStretchM"), mostM) };
  return allowed(spec)
    .map((p) => strongestFling({ ...fling, massKg: p.massKg }, { ...p, heightM: s(spec, "releaseM") }))
    .reduce((best, flight) => (flight.rangeM > best.rangeM ? flight : best));
});

/** What no build of this brief does, nor one with the bands and stretch that it declares. */
const never = remembered((spec: Values, design: Values) => {
  const { stiffness } = bandOf(spec);
  const bandsUsed = Math.max(s(spec, "mostBands"), numberOf(design, bandDesign, "bands"));
  const stretchM = Math.max(s(spec, "mostStretchM"), numberOf(design, bandDesign, "stretchM"));
  return Math.max(
    ...allowed(spec).map((p) =>
      neverFlung({ bands: bandsUsed, stiffness, stretchM, massKg: p.massKg }, { ...p, heightM: s(spec, "releaseM") }),
    ),
  );
});

function predict(spec: Values, design: Values): readonly Prediction[] {
  const flight = flightOf(spec, design);
  const n = numberOf(design, bandDesign, "bands");
  return [
    { id: "distance", words: "Distance to first touch", dimension: "length", band: rangeBand(flight) },
    { id: "speed", words: "Speed at release", dimension: "speed", band: band(flingSpeed(flingOf(spec, design)), 1.25) },
    { id: "apex", words: "Highest point", dimension: "length", band: band(flight.apexM, 1.6) },
    { id: "time", words: "Time in the air", dimension: "time", band: band(flight.timeS, 1.3) },
    { id: "snapped", words: "Bands snapped in 100 launches", dimension: "count", band: band(bandsSnapped(n, 100), 1) },
  ];
}

function bounds(measure: string, spec: Values, design: Values, sd: number, place?: Place): Bounds {
  const most = never(spec, design);
  const hard = tightest(commonHard("distance", sd, place), [0, (measure === "distance" ? most : most + s(spec, "goalM")) + 3 * sd]);
  return { hard, soft: measure === "distance" ? usualSoft(flightOf(spec, design).rangeM, rangeFactor, sd) : hard };
}

function cannot(spec: Values, design: Values): Told | null {
  const { mostM } = bandOf(spec);
  if (numberOf(design, bandDesign, "stretchM") > mostM)
    return { words: "This band bears a stretch of {} at most.", fill: [[mostM, "length"]] };
  if (numberOf(design, bandDesign, "leftM") >= numberOf(design, bandDesign, "stretchM"))
    return { words: "Nothing is let go: the stretch left at release is as long as the pull." };
  if (numberOf(design, bandDesign, "bands") > s(spec, "mostBands"))
    return { words: "The plain build uses more bands than the brief allows." };
  return null;
}

/** Fling with stretched bands. */
export const launchBand: Family = {
  id: "launch-band",
  words: "Band launch",
  ask: "Fling something soft with a stretched band",
  spec: bandSpec,
  design: bandDesign,
  variables: bandVariables,
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
            id: "miss",
            words: "Distance from the target",
            dimension: "length",
            quality: "distance",
            better: "less",
            unit: "cm",
            instruments: ["tape"],
          },
        ],
  further: (spec) => [...(isFar(spec) ? [missBeside, sideBeside] : [distanceBeside]), timeBeside("Time in the air")],
  settings: { stretchM: "pull" },
  goal: (spec) =>
    isFar(spec)
      ? { measure: "distance", value: s(spec, "goalM"), better: "more" }
      : { measure: "miss", value: s(spec, "withinM"), better: "less" },
  goalField: (spec) => (isFar(spec) ? "goalM" : "withinM"),
  goalWords: (spec, show) =>
    isFar(spec)
      ? saying`Fling it ${show(s(spec, "goalM"), "length")} or farther`
      : saying`Land within ${show(s(spec, "withinM"), "length")} of a target ${show(s(spec, "goalM"), "length")} away`,
  predict,
  cannot,
  formOf: (spec) => choiceOf(spec, bandSpec, "band"),
  rival: (d) => ({ ...d, bands: Math.min(6, numberOf(d, bandDesign, "bands") + 1) }),
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
      words: "a lane of {} × {} with a backstop, {} high, for the strongest build the brief allows",
      fill: [
        [lane.lengthM, "length"],
        [2 * lane.halfWidthM, "length"],
        [lane.clearHeightM, "length"],
      ],
    };
  },
  cautions: (spec, context) => {
    const allergens = allowed(spec).flatMap((p) => ("allergen" in p ? [p.allergen] : []));
    return withCommonCautions(bandCautions, {
      ...context,
      latex: true,
      smallParts: true,
      allergens: [...new Set([...context.allergens, ...allergens])],
    });
  },
  symptoms: bandSymptoms,
  protocol: bandProtocol,
  rules: bandRules,
  tiers: bandTiers,
  howTo: bandHowTo,
  idea: bandIdea,
  questions: bandQuestions,
  drawing: (spec, design) => {
    const flight = flightOf(spec, design);
    const release = s(spec, "releaseM");
    const angle = numberOf(design, bandDesign, "angle");
    const arm = Math.max(0.12, flight.rangeM * 0.05);
    const { low, high } = rangeBand(flight);
    return laneScene({
      flight,
      releaseM: release,
      angle,
      goalM: s(spec, "goalM"),
      withinM: isFar(spec) ? null : s(spec, "withinM"),
      laneM: laneOf(strongest(spec)).lengthM,
      clearM: laneOf(strongest(spec)).clearHeightM,
      band: [low, high],
      describe: "A launch lane from the side: the launcher at the line, the arc, where it should land, and the goal.",
      launcher: (foot) => [
        { kind: "block", role: "support", x: foot - arm * 1.1, y: 0, w: arm * 0.9, h: Math.max(0.01, release - arm * 0.2) },
        lineMark("build", [
          [foot - arm * Math.sin(angle + 0.5), release - arm * Math.cos(angle + 0.5) * 0.8],
          [foot, release],
        ]),
      ],
    });
  },
};
