import { sheets } from "../materials/sheets.ts";
import type { Field, NumberField } from "../shape.ts";

const forms = [
  { id: "flat", words: "flat, loose sheets" },
  { id: "flat-bonded", words: "flat, glued together" },
  { id: "pleated", words: "pleated" },
  { id: "sandwich", words: "pleats between two faces" },
  { id: "tubes", words: "tubes side by side" },
  { id: "arch", words: "arch, ends held" },
  { id: "truss", words: "truss of triangles" },
  { id: "suspended", words: "hung from lines" },
  { id: "bricks", words: "studded bricks" },
] as const;

const sheetForms = ["flat", "flat-bonded", "pleated", "sandwich", "tubes", "arch"];

const form: Field = { kind: "choice", id: "form", words: "Form", options: forms, start: "sandwich" };

/** The goal's numbers. */
export const spanSpec: readonly Field[] = [
  { kind: "number", id: "gapM", words: "Clear gap", dimension: "length", min: 0.1, max: 1.2, step: 0.01, start: 0.54, unit: "mm" },
  { kind: "number", id: "loadKg", words: "Load to hold", dimension: "mass", min: 0.05, max: 5, step: 0.05, start: 0.9, unit: "kg" },
  { kind: "number", id: "holdS", words: "Hold time", dimension: "time", min: 1, max: 60, step: 1, start: 15 },
  {
    kind: "number",
    id: "deckHeightM",
    words: "Greatest deck height",
    dimension: "length",
    min: 0.05,
    max: 0.5,
    step: 0.01,
    start: 0.15,
    unit: "mm",
  },
  {
    kind: "choice",
    id: "until",
    words: "The load",
    start: "set",
    options: [
      { id: "set", words: "is set: it holds or it doesn't" },
      { id: "fails", words: "grows until it gives way" },
    ],
  },
  {
    kind: "choice",
    id: "supports",
    words: "Supports",
    start: "outside",
    options: [
      { id: "outside", words: "only at or outside the marks" },
      { id: "inside", words: "also inside the gap" },
    ],
  },
  {
    kind: "choice",
    id: "loading",
    words: "Loads go on",
    start: "singly",
    options: [
      { id: "singly", words: "one at a time" },
      { id: "handfuls", words: "by handfuls, then one at a time" },
      { id: "at-once", words: "all at once" },
    ],
  },
];

const number = (
  id: string,
  words: string,
  forForms: readonly string[],
  min: number,
  max: number,
  step: number,
  start: number,
): NumberField => ({
  kind: "number",
  id,
  words,
  dimension: "length",
  min,
  max,
  step,
  start,
  unit: "mm",
  when: { field: "form", is: forForms },
});

const count = (id: string, words: string, forForms: readonly string[], min: number, max: number, start: number): Field => ({
  kind: "number",
  id,
  words,
  dimension: "count",
  min,
  max,
  step: 1,
  start,
  when: { field: "form", is: forForms },
});

/** The plain build a prediction is made for. */
export const spanDesign: readonly Field[] = [
  form,
  {
    kind: "choice",
    id: "sheet",
    words: "Sheet",
    start: "thin-card",
    options: sheets.map((s) => ({ id: s.id, words: s.words })),
    when: { field: "form", is: sheetForms },
  },
  count("sheets", "Sheets", ["flat", "flat-bonded", "arch"], 1, 12, 4),
  number("widthM", "Deck width", ["flat", "flat-bonded", "sandwich", "arch"], 0.03, 0.3, 0.005, 0.1),
  number("developedM", "Pleated sheet, flattened", ["pleated", "sandwich"], 0.05, 0.6, 0.005, 0.2),
  number("depthM", "Pleat depth", ["pleated", "sandwich"], 0.004, 0.04, 0.001, 0.012),
  number("sideM", "Pleat side", ["pleated", "sandwich"], 0.005, 0.06, 0.001, 0.014),
  count("tubes", "Tubes", ["tubes"], 1, 12, 5),
  number("radiusM", "Tube radius", ["tubes"], 0.003, 0.03, 0.001, 0.006),
  count("tubeLayers", "Layers rolled", ["tubes"], 1, 8, 2),
  number("riseM", "Rise of the arch", ["arch"], 0.01, 0.3, 0.005, 0.06),
  {
    kind: "choice",
    id: "stick",
    words: "Strut",
    start: "paper-straw",
    when: { field: "form", is: ["truss"] },
    options: [
      { id: "spaghetti", words: "dry spaghetti" },
      { id: "paper-straw", words: "paper straw" },
      { id: "plastic-straw", words: "plastic straw" },
      { id: "flat-stick", words: "flat wooden stick" },
      { id: "skewer", words: "wooden skewer" },
      { id: "balsa", words: "balsa strip" },
    ],
  },
  {
    kind: "choice",
    id: "joint",
    words: "Joint",
    start: "tape-holds",
    when: { field: "form", is: ["truss"] },
    options: [
      { id: "tape-peels", words: "tape that peels" },
      { id: "tape-holds", words: "tape that holds" },
      { id: "glue", words: "hot glue" },
      { id: "band", words: "wrapped band" },
      { id: "clay", words: "clay" },
    ],
  },
  number("spacingM", "Node spacing", ["truss"], 0.03, 0.3, 0.005, 0.09),
  number("trussDepthM", "Truss depth", ["truss"], 0.02, 0.3, 0.005, 0.08),
  {
    kind: "choice",
    id: "line",
    words: "Line",
    start: "cotton-string",
    when: { field: "form", is: ["suspended"] },
    options: [
      { id: "cotton-string", words: "cotton string" },
      { id: "thread", words: "sewing thread" },
    ],
  },
  count("lines", "Lines", ["suspended"], 1, 8, 2),
  number("dipM", "Dip at the load", ["suspended"], 0.01, 0.3, 0.005, 0.05),
  count("brickLayers", "Brick layers", ["bricks"], 2, 8, 3),
  count("studsAcross", "Studs across", ["bricks"], 1, 8, 2),
  count("studsOverlap", "Studs overlapping", ["bricks"], 1, 8, 2),
];

/** What builders say they changed. */
export const spanVariables: readonly Field[] = [
  form,
  count("sheetsUsed", "Sheets used", sheetForms, 1, 40, 4),
  {
    kind: "number",
    id: "widthM",
    words: "Deck width",
    dimension: "length",
    min: 0.02,
    max: 0.5,
    step: 0.005,
    start: 0.1,
    unit: "cm",
    when: { field: "form", is: sheetForms },
  },
  count("strutsUsed", "Sticks or strands used", ["truss"], 1, 200, 30),
  count("jointsUsed", "Joints", ["truss"], 1, 100, 14),
  { ...number("trussDepthM", "Truss depth", ["truss"], 0.02, 0.3, 0.005, 0.08), unit: "cm" },
  count("lines", "Lines", ["suspended"], 1, 8, 2),
  { ...number("dipM", "Dip at the load", ["suspended"], 0.01, 0.3, 0.005, 0.05), unit: "cm" },
  count("brickLayers", "Brick layers", ["bricks"], 2, 8, 3),
  count("studsOverlap", "Studs overlapping", ["bricks"], 1, 8, 2),
];
