import { countField, lengthField, massField } from "../fields.ts";
import { sheets } from "../materials/sheets.ts";
import { tokens } from "../materials/things.ts";
import type { Field } from "../shape.ts";

/** The goal's numbers. */
export const floatSpec: readonly Field[] = [
  {
    kind: "choice",
    id: "from",
    words: "Made from",
    start: "sheet",
    options: [
      { id: "sheet", words: "equal square sheets" },
      { id: "bag", words: "a bag of parts" },
      { id: "clay", words: "a lump of clay" },
    ],
  },
  massField("clayKg", "Clay for each", [0.02, 1, 0.01, 0.1], "g", { field: "from", is: ["clay"] }),
  {
    kind: "number",
    id: "sideM",
    words: "Square sheet, side",
    dimension: "length",
    min: 0.08,
    max: 0.4,
    step: 0.005,
    start: 0.2,
    unit: "mm",
    when: { field: "from", is: ["sheet"] },
  },
  {
    kind: "choice",
    id: "token",
    words: "Token",
    start: "washer-m10",
    options: tokens.filter((t) => t.id !== "load-bag").map((t) => ({ id: t.id, words: t.words })),
  },
  { kind: "number", id: "goalCount", words: "Tokens to carry", dimension: "count", min: 1, max: 300, step: 1, start: 40 },
  { kind: "number", id: "waterM", words: "Water depth", dimension: "length", min: 0.03, max: 0.4, step: 0.01, start: 0.12, unit: "mm" },
];

const formField: Field = {
  kind: "choice",
  id: "form",
  words: "Form",
  start: "box",
  options: [
    { id: "box", words: "open box" },
    { id: "dish", words: "round dish" },
    { id: "raft", words: "raft of floating parts" },
    { id: "free", words: "free" },
  ],
};

const wall: Field = {
  kind: "number",
  id: "wallM",
  words: "Wall height",
  dimension: "length",
  min: 0.005,
  max: 0.1,
  step: 0.001,
  start: 0.03,
  unit: "mm",
};

const raft = { field: "form", is: ["raft"] };

/** The plain build. */
export const floatDesign: readonly Field[] = [
  formField,
  { kind: "choice", id: "sheet", words: "Sheet", start: "kitchen-foil", options: sheets.map((s) => ({ id: s.id, words: s.words })) },
  { ...wall, when: { field: "form", is: ["box", "dish"] } },
  countField("parts", "Floating parts, sealed", 1, 60, 12, raft),
  lengthField("partAcrossM", "A part: across", [0.004, 0.12, 0.001, 0.02], "mm", raft),
  lengthField("partLongM", "A part: long", [0.01, 0.4, 0.005, 0.04], "mm", raft),
  lengthField("deckM", "Deck inside the rim, side", [0, 0.4, 0.005, 0.12], "mm", raft),
  lengthField("rimM", "Rim height", [0, 0.06, 0.001, 0.01], "mm", raft),
  massField("hullKg", "Mass of the raft", [0.001, 0.5, 0.001, 0.02], "g", raft),
];

/** What builders say they changed. */
export const floatVariables: readonly Field[] = [formField, { ...wall, unit: "cm" }];
