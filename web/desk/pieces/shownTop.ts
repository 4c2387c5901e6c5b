import type { NumberField } from "@lampcrate/core";
import { type Scale, ticksOf } from "../../shared/pieces/scale.ts";

/** The end of a ruler that shows the part of the range around a value, and at least so much more: the whole of it may be typed. SI. */
export function shownTop(field: NumberField, value: number, scale: Scale, atLeast = 0): number {
  const wanted = Math.max(2 * Math.max(value, field.start), atLeast);
  const [roundUp = field.max] = ticksOf(wanted, 3 * wanted, scale.factor, 12);
  return wanted >= field.max * 0.6 ? field.max : Math.min(field.max, Math.max(roundUp, field.min + 10 * field.step));
}
