import { said, saying } from "../../language/language.ts";
import { band } from "../band.ts";
import { commonHard } from "../bounds.ts";
import { withCommonCautions } from "../common.ts";
import { countField, lengthField, massField } from "../fields.ts";
import { lineMark } from "../scene.ts";
import type { Family, Field, Mark, Scene, Values } from "../shape.ts";
import { numberOf } from "../values.ts";
import { floats } from "./float.ts";
import { probeCautions, probeHowTo, probeIdea, probeProtocol, probeQuestions, probeRules, probeSymptoms, probeTiers } from "./words.ts";

const spec: readonly Field[] = [
  countField("items", "Items to test", 2, 30, 10),
  countField("tests", "Tests on each", 1, 6, 3),
  countField("goalCount", "Right guesses", 1, 180, 18),
  lengthField("waterM", "Water depth", [0.03, 0.4, 0.01, 0.15], "mm"),
];

const design: readonly Field[] = [
  massField("massKg", "One item: its mass", [0.0005, 2, 0.0005, 0.02], "g"),
  lengthField("lengthM", "Its length, outside", [0.005, 0.4, 0.001, 0.05], "mm"),
  lengthField("widthM", "Its width", [0.001, 0.4, 0.001, 0.03], "mm"),
  lengthField("heightM", "Its height", [0.001, 0.4, 0.001, 0.02], "mm"),
];

const variables: readonly Field[] = [countField("items", "Items tested", 1, 30, 10)];

const s = (values: Values, id: string): number => numberOf(values, spec, id);
const d = (values: Values, id: string): number => numberOf(values, design, id);
const found = (values: Values) => floats(d(values, "massKg"), d(values, "lengthM") * d(values, "widthM") * d(values, "heightM"));

/** An item let go above the water: it settles as deep as its density says, or goes to the bottom. */
function drawing(goal: Values, item: Values): Scene {
  const water = s(goal, "waterM");
  const { ratio, says } = found(item);
  const [long, high] = [d(item, "lengthM"), d(item, "heightM")];
  const wide = Math.max(long * 2.2, water * 1.8);
  const edge = wide * 0.1;
  const rest = says === "sinks" ? 0 : Math.max(0, water - high * Math.min(ratio, 1));
  const x = edge + wide / 2 - long / 2;
  const block = (y: number): Mark => ({ kind: "block", role: "load", x, y, w: long, h: high });
  const above = water + Math.max(high, water) * 0.6;
  const settleS = 1.2;
  return {
    width: wide + edge * 2,
    height: above + high + water * 0.3,
    describe: "A tub of water with one item as it comes to rest.",
    marks: [
      { kind: "block", role: "water", x: edge, y: 0, w: wide, h: water },
      block(rest),
      lineMark("tub", [
        [edge, water * 1.25],
        [edge, 0],
        [edge + wide, 0],
        [edge + wide, water * 1.25],
      ]),
      { kind: "measure", from: [edge + wide * 0.88, 0], to: [edge + wide * 0.88, water], valueSi: water },
      {
        kind: "note",
        x: edge + wide / 2,
        y: above + high * 0.4,
        words: said(says === "cannot tell" ? "nobody can tell: {} the density of water" : `${says}: {} the density of water`),
        fill: [[ratio, "ratio"]],
        tone: "predicted",
        anchor: "middle",
      },
    ],
    motion: {
      durationS: settleS + 0.6,
      told: { words: says === "cannot tell" ? "It may float or sink: too near to tell." : `Let go, it ${says}.` },
      replaces: [1],
      at: (t) => {
        const u = Math.min(1, t / settleS);
        const bob = says === "sinks" ? 0 : Math.sin(u * Math.PI * 3) * (1 - u) * high * 0.5;
        return [block(Math.max(0, above + (rest - above) * Math.min(1, u * 1.4) + bob))];
      },
    },
  };
}

/** Test the materials first. */
export const probe: Family = {
  id: "probe",
  words: "Probe",
  ask: "Test the materials first",
  spec,
  design,
  variables,
  measures: () => [
    { id: "right", words: "Right guesses", dimension: "count", quality: "count", better: "more", unit: null, instruments: ["token count"] },
  ],
  goal: (goal) => ({ measure: "right", value: s(goal, "goalCount"), better: "more" }),
  goalField: () => "goalCount",
  goalWords: (goal) =>
    saying`Guess ${s(goal, "goalCount")} of ${s(goal, "items") * s(goal, "tests")} right: ${s(goal, "items")} things, ${s(goal, "tests")} tests each`,
  predict: (_goal, item) => {
    const { ratio, says } = found(item);
    return [
      {
        id: "density",
        words: `This item ${says === "cannot tell" ? "is too near to tell" : says}: its density against water`,
        dimension: "ratio",
        band: band(ratio, 1),
      },
    ];
  },
  cannot: (goal) => {
    const all = s(goal, "items") * s(goal, "tests");
    return s(goal, "goalCount") > all ? { words: "There are only {} guesses to make.", fill: [[all, "count"]] } : null;
  },
  formOf: () => "items",
  rival: (item) => ({ ...item, massKg: Math.min(2, d(item, "massKg") * 2) }),
  levers: () => [],
  bounds: (_measure, _goal, _item, sd) => ({ hard: commonHard("count", sd), soft: [0, Number.POSITIVE_INFINITY] }),
  needs: () => ({
    lengthM: 2,
    widthM: 1.5,
    heightM: null,
    water: true,
    floor: "washable",
    minutesPerTrial: 5,
    rigsPerAdult: 3,
    words: "a table with a tray, a tub of water and a towel at each rig",
  }),
  cautions: (_goal, context) => withCommonCautions(probeCautions, context),
  symptoms: probeSymptoms,
  protocol: probeProtocol,
  rules: probeRules,
  tiers: probeTiers,
  howTo: probeHowTo,
  idea: probeIdea,
  questions: probeQuestions,
  drawing,
};
