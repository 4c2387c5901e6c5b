import { angleField, choiceField, countField, lengthField } from "../fields.ts";
import { bands, projectiles } from "../materials/things.ts";
import type { Field } from "../shape.ts";

const things = projectiles.map((p) => [p.id, p.words] as const);

/** The goal's numbers. */
export const bandSpec: readonly Field[] = [
  choiceField("aim", "What counts", [
    ["far", "how far it flies"],
    ["target", "how near to the target it lands"],
  ]),
  lengthField("goalM", "Distance", [0.5, 20, 0.05, 3], "m"),
  lengthField("withinM", "Within", [0.05, 2, 0.05, 0.3], "cm", { field: "aim", is: ["target"] }),
  choiceField("allowed", "May be flung", [["any", "anything soft on the list"], ...things], "pompom"),
  choiceField(
    "band",
    "Band",
    bands.map((b) => [b.id, b.words] as const),
    "thin",
  ),
  countField("mostBands", "Bands allowed", 1, 6, 2),
  lengthField("mostStretchM", "Longest stretch allowed", [0.02, 0.2, 0.005, 0.08], "mm"),
  lengthField("releaseM", "Release above the landing floor", [0, 1.5, 0.05, 0.75], "m"),
];

const count = countField("bands", "Bands", 1, 6, 1);
const stretch = lengthField("stretchM", "Stretch beyond slack", [0.01, 0.2, 0.005, 0.06], "mm");
const angle = angleField("angle", "Release angle above level", -30, 80, 40);

/** The plain build. */
export const bandDesign: readonly Field[] = [
  count,
  stretch,
  lengthField("leftM", "Stretch still left at release", [0, 0.1, 0.005, 0], "mm"),
  angle,
  choiceField("projectile", "Flung", things, "pompom", { field: "allowed", is: ["any"] }),
];

/** What builders say they changed. */
export const bandVariables: readonly Field[] = [
  count,
  { ...stretch, unit: "cm" },
  angle,
  choiceField("cradle", "Cradle", [
    ["cup", "a cup"],
    ["bare", "bare arm"],
  ]),
  lengthField("armM", "Arm length", [0.03, 0.5, 0.005, 0.11], "cm"),
  lengthField("baseM", "Length of the base", [0.03, 0.6, 0.005, 0.15], "cm"),
  choiceField("clip", "Clip or hinge", [
    ["small", "small"],
    ["middle", "middle"],
    ["large", "large"],
    ["none", "none"],
  ]),
];
