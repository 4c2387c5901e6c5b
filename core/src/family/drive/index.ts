import { said, saying } from "../../language/language.ts";
import { showNumber } from "../../quantity/show.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { distanceBeside, sideBeside, timeBeside } from "../further.ts";
import { bands } from "../materials/things.ts";
import { remembered } from "../remembered.ts";
import type { Family, Measure, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import {
  type BandCart,
  bandDistance,
  footSpeed,
  rampDistance,
  type SailCart,
  sail,
  sailStarts,
  terminalSail,
  wheelsSlip,
  woundStretch,
} from "./carts.ts";
import { driveScene } from "./drawing.ts";
import { driveDesign, driveSpec, driveVariables } from "./fields.ts";
import { neverDriven } from "./limits.ts";
import { driveCautions, driveHowTo, driveIdea, driveProtocol, driveQuestions, driveRules, driveSymptoms, driveTiers } from "./words.ts";

const s = (spec: Values, id: string): number => numberOf(spec, driveSpec, id);
const d = (design: Values, id: string): number => numberOf(design, driveDesign, id);
const driveOf = (spec: Values): string => choiceOf(spec, driveSpec, "drive");
const isFast = (spec: Values): boolean => driveOf(spec) === "sail" && choiceOf(spec, driveSpec, "best") === "fast";
const rollingOf = (design: Values): number => ({ good: 0.02, poor: 0.1 })[choiceOf(design, driveDesign, "axles")] ?? 0.05;

function bandCart(spec: Values, design: Values): BandCart {
  const { stiffness, mostM } = bands.find((b) => b.id === choiceOf(spec, driveSpec, "band")) ?? bands[1];
  return {
    bands: d(design, "bands"),
    stiffness,
    turns: d(design, "turns"),
    axleM: d(design, "axleM"),
    massKg: d(design, "massKg"),
    mostM,
    rolling: rollingOf(design),
  };
}

const slips = (spec: Values, design: Values): boolean =>
  wheelsSlip(bandCart(spec, design), d(design, "wheelM"), choiceOf(design, driveDesign, "tyre") === "band" ? 0.8 : 0.4);

function sailCart(spec: Values, design: Values): SailCart {
  return {
    wind: s(spec, "wind"),
    fanM: choiceOf(spec, driveSpec, "windKind") === "fan" ? 2 : null,
    areaM2: d(design, "sailM") ** 2,
    massKg: d(design, "massKg"),
    rolling: rollingOf(design),
  };
}

const sailed = remembered((cart: SailCart, trackM: number | null) => sail(cart, trackM ?? undefined));

/** Central distance, m; null where nothing ends it: a steady wind. */
function distanceOf(spec: Values, design: Values): Band | null {
  switch (driveOf(spec)) {
    case "sail": {
      const { stopM } = sailed(sailCart(spec, design), null);
      return stopM === null ? null : band(stopM, 2);
    }
    case "gravity":
      return band(rampDistance(s(spec, "rampM"), s(spec, "runM"), rollingOf(design)), 1.5);
    default:
      return band(bandDistance(bandCart(spec, design)), 2);
  }
}

function predict(spec: Values, design: Values): readonly Prediction[] {
  const list: Prediction[] = [];
  const distance = distanceOf(spec, design);
  if (distance) list.push({ id: "distance", words: "Distance", dimension: "length", band: distance });
  if (driveOf(spec) === "gravity")
    list.push({
      id: "speed",
      words: "Speed at the foot of the ramp",
      dimension: "speed",
      band: band(footSpeed(s(spec, "rampM"), s(spec, "runM"), rollingOf(design)), 1.3),
    });
  if (driveOf(spec) === "band")
    list.push({ id: "stretch", words: "Stretch of the band", dimension: "length", band: band(woundStretch(bandCart(spec, design)), 1) });
  if (driveOf(spec) !== "sail") return list;
  const cart = sailCart(spec, design);
  const { timeS } = sailed(cart, s(spec, "goalM"));
  if (timeS !== null) list.push({ id: "time", words: "Time over the distance", dimension: "time", band: band(timeS, 1.5) });
  if (cart.fanM === null)
    list.push({ id: "terminal", words: "Speed it settles to", dimension: "speed", band: band(terminalSail(cart), 1.3) });
  return list;
}

function bounds(measure: string, spec: Values, design: Values, sd: number, place?: Place): Bounds {
  const drive = driveOf(spec);
  const cart = bandCart(spec, design);
  const { most } = neverDriven(
    drive === "band"
      ? { kind: "band", bands: cart.bands, stiffness: cart.stiffness, stretchM: woundStretch(cart), massKg: cart.massKg }
      : drive === "gravity"
        ? { kind: "gravity", heightM: s(spec, "rampM") }
        : { kind: "sail", trackM: s(spec, "goalM"), wind: s(spec, "wind") },
  );
  if (measure === "time") {
    const { least } = neverDriven({ kind: "sail", trackM: s(spec, "goalM"), wind: s(spec, "wind") });
    const hard = tightest(commonHard("time", sd, place), [(least ?? 0) - 3 * sd, Number.POSITIVE_INFINITY]);
    return { hard, soft: hard };
  }
  const hard = tightest(commonHard("distance", sd, place), [0, most === null ? Number.POSITIVE_INFINITY : most + 3 * sd]);
  const predicted = distanceOf(spec, design);
  return { hard, soft: predicted ? usualSoft(predicted.mid, predicted.factor, sd) : hard };
}

function cannot(spec: Values, design: Values): Told | null {
  const drive = driveOf(spec);
  if (drive === "band" && slips(spec, design))
    return { words: "The wheels would spin: fewer turns, a larger wheel, more weight on the driven axle, or a band as tyre." };
  if (drive === "sail" && !sailStarts(sailCart(spec, design)))
    return { words: "This wind is too weak to start it: a larger sail, freer axles or a lighter cart." };
  if (drive === "gravity" && rampDistance(s(spec, "rampM"), s(spec, "runM"), rollingOf(design)) <= 0)
    return { words: "It would stop on the ramp: make the ramp steeper or the axles freer." };
  if (isFast(spec) && sailed(sailCart(spec, design), s(spec, "goalM")).timeS === null)
    return { words: "It stops before {}: more sail, or less far.", fill: [[s(spec, "goalM"), "length"]] };
  return null;
}

const measureOf = (spec: Values): Measure =>
  isFast(spec)
    ? {
        id: "time",
        words: "Time over the distance",
        dimension: "time",
        quality: "time",
        better: "less",
        unit: "s",
        instruments: ["hand stopwatch", "frame count"],
      }
    : { id: "distance", words: "Distance", dimension: "length", quality: "distance", better: "more", unit: "m", instruments: ["tape"] };

/** A cart that moves itself. */
export const drive: Family = {
  id: "drive",
  words: "Drive",
  ask: "Make a cart that moves itself",
  spec: driveSpec,
  design: driveDesign,
  variables: driveVariables,
  measures: (spec) => [measureOf(spec)],
  further: (spec) => [sideBeside, isFast(spec) ? distanceBeside : timeBeside("Time it rolled")],
  worked: (spec, si) => (isFast(spec) ? { words: "mean speed {}", fill: [[s(spec, "goalM") / si, "speed"]] } : { words: "" }),
  settings: { rampM: "height of the ramp", runM: "length of the ramp" },
  goal: (spec) =>
    isFast(spec)
      ? { measure: "time", value: s(spec, "goalS"), better: "less" }
      : { measure: "distance", value: s(spec, "goalM"), better: "more" },
  goalField: (spec) => (isFast(spec) ? "goalS" : "goalM"),
  goalWords: (spec, show) =>
    isFast(spec)
      ? saying`Sail ${show(s(spec, "goalM"), "length")} in ${showNumber(s(spec, "goalS"), 1)} s or less`
      : saying`Go ${show(s(spec, "goalM"), "length")} or farther, driven by ${said(driveOf(spec) === "band" ? "a band" : driveOf(spec) === "sail" ? "wind" : "a ramp")}`,
  predict,
  cannot,
  formOf: (spec) => driveOf(spec),
  rival: (design) => ({
    ...design,
    turns: Math.min(60, Math.round(d(design, "turns") * 1.5)),
    sailM: Math.min(0.5, d(design, "sailM") * 1.4),
    axles: "good",
  }),
  levers: (spec) => (isFast(spec) ? [{ field: "goalM", tellsMore: "up", words: "a track" }] : []),
  bounds,
  needs: (spec) => {
    const start = Object.fromEntries(driveDesign.map((field) => [field.id, field.start]));
    const high = isFast(spec) ? 0 : (distanceOf(spec, start)?.high ?? s(spec, "goalM"));
    const lengthM = isFast(spec) ? s(spec, "goalM") + 1 : 1.2 * Math.max(high, s(spec, "goalM"));
    const halfM = Math.max(0.5, 0.15 * lengthM);
    return {
      lengthM,
      widthM: 2 * halfM,
      heightM: null,
      water: false,
      floor: "level",
      minutesPerTrial: 1.5,
      rigsPerAdult: 3,
      words: "a level lane of {} × {}",
      fill: [
        [lengthM, "length"],
        [2 * halfM, "length"],
      ],
    };
  },
  cautions: (spec, context) =>
    withCommonCautions(driveCautions(driveOf(spec)), { ...context, latex: context.latex || driveOf(spec) === "band" }),
  symptoms: driveSymptoms,
  protocol: driveProtocol,
  rules: driveRules,
  tiers: driveTiers,
  howTo: driveHowTo,
  idea: driveIdea,
  questions: driveQuestions,
  drawing: (spec, design) => {
    const distance = distanceOf(spec, design);
    const kind = driveOf(spec);
    const sailing = kind === "sail" ? sailed(sailCart(spec, design), isFast(spec) || distance === null ? s(spec, "goalM") : null) : null;
    return driveScene({
      kind: kind === "sail" ? "sail" : kind === "gravity" ? "gravity" : "band",
      distance,
      goalM: s(spec, "goalM"),
      wheelM: kind === "band" ? d(design, "wheelM") : 0.05,
      sailM: d(design, "sailM"),
      rampM: s(spec, "rampM"),
      runM: s(spec, "runM"),
      rolling: rollingOf(design),
      sailing: sailing?.course ?? null,
      timeS: sailing?.timeS ?? null,
      footSpeed: footSpeed(s(spec, "rampM"), s(spec, "runM"), rollingOf(design)),
    });
  },
};
