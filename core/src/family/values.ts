import type { TestPlace } from "./choices.ts";
import type { Family, Field, NumberField, Said, Values, When } from "./shape.ts";

/** A number of these values, the field's start where it is missing or no number. */
export function numberOf(values: Values, fields: readonly Field[], id: string): number {
  const value = values[id];
  if (typeof value === "number" && Number.isFinite(value)) return value;
  const field = fields.find((f) => f.id === id);
  if (field?.kind !== "number") throw new Error(`no number field ${id}`);
  return field.start;
}

/** A choice of these values, the field's start where it is missing or not on the list. */
export function choiceOf(values: Values, fields: readonly Field[], id: string): string {
  const field = fields.find((f) => f.id === id);
  if (field?.kind !== "choice") throw new Error(`no choice field ${id}`);
  const value = values[id];
  return field.options.some((option) => option.id === value) ? String(value) : field.start;
}

/** Every field's start value. */
export function startValues(fields: readonly Field[]): Values {
  return Object.fromEntries(fields.map((field) => [field.id, field.start]));
}

/** True when the field stands, given the other values. */
export function applies(when: When | undefined, values: Values): boolean {
  return when === undefined || when.is.includes(String(values[when.field]));
}

/** Whether what was declared of a build stands: unless another thing that was declared rules it out. */
export function mayApply(when: When | undefined, declared: Values): boolean {
  return when === undefined || declared[when.field] === undefined || applies(when, declared);
}

/** Goal and plain build together, with the usual for what a brief doesn't say. */
export function buildValues({ spec, design }: Pick<Family, "spec" | "design">, goal: Values, build: Values): Values {
  return { ...startValues(spec), ...startValues(design), ...goal, ...build };
}

/** Those of a list that stand for this build, at home or at the house; `values` are goal and plain build together. */
export function saidFor<S extends Said>(list: readonly S[], values: Values, atHome: boolean): readonly S[] {
  return list.filter(({ when, at }) => applies(when, values) && (at === undefined || (at === "home") === atHome));
}

/** What is wrong with a set of values, by field id, in words that say how to mend it. */
export function valueErrors(values: Values, fields: readonly Field[]): Readonly<Record<string, string>> {
  const errors: Record<string, string> = {};
  for (const field of fields) {
    const value = values[field.id];
    if (value === undefined) continue;
    if (field.kind === "choice") {
      if (!field.options.some((option) => option.id === value))
        errors[field.id] = `Choose one of: ${field.options.map((o) => o.words).join(", ")}.`;
    } else if (!isWithin(value, field)) {
      errors[field.id] = `${field.words} must be a number from ${field.min} to ${field.max} (SI).`;
    }
  }
  for (const id of Object.keys(values)) {
    if (!fields.some((field) => field.id === id)) errors[id] = "This family has no such number.";
  }
  return errors;
}

/** What is set in degrees or inches comes back a rounding beside a limit; that much is within it. */
const rounding = 1e-9;

function isWithin(value: number | string, { min, max }: NumberField): boolean {
  const slack = rounding * Math.max(Math.abs(min), Math.abs(max));
  return typeof value === "number" && Number.isFinite(value) && value >= min - slack && value <= max + slack;
}

/** Where a goal says the test is held; nothing where it doesn't say. */
export function placeOf(spec: Values): TestPlace | undefined {
  const place = spec["place"];
  return place === "indoors" || place === "outdoors" ? place : undefined;
}
