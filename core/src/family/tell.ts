import { saying } from "../language/language.ts";
import { showNumber, showQuantity, type UnitChoice } from "../quantity/show.ts";
import type { PredictedIn, Told } from "./shape.ts";

/** A predicted value in words for people. */
export function showPredicted(value: number, dimension: PredictedIn, units: UnitChoice): string {
  switch (dimension) {
    case "ratio":
      return `${showNumber(value, 1)} ×`;
    case "calibres":
      return saying`${showNumber(value, 1)} calibres`;
    case "gees":
      return saying`${showNumber(value, 0)} times g`;
    case "speed":
    case "length":
    case "time":
    case "mass":
    case "count":
    case "angle":
      return showQuantity(value, dimension, units);
  }
}

/** Words with their numbers put in, each {} by the next one, in the run's units. */
export function tell(told: Told, units: UnitChoice): string {
  let next = 0;
  return told.words.replace(/\{\}/g, () => {
    const [value, dimension] = told.fill?.[next++] ?? [Number.NaN, "count"];
    return showPredicted(value, dimension, units);
  });
}
