import { declaredWords } from "../family/fieldWords.ts";
import type { Field, Measure } from "../family/shape.ts";
import { said, several } from "../language/language.ts";
import { showNumber, showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { Dimension } from "../quantity/units.ts";

/** A field's value as a sentence has it: a choice in its words, whole seconds and minutes whole, everything else in the unit it reads best in. */
export function toldValue(field: Field, value: number | string, units: UnitChoice): string {
  const isTime = field.kind === "number" && field.dimension === "time" && typeof value === "number";
  return isTime ? toldTime(value) : declaredWords(field, value, units);
}

/** A quantity as a sentence has it. */
export function toldQuantity(si: number, dimension: Dimension, units: UnitChoice): string {
  return dimension === "time" ? toldTime(si) : showQuantity(si, dimension, units);
}

/** Seconds in words: "15 s", "1.50 s", "20 min". */
function toldTime(seconds: number): string {
  if (seconds >= 120 && seconds % 60 === 0) return `${showNumber(seconds / 60, 0)}\u00a0min`;
  return Number.isInteger(seconds) ? `${showNumber(seconds, 0)}\u00a0s` : showQuantity(seconds, "time");
}

/** A number of the goal's measure; counts whole, with what is counted. */
export function toldMeasure(si: number, measure: Measure, units: UnitChoice): string {
  if (measure.dimension === "time") return toldTime(Math.round(si * 100) / 100);
  if (measure.dimension !== "count") return showQuantity(si, measure.dimension, units);
  return `${Math.round(si)} ${measure.token ? counted(measure.token.names[0] ?? "", Math.round(si)) : ""}`.trim();
}

const counted = (name: string, count: number): string => (count === 1 || name === "" ? said(name) : several(name));
