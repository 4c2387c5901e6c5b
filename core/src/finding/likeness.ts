import type { Family, Field, Values } from "../family/shape.ts";
import { applies, buildValues } from "../family/values.ts";

/** A brief's goal and plain build, or what a builder made of it. */
export interface Built {
  readonly spec: Values;
  readonly design: Values;
}

/**
 * How much a checked result of one build teaches about another of the same form: 1 where all numbers that stand for it
 * are the same, × e^(−½ (log₂ of their ratio)²) for each that differs: 0.61 for one twice as large. The goal itself is no
 * number of the build. Our own choice; the models say only "per family and form".
 */
export function likeness(family: Family, one: Built, other: Built): number {
  const [a, b] = [one, other].map(({ spec, design }) => buildValues(family, spec, design));
  if (!a || !b) return 0;
  const goal = family.goalField(one.spec);
  const fields = [...family.spec.filter(({ id }) => id !== goal), ...family.design];
  const squares = fields.reduce((sum, field) => sum + doublings(field, a, b) ** 2, 0);
  return Math.exp(-squares / 2);
}

/** How often one value must be doubled to get the other; 0 for what doesn't stand for both, or is no number above 0. */
function doublings(field: Field, a: Values, b: Values): number {
  if (field.kind !== "number" || !applies(field.when, a) || !applies(field.when, b)) return 0;
  const [x, y] = [a[field.id], b[field.id]];
  return typeof x === "number" && typeof y === "number" && x > 0 && y > 0 ? Math.log2(x / y) : 0;
}
