import { id } from "@lampcrate/contract/schemas";
import { validator } from "hono/validator";
import type Joi from "joi";
import { badField, Problem } from "./problem.ts";

const options: Joi.ValidationOptions = { abortEarly: false, convert: false, errors: { wrap: { label: false } } };

const known = new WeakMap<Joi.Schema, Joi.Schema>();

/** The schema with our settings in it: given at each call, Joi would mix them anew every time. */
function prepared<T>(schema: Joi.Schema<T>): Joi.Schema<T> {
  const there = known.get(schema) as Joi.Schema<T> | undefined;
  if (there) return there;
  const made = schema.prefs(options) as Joi.Schema<T>;
  known.set(schema, made);
  return made;
}

/** The value as the contract's type, or a problem that names every field. */
function checked<T>(schema: Joi.Schema<T>, value: unknown, part: string, under = ""): T {
  const result = prepared(schema).validate(value);
  if (!result.error) return result.value;
  const errors = result.error.details.map((detail) => ({
    field: detail.path.length === 0 ? part : `${under}${fieldName(detail.path)}`,
    message: detail.message,
  }));
  throw new Problem(422, "Check what you typed", errors.map((error) => error.message).join(". "), { errors });
}

function fieldName(path: readonly (string | number)[]): string {
  return path.reduce<string>((name, key) => (typeof key === "number" ? `${name}[${key}]` : name === "" ? key : `${name}.${key}`), "");
}

/** A JSON body of the contract's type; the typed client sees that type too. */
export function body<T>(schema: Joi.ObjectSchema<T>) {
  return validator("json", (value): T => checked(schema, sound(value), "body"));
}

/** A JSON body that its reader checks part by part. */
export const anyJson = validator("json", (value: unknown) => sound(value) as object);

/** Levels of objects and lists within each other that any document here needs, and some. */
const mostLevels = 24;

/** Refuses JSON that is nested without end, or that names what JavaScript keeps for itself. Throws 422. */
function sound(value: unknown): unknown {
  look(value, 0);
  return value;
}

function look(item: unknown, depth: number): void {
  if (typeof item !== "object" || item === null) return;
  if (depth > mostLevels) throw badField("body", "That is nested too deeply to be read.");
  if (Array.isArray(item)) for (const one of item) look(one, depth + 1);
  else
    for (const key in item) {
      if (key === "__proto__") throw badField("__proto__", "__proto__ is no name of a field.");
      look((item as Record<string, unknown>)[key], depth + 1);
    }
}

/** The value as the contract's type; throws 422 naming every field, under `part`. For documents that come in otherwise than as a body. */
export function checkedPart<T>(schema: Joi.Schema<T>, value: unknown, part: string): T {
  return checked(schema, value, part, `${part}.`);
}

/** Path parameters that are ids of ours. */
export function ids<K extends string>(...names: readonly K[]) {
  return validator("param", (value: Record<string, string>) => {
    for (const name of names) if (id.validate(value[name]).error) throw badField(name, `${name} is no id of ours.`);
    return value as Record<K, string>;
  });
}

/** Where a page of a long list begins. */
export const from = validator("query", (value: Record<string, string | string[]>) => ({ from: pageStart(value) }));

/** Reads where a page begins out of a question; 0 where it doesn't say. Throws 422. */
export function pageStart({ from: text = "0" }: Record<string, string | string[]>): number {
  if (typeof text !== "string" || !/^\d{1,9}$/.test(text)) throw badField("from", "A page begins at a whole number from 0.");
  return Number(text);
}
