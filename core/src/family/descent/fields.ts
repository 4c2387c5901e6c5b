import type { Field } from "../shape.ts";

/** The goal's numbers. */
export const descentSpec: readonly Field[] = [
  { kind: "number", id: "heightM", words: "Drop height", dimension: "length", min: 0.5, max: 8, step: 0.05, start: 1.8, unit: "m" },
  { kind: "number", id: "cargoKg", words: "Cargo", dimension: "mass", min: 0.0005, max: 0.2, step: 0.0005, start: 0.003, unit: "g" },
  { kind: "number", id: "goalS", words: "Time to reach", dimension: "time", min: 0.3, max: 20, step: 0.1, start: 1.5, unit: "s" },
  {
    kind: "choice",
    id: "place",
    words: "Where",
    start: "indoors",
    options: [
      { id: "indoors", words: "indoors, still air" },
      { id: "outdoors", words: "outdoors" },
    ],
  },
];

const kindField: Field = {
  kind: "choice",
  id: "kind",
  words: "Canopy",
  start: "spinner",
  options: [
    { id: "round", words: "round canopy" },
    { id: "square", words: "square canopy" },
    { id: "plate", words: "flat plate" },
    { id: "bag", words: "bag, laid flat" },
    { id: "spinner", words: "two spinning wings" },
  ],
};

const size: Field = {
  kind: "number",
  id: "sizeM",
  words: "Size (across, or one wing)",
  dimension: "length",
  min: 0.03,
  max: 0.9,
  step: 0.005,
  start: 0.09,
  unit: "mm",
};

/** The plain build. */
export const descentDesign: readonly Field[] = [
  kindField,
  size,
  {
    kind: "number",
    id: "canopyKg",
    words: "Mass of the canopy",
    dimension: "mass",
    min: 0.0002,
    max: 0.05,
    step: 0.0002,
    start: 0.0016,
    unit: "g",
  },
];

/** A cargo hangs from these by lines. */
const hung = { field: "kind", is: ["round", "square", "bag"] };

/** What builders say they changed. */
export const descentVariables: readonly Field[] = [
  kindField,
  { ...size, unit: "cm" },
  { kind: "number", id: "lines", words: "Number of lines", dimension: "count", min: 0, max: 8, step: 1, start: 4, when: hung },
  {
    kind: "number",
    id: "lineM",
    words: "Length of the lines",
    dimension: "length",
    min: 0.05,
    max: 2,
    step: 0.01,
    start: 0.4,
    unit: "cm",
    when: hung,
  },
  { kind: "number", id: "cargoKg", words: "Cargo", dimension: "mass", min: 0.0005, max: 0.2, step: 0.0005, start: 0.003, unit: "g" },
];
