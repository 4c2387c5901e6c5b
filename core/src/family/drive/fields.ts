import { choiceField, countField, lengthField, massField, speedField, timeField } from "../fields.ts";
import { bands } from "../materials/things.ts";
import type { Field } from "../shape.ts";

const on = (...is: string[]) => ({ field: "drive", is });

/** The goal's numbers. What drives the cart belongs to the brief. */
export const driveSpec: readonly Field[] = [
  choiceField("drive", "Driven by", [
    ["band", "a wound band"],
    ["sail", "wind"],
    ["gravity", "a ramp"],
  ]),
  choiceField(
    "best",
    "What counts",
    [
      ["far", "how far it goes"],
      ["fast", "how soon it is there"],
    ],
    "far",
    on("sail"),
  ),
  lengthField("goalM", "Distance", [0.5, 20, 0.25, 4], "m"),
  timeField("goalS", "In no more than", [0.5, 20, 0.1, 3], "s", { field: "best", is: ["fast"] }),
  speedField("wind", "Wind at the start", [0.5, 6, 0.1, 3], "m/s", on("sail")),
  choiceField(
    "windKind",
    "Wind from",
    [
      ["fan", "a fan"],
      ["steady", "outdoors, steady"],
    ],
    "fan",
    on("sail"),
  ),
  lengthField("rampM", "Ramp height", [0.05, 0.6, 0.01, 0.2], "mm", on("gravity")),
  lengthField("runM", "Ramp, along the floor", [0.2, 2, 0.05, 0.6], "m", on("gravity")),
  choiceField(
    "band",
    "Band",
    bands.map((b) => [b.id, b.words] as const),
    "middle",
    on("band"),
  ),
];

const turns = countField("turns", "Turns wound", 1, 60, 6, on("band"));
const mass = massField("massKg", "Mass of the cart", [0.02, 0.5, 0.005, 0.12], "g");
const wheel = lengthField("wheelM", "Driven wheel, across", [0.02, 0.2, 0.005, 0.12], "mm", on("band"));
const sailSide = lengthField("sailM", "Sail, side of a square", [0.05, 0.5, 0.01, 0.22], "mm", on("sail"));

/** The plain build. */
export const driveDesign: readonly Field[] = [
  mass,
  choiceField("axles", "Axles run", [
    ["usual", "in a straw, as usual"],
    ["good", "freely"],
    ["poor", "stiffly"],
  ]),
  countField("bands", "Bands", 1, 4, 1, on("band")),
  turns,
  lengthField("axleM", "Axle", [0.002, 0.02, 0.0005, 0.006], "mm", on("band")),
  wheel,
  choiceField(
    "tyre",
    "Wheels",
    [
      ["bare", "bare"],
      ["band", "with a band as tyre"],
    ],
    "band",
    on("band"),
  ),
  sailSide,
];

/** What builders say they changed. */
export const driveVariables: readonly Field[] = [
  turns,
  { ...wheel, unit: "cm", when: undefined },
  mass,
  { ...sailSide, unit: "cm" },
  choiceField("axles", "Axles run", [
    ["usual", "in a straw, as usual"],
    ["good", "freely"],
    ["poor", "stiffly"],
  ]),
];
