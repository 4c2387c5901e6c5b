import type { ChoiceField, NumberField, When } from "./shape.ts";

/** Least, greatest, step and start of a number, SI. */
export type Reach = readonly [min: number, max: number, step: number, start: number];

const number =
  (dimension: NumberField["dimension"]) =>
  (id: string, words: string, [min, max, step, start]: Reach, unit?: string, when?: When): NumberField => ({
    kind: "number",
    id,
    words,
    dimension,
    min,
    max,
    step,
    start,
    unit,
    when,
  });

/** Numbers set on a ruler, by what they measure; all SI, angles in radians. */
export const lengthField = number("length");
export const massField = number("mass");
export const timeField = number("time");
export const speedField = number("speed");

/** A whole number of things. */
export function countField(id: string, words: string, min: number, max: number, start: number, when?: When): NumberField {
  return number("count")(id, words, [min, max, 1, start], undefined, when);
}

/** An angle, given in degrees. */
export function angleField(id: string, words: string, min: number, max: number, start: number, when?: When): NumberField {
  const rad = (degrees: number): number => (degrees * Math.PI) / 180;
  return number("angle")(id, words, [rad(min), rad(max), rad(1), rad(start)], "deg", when);
}

/** One of a short list; the first is the start unless another is named. */
export function choiceField(
  id: string,
  words: string,
  options: readonly (readonly [id: string, words: string])[],
  start?: string,
  when?: When,
): ChoiceField {
  return {
    kind: "choice",
    id,
    words,
    options: options.map(([option, said]) => ({ id: option, words: said })),
    start: start ?? options[0]?.[0] ?? "",
    when,
  };
}
