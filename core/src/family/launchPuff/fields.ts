import { angleField, choiceField, countField, lengthField, massField } from "../fields.ts";
import type { Field } from "../shape.ts";

/** The goal's numbers. */
export const puffSpec: readonly Field[] = [
  choiceField("aim", "What counts", [
    ["far", "how far it flies"],
    ["straight", "how straight it flies"],
  ]),
  lengthField("goalM", "Distance", [0.5, 40, 0.1, 3], "m"),
  lengthField("withinM", "No more than this to a side", [0.05, 3, 0.05, 0.5], "cm", { field: "aim", is: ["straight"] }),
  choiceField("source", "Pushed by", [
    ["breath", "one breath"],
    ["stomp", "a foot on a soft bottle"],
  ]),
  lengthField("tubeM", "Launch tube, outside", [0.004, 0.03, 0.0001, 0.006], "mm"),
  lengthField("releaseM", "Release above the landing floor", [0, 1.8, 0.05, 1.2], "m"),
  massField("leastKg", "Lightest rocket allowed", [0.0003, 0.02, 0.0001, 0.0006], "g"),
  lengthField("mostOverlapM", "Longest part on the tube", [0.03, 0.4, 0.005, 0.18], "mm"),
];

const fins = countField("fins", "Fins", 0, 8, 3);
const span = lengthField("finSpanM", "Fin stands out", [0.005, 0.08, 0.001, 0.012], "mm");

/** The plain build. Stations from the nose tip. */
export const puffDesign: readonly Field[] = [
  lengthField("lengthM", "Length of the rocket", [0.05, 0.5, 0.005, 0.13], "mm"),
  lengthField("overlapM", "Part on the tube", [0.03, 0.4, 0.005, 0.11], "mm"),
  massField("massKg", "Mass", [0.0003, 0.03, 0.0001, 0.0012], "g"),
  lengthField("massAtM", "Balance point from the nose tip", [0.01, 0.4, 0.005, 0.09], "mm"),
  angleField("angle", "Launch angle above level", 0, 75, 40),
  choiceField("nose", "Nose", [
    ["cone", "cone, or a pinched end"],
    ["rounded", "rounded"],
  ]),
  lengthField("noseM", "Length of the nose", [0.005, 0.1, 0.005, 0.02], "mm"),
  fins,
  span,
  lengthField("rootM", "Fin along the body", [0.005, 0.12, 0.005, 0.02], "mm"),
  lengthField("tipM", "Fin at its outer edge", [0, 0.12, 0.005, 0.01], "mm"),
  lengthField("sweepM", "Fin swept back", [0, 0.08, 0.005, 0.005], "mm"),
];

/** Without fins there is no place for them. */
const finned = { field: "fins", is: ["1", "2", "3", "4", "5", "6", "7", "8"] };

/** What builders say they changed. */
export const puffVariables: readonly Field[] = [
  fins,
  { ...span, unit: "cm", when: finned },
  choiceField(
    "finPlace",
    "Fins sit",
    [
      ["tail", "at the tail"],
      ["middle", "in the middle"],
      ["nose", "near the nose"],
    ],
    "tail",
    finned,
  ),
  choiceField("noseMade", "Nose", [
    ["pinched", "pinched flat"],
    ["cone", "a cone"],
    ["clay", "weighted with clay"],
  ]),
  { ...lengthField("lengthM", "Length of the rocket", [0.05, 0.5, 0.005, 0.2], "cm") },
];
