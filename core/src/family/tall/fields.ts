import { choiceField, countField, lengthField, massField, timeField } from "../fields.ts";
import { sticks } from "../materials/sticks.ts";
import type { Field } from "../shape.ts";

/** The goal's numbers. */
export const tallSpec: readonly Field[] = [
  choiceField(
    "stick",
    "Stick",
    Object.entries(sticks).map(([id, stick]) => [id, stick.words] as const),
    "spaghetti",
  ),
  lengthField("stickM", "Length of a stick", [0.05, 1, 0.005, 0.25], "mm"),
  countField("sticks", "Sticks", 3, 200, 30),
  countField("joints", "Joints", 3, 80, 12),
  lengthField("goalM", "Height", [0.1, 3, 0.05, 0.4], "m"),
  timeField("standS", "Stands, hands off", [1, 120, 1, 10]),
  massField("topKg", "Load on top", [0, 1, 0.005, 0], "g"),
];

const base = choiceField("base", "Base", [
  ["triangle", "three-sided"],
  ["square", "four-sided"],
  ["round", "round"],
]);

/** The plain build. */
export const tallDesign: readonly Field[] = [
  base,
  lengthField("baseM", "Base, one side or radius", [0.03, 1, 0.005, 0.25], "mm"),
  choiceField("braces", "Braces", [
    ["whole", "whole sticks, slanted"],
    ["cut", "cut, uprights stand straight"],
  ]),
  countField("sticksUsed", "Sticks used", 3, 200, 30),
  countField("jointsUsed", "Joints used", 3, 80, 12),
];

/** What builders say they changed. */
export const tallVariables: readonly Field[] = [
  base,
  countField("sticksUsed", "Sticks used", 1, 200, 30),
  countField("jointsUsed", "Joints used", 1, 80, 12),
  countField("layers", "Layers", 1, 20, 3),
];
