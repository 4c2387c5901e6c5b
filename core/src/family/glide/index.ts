import { saying } from "../../language/language.ts";
import { showNumber } from "../../quantity/show.ts";
import { type Band, band } from "../band.ts";
import { type Bounds, commonHard, type Place, tightest, usualSoft } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { distanceBeside, sideBeside, timeBeside } from "../further.ts";
import { alongCourse, floorMark, lengthGrip, lineMark } from "../scene.ts";
import type { Family, Goal, Mark, Measure, Prediction, Scene, Values } from "../shape.ts";
import { choiceOf, numberOf } from "../values.ts";
import { glideDesign, glideSpec, glideVariables } from "./fields.ts";
import { effectiveHeight, type GlideThrow, glideLane, glideRange, glideTime, glidingSpeed } from "./glider.ts";
import { glideCautions, glideHowTo, glideIdea, glideProtocol, glideQuestions, glideRules, glideSymptoms, glideTiers } from "./words.ts";

const factor = 1.5;
const throwSpeed = { child: 6, "grown-up": 8 } as const;

const s = (spec: Values, id: string): number => numberOf(spec, glideSpec, id);
const bestOf = (spec: Values): string => choiceOf(spec, glideSpec, "best");

function thrownOf(spec: Values, design: Values): GlideThrow {
  return {
    kind: choiceOf(design, glideDesign, "kind") === "wide" ? "wide" : "dart",
    heightM: s(spec, "releaseM"),
    speed: throwSpeed[choiceOf(spec, glideSpec, "thrower") === "child" ? "child" : "grown-up"],
    massKg: numberOf(design, glideDesign, "massKg"),
  };
}

const tape = (id: string, words: string, better: "more" | "less"): Measure => ({
  id,
  words,
  dimension: "length",
  quality: "distance",
  better,
  unit: "m",
  instruments: ["tape"],
});

function measureOf(spec: Values): Measure {
  switch (bestOf(spec)) {
    case "aloft":
      return {
        id: "time",
        words: "Time aloft",
        dimension: "time",
        quality: "time",
        better: "more",
        unit: "s",
        instruments: ["hand stopwatch", "frame count"],
      };
    case "straightest":
      return tape("side", "How far off to the side", "less");
    case "target":
      return tape("miss", "Distance from the target", "less");
    case "tricks":
      return {
        id: "tricks",
        words: "Loops and turns",
        dimension: "count",
        quality: "count",
        better: "more",
        unit: null,
        instruments: ["token count"],
      };
    default:
      return tape("distance", "Distance to first touch", "more");
  }
}

function goal(spec: Values): Goal {
  const { id, better } = measureOf(spec);
  return { measure: id, better, value: s(spec, goalField(spec)) };
}

function goalField(spec: Values): string {
  switch (bestOf(spec)) {
    case "aloft":
      return "goalS";
    case "tricks":
      return "goalCount";
    case "farthest":
      return "goalM";
    default:
      return "withinM";
  }
}

const rangeBand = (thrown: GlideThrow): Band => band(glideRange(thrown), factor);

function predict(spec: Values, design: Values): readonly Prediction[] {
  const thrown = thrownOf(spec, design);
  return [
    { id: "distance", words: "Distance to first touch", dimension: "length", band: rangeBand(thrown) },
    { id: "time", words: "Time aloft", dimension: "time", band: band(glideTime(thrown), factor) },
    { id: "speed", words: "Speed at which it glides", dimension: "speed", band: band(glidingSpeed(thrown), 1) },
  ];
}

function bounds(measure: string, spec: Values, design: Values, sd: number, place?: Place): Bounds {
  const thrown = thrownOf(spec, design);
  if (measure === "tricks") return { hard: commonHard("count", sd, place), soft: [0, Number.POSITIVE_INFINITY] };
  if (measure === "time")
    return { hard: tightest(commonHard("time", sd, place), [0, 30 + 3 * sd]), soft: usualSoft(glideTime(thrown), factor, sd) };
  const hard = tightest(commonHard("distance", sd, place), [0, 90 + 3 * sd]);
  return { hard, soft: measure === "distance" ? usualSoft(glideRange(thrown), factor, sd) : hard };
}

