import { choiceField, countField, lengthField, massField } from "../fields.ts";
import { payloads, riders } from "../materials/things.ts";
import type { Field } from "../shape.ts";

const whole = { field: "outcome", is: ["whole"] };
const aboard = { field: "outcome", is: ["aboard"] };

/** The goal's numbers. */
export const landingSpec: readonly Field[] = [
  lengthField("goalM", "Drop to come through", [0.2, 6, 0.05, 1.6], "m"),
  choiceField("outcome", "What counts", [
    ["whole", "the cargo stays whole"],
    ["aboard", "the riders stay aboard, no lid"],
  ]),
  choiceField(
    "payload",
    "Cargo",
    payloads.map((p) => [p.id, p.words] as const),
    "clay-figure",
    whole,
  ),
  choiceField(
    "rider",
    "Rider",
    riders.map((r) => [r.id, r.words] as const),
    "pompom",
    aboard,
  ),
  choiceField(
    "sides",
    "Hit from",
    [
      ["foot", "the foot, as it falls"],
      ["sides", "the top, a side and the back in turn"],
    ],
    "foot",
    whole,
  ),
  lengthField("firstM", "First rung of the ladder", [0.1, 3, 0.05, 0.5], "m"),
  lengthField("lastM", "Last rung of the ladder", [0.3, 8, 0.05, 4], "m"),
];

const padding = lengthField("paddingM", "Padding that gives", [0.002, 0.25, 0.002, 0.05], "mm", whole);
const cushion = choiceField(
  "cushion",
  "How it gives",
  [
    ["springy", "springs back: balloons, straws, cotton"],
    ["even", "crushes evenly: paper cones, folded card"],
  ],
  "springy",
  whole,
);
const wall = lengthField("wallM", "Cabin wall", [0.005, 0.2, 0.005, 0.06], "mm", aboard);

const canopy = choiceField("canopy", "Canopy", [
  ["none", "none"],
  ["round", "round"],
  ["square", "square"],
]);
const underCanopy = { field: "canopy", is: ["round", "square"] };
const canopySize = lengthField("canopyM", "Canopy, across", [0.1, 1.5, 0.01, 0.6], "mm", underCanopy);
const falling = massField("fallingKg", "All that falls", [0.005, 1, 0.005, 0.09], "g", underCanopy);

/** The plain build. */
export const landingDesign: readonly Field[] = [
  padding,
  cushion,
  wall,
  canopy,
  canopySize,
  falling,
  lengthField("buildM", "Height of the build", [0.03, 0.5, 0.01, 0.16], "mm"),
];

/** What builders say they changed. */
export const landingVariables: readonly Field[] = [
  padding,
  cushion,
  wall,
  canopy,
  { ...canopySize, unit: "cm" },
  falling,
  countField("feet", "Legs or feet", 0, 12, 4),
  choiceField(
    "side",
    "Side that is hit",
    [
      ["foot", "the foot"],
      ["top", "the top"],
      ["side", "a side"],
      ["back", "the back"],
    ],
    "foot",
    { field: "sides", is: ["sides"] },
  ),
];
