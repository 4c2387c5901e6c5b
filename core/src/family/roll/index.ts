import { saying } from "../../language/language.ts";
import { showNumber } from "../../quantity/show.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, tightest } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { balls } from "../materials/things.ts";
import { remembered } from "../remembered.ts";
import type { Family, Prediction, Told, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { rollScene } from "./drawing.ts";
import { rollDesign, rollSpec, rollVariables } from "./fields.ts";
import { partsOf } from "./layout.ts";
import { type Ball, bankNeeded, wallNeeded } from "./segment.ts";
import { descentOf, leastTime, lengthOf, type Rolled, rollTrack } from "./track.ts";
import { rollCautions, rollHowTo, rollIdea, rollProtocol, rollQuestions, rollRules, rollSymptoms, rollTiers } from "./words.ts";

const timeFactor = 1.3;

const isSlow = (spec: Values): boolean => choiceOf(spec, rollSpec, "aim") === "slow";

function ballOf(spec: Values): Ball & { readonly words: string } {
  return balls.find((b) => b.id === choiceOf(spec, rollSpec, "ball")) ?? balls[0];
}

/** One roll serves prediction, drawing and verdict of the same numbers. */
const rolledOf = remembered(
  (spec: Values, design: Values): Rolled =>
    rollTrack(
      partsOf(design).map((part) => part.segment),
      ballOf(spec),
    ),
);

const timeBand = (rolled: Rolled): Band => band(rolled.timeS, timeFactor);

/** How far down the track goes from start to its lowest point, and its length without drops, m. */
function sizeOf(design: Values): { readonly fallM: number; readonly lengthM: number } {
  let [height, lowest, lengthM] = [0, 0, 0];
  for (const { segment } of partsOf(design)) {
    height -= descentOf(segment);
    lowest = Math.min(lowest, height);
    lengthM += lengthOf(segment);
  }
  return { fallM: -lowest, lengthM };
}

function predict(spec: Values, design: Values): readonly Prediction[] {
  const rolled = rolledOf(spec, design);
  if (!rolled.finishes) {
    const before = partsOf(design)
      .slice(0, rolled.stopSegment ?? 0)
      .reduce((sum, part) => sum + lengthOf(part.segment), 0);
    const words = rolled.reason === "fly-off" ? "Flies off, along the track at" : "Stops, along the track at";
    return [{ id: "stop", words, dimension: "length", band: band(before + (rolled.stopAtM ?? 0), 1.5) }];
  }
  return [
    { id: "time", words: "Time to the cup", dimension: "time", band: timeBand(rolled) },
    { id: "speed", words: "Speed into the cup", dimension: "speed", band: band(rolled.speedEnd, 1.2) },
  ];
}

function bounds(_measure: string, spec: Values, design: Values, sd: number): Bounds {
  // A builder's own track is longer or shorter than the plain one: only its height bounds it, at the brief's start height.
  const declaredM = typeof design["trackM"] === "number" ? design["trackM"] : null;
  const startM = typeof design["startM"] === "number" ? design["startM"] : numberOf(spec, rollSpec, "startM");
  // A track may end above the cup.
  const { fallM } = sizeOf(design);
  const least = leastTime(Math.min(startM, fallM), declaredM ?? 0, Math.max(startM, fallM));
  const hard = tightest(commonHard("time", sd), [least - 3 * sd, Number.POSITIVE_INFINITY]);
  const rolled = rolledOf(spec, design);
  if (!rolled.finishes) return { hard, soft: hard };
  return { hard, soft: [rolled.timeS / timeFactor ** 2 - 3 * sd, rolled.timeS * timeFactor ** 2 + 3 * sd] };
}

function cannot(spec: Values, design: Values): Told | null {
  const parts = partsOf(design);
  const { fallM } = sizeOf(design);
  const startM = numberOf(spec, rollSpec, "startM");
  if (parts.length === 0) return { words: "There is no track yet: set the first part." };
  if (fallM > startM * 1.001)
    return {
      words: "The parts go down {} in all, more than the start height of {}.",
      fill: [
        [fallM, "length"],
        [startM, "length"],
      ],
    };
  const rolled = rolledOf(spec, design);
  const stopped = parts[rolled.stopSegment ?? 0];
  if (rolled.finishes && rolled.timeS === 0) return { words: "This track has no length: set a slope, a level part or a drop." };
  if (rolled.finishes || !stopped) return null;
  const n = (rolled.stopSegment ?? 0) + 1;
  const { segment } = stopped;
  if (rolled.reason === "fly-off" && segment.kind === "curve") {
    const ball = ballOf(spec);
    const wall = wallNeeded(rolled.speedEnd, segment.radiusM, 0, ball.radiusM) * 1.25;
    const bank = bankNeeded(rolled.speedEnd, segment.radiusM, segment.wallM, ball.radiusM);
    return {
      words: `At {} the ball leaves part ${n}: an outer wall of {}, or a bank of {}, would hold it.`,
      fill: [
        [rolled.speedEnd, "speed"],
        [wall, "length"],
        [bank, "angle"],
      ],
    };
  }
  return { words: `The ball stops {} into part ${n}: a steeper start, or less to climb.`, fill: [[rolled.stopAtM ?? 0, "length"]] };
}

function verdictOf(rolled: Rolled): Told {
  const n = (rolled.stopSegment ?? 0) + 1;
  if (rolled.finishes)
    return {
      words: "in the cup after {}, at {}",
      fill: [
        [rolled.timeS, "time"],
        [rolled.speedEnd, "speed"],
      ],
    };
  return rolled.reason === "fly-off"
    ? { words: `flies off part ${n} at {}`, fill: [[rolled.speedEnd, "speed"]] }
    : { words: `stops on part ${n} after {}`, fill: [[rolled.timeS, "time"]] };
}

/** Run a ball down a track. */
export const roll: Family = {
  id: "roll",
  words: "Roll",
  ask: "Run a ball down a track of your own",
  spec: rollSpec,
  design: rollDesign,
  variables: rollVariables,
  measures: (spec) => [
    {
      id: "time",
      words: "Time to the cup",
      dimension: "time",
      quality: "time",
      better: "more",
      unit: "s",
      instruments: ["hand stopwatch", "frame count"],
      ...(isSlow(spec) ? {} : { passes: { passed: "in the cup", not: "not in the cup" } }),
    },
  ],
  settings: { startM: "height of the start" },
  goal: (spec) => ({ measure: "time", value: isSlow(spec) ? numberOf(spec, rollSpec, "goalS") : 0, better: "more" }),
  goalField: (spec) => (isSlow(spec) ? "goalS" : null),
  goalWords: (spec, show) =>
    isSlow(spec)
      ? saying`From ${show(numberOf(spec, rollSpec, "startM"), "length")} up, take ${showNumber(numberOf(spec, rollSpec, "goalS"), 1)} s or longer to the cup`
      : saying`From ${show(numberOf(spec, rollSpec, "startM"), "length")} up, end in the cup`,
  predict,
  cannot,
  formOf: (_spec, design) => choiceOf(design, rollDesign, "channel"),
  rival: (design) => ({
    ...design,
    length1: Math.min(2, numberOf(design, rollDesign, "length1") * 1.5),
    slope1: numberOf(design, rollDesign, "slope1") / 1.5,
  }),
  levers: () => [],
  bounds,
  needs: (spec) => {
    const startM = numberOf(spec, rollSpec, "startM");
    // A track of listed parts runs about five times its height; a metre to each side to walk round it.
    const lengthM = Math.max(1, 5 * startM) + 2;
    return {
      lengthM,
      widthM: 3,
      heightM: startM + 0.5,
      water: false,
      floor: "any",
      minutesPerTrial: 2,
      rigsPerAdult: 3,
      words: "the track and a metre to each side, about {} × {}, {} high",
      fill: [
        [lengthM, "length"],
        [3, "length"],
        [startM + 0.5, "length"],
      ],
    };
  },
  cautions: (_spec, context) => withCommonCautions(rollCautions, { ...context, smallParts: true }),
  symptoms: rollSymptoms,
  protocol: rollProtocol,
  rules: rollRules,
  tiers: rollTiers,
  howTo: rollHowTo,
  idea: rollIdea,
  questions: rollQuestions,
  drawing: (spec, design) => {
    const rolled = rolledOf(spec, design);
    return rollScene(partsOf(design), rolled, ballOf(spec).radiusM, verdictOf(rolled));
  },
};