/** From the side: the throw, the swoop, the glide down to the floor. */
function drawing(spec: Values, design: Values): Scene {
  const thrown = thrownOf(spec, design);
  const { lengthM, clearHeightM } = glideLane(thrown);
  const range = Math.max(glideRange(thrown), 0.05);
  const time = Math.max(glideTime(thrown), 0.05);
  const start = effectiveHeight(thrown);
  const wanted = goal(spec);
  const [low, high] = [rangeBand(thrown).low, rangeBand(thrown).high];
  const mark = "goalM" === goalField(spec) || wanted.measure !== "time" ? s(spec, "goalM") : range;
  const reach = Math.max(high, mark, 1);
  const back = reach * 0.07 + 0.4;
  const width = back + Math.max(reach * 1.08, Math.min(lengthM, reach * 1.35));
  const top = Math.max(thrown.heightM, start);
  const swoop = Math.min(0.12, 0.5 * (Math.abs(start - thrown.heightM) / (start + thrown.heightM + 0.1)));
  const course = Array.from({ length: 41 }, (_, i) => {
    const u = i / 40;
    const glideLine = start * (1 - u);
    const settle =
      u < swoop && swoop > 0 ? thrown.heightM + (start * (1 - swoop) - thrown.heightM) * Math.sin((Math.PI / 2) * (u / swoop)) : glideLine;
    return [time * u, back + range * u, Math.max(0, settle)] as const;
  });
  const flyer = (x: number, y: number): Mark =>
    lineMark(
      "build",
      [
        [x - reach * 0.025, y + reach * 0.012],
        [x + reach * 0.02, y],
        [x - reach * 0.025, y],
      ],
      true,
    );
  const thick = reach * 0.012;
  return {
    width,
    height: Math.max(top + reach * 0.14, Math.min(clearHeightM, top + reach * 0.3)),
    describe: "The throw from the side: released at the line, a short swoop, then a steady glide to the floor.",
    marks: [
      flyer(back, thrown.heightM),
      floorMark(width, thick * 0.4),
      { kind: "block", role: "lane", x: back, y: -thick, w: Math.min(lengthM, width - back), h: thick },
      { kind: "block", role: "water", x: back + low, y: 0, w: high - low, h: thick * 1.2 },
      lineMark(
        "path",
        course.map(([, x, y]) => [x, y] as const),
      ),
      { kind: "measure", from: [back * 0.5, 0], to: [back * 0.5, thrown.heightM], valueSi: thrown.heightM },
      lineMark("build", [
        [back + mark, 0],
        [back + mark, reach * 0.07],
      ]),
      { kind: "note", x: back + mark, y: reach * 0.08, words: "{}", fill: [[mark, "length"]], anchor: "middle" },
      {
        kind: "note",
        x: back + range * 0.5,
        y: start * 0.5 + reach * 0.05,
        words: "about {} and {}",
        fill: [
          [range, "length"],
          [time, "time"],
        ],
        tone: "predicted",
      },
    ],
    grips: [lengthGrip("spec", "releaseM", [back * 0.5, thrown.heightM], [0, 1])],
    motion: {
      durationS: time + 0.2,
      told: {
        words: "It glides for {} and first touches {} away, at about {}.",
        fill: [
          [time, "time"],
          [range, "length"],
          [glidingSpeed(thrown), "speed"],
        ],
      },
      replaces: [0],
      at: (t) => {
        const [x = back, y = 0] = alongCourse(course, t);
        return [flyer(x, y)];
      },
    },
  };
}

/** Fold a flyer. */
export const glide: Family = {
  id: "glide",
  words: "Glide",
  ask: "Fold a flyer",
  spec: glideSpec,
  design: glideDesign,
  variables: glideVariables,
  measures: (spec) => [measureOf(spec)],
  further: () => [distanceBeside, timeBeside("Time aloft"), sideBeside],
  goal,
  goalField,
  goalWords: (spec, show) => {
    switch (bestOf(spec)) {
      case "aloft":
        return saying`Stay up ${showNumber(s(spec, "goalS"), 1)} s or longer`;
      case "straightest":
        return saying`Stay within ${show(s(spec, "withinM"), "length")} to a side over ${show(s(spec, "goalM"), "length")}`;
      case "target":
        return saying`Land within ${show(s(spec, "withinM"), "length")} of a target ${show(s(spec, "goalM"), "length")} away`;
      case "tricks":
        return saying`Make ${s(spec, "goalCount")} loops or turns in one flight`;
      default:
        return saying`Glide ${show(s(spec, "goalM"), "length")} or farther`;
    }
  },
  predict,
  cannot: (spec, design) => {
    const thrown = thrownOf(spec, design);
    if (effectiveHeight(thrown) > 0) return null;
    return {
      words: "Thrown slower than it glides, at {}, this one drops at the thrower's feet: make it lighter.",
      fill: [[glidingSpeed(thrown), "speed"]],
    };
  },
  formOf: (spec, design) => thrownOf(spec, design).kind,
  rival: (design) => ({ ...design, kind: choiceOf(design, glideDesign, "kind") === "wide" ? "dart" : "wide" }),
  levers: () => [{ field: "releaseM", tellsMore: "up", words: "a release" }],
  bounds,
  needs: (spec) => {
    const lanes = (["dart", "wide"] as const).map((kind) => glideLane({ ...thrownOf(spec, {}), kind }));
    const lengthM = Math.max(...lanes.map((lane) => lane.lengthM));
    const halfWidthM = Math.max(...lanes.map((lane) => lane.halfWidthM));
    const heightM = Math.max(...lanes.map((lane) => lane.clearHeightM));
    return {
      lengthM,
      widthM: 2 * halfWidthM,
      heightM,
      water: false,
      floor: "any",
      minutesPerTrial: 1,
      rigsPerAdult: 3,
      words: "a lane of {} × {}, {} high, everybody behind the thrower",
      fill: [
        [lengthM, "length"],
        [2 * halfWidthM, "length"],
        [heightM, "length"],
      ],
    };
  },
  cautions: (_spec, context) => withCommonCautions(glideCautions, context),
  symptoms: glideSymptoms,
  protocol: glideProtocol,
  rules: glideRules,
  tiers: glideTiers,
  howTo: glideHowTo,
  idea: glideIdea,
  questions: glideQuestions,
  drawing,
};
