import { id } from "@lampcrate/contract/schemas";
import { validator } from "hono/validator";
import type Joi from "joi";
import { badField, Problem } from "./problem.ts";

const options: Joi.ValidationOptions = { abortEarly: false, convert: false, errors: { wrap: { label: false } } };

/** The value as the contract's type, or a problem that names every field. */
function checked<T>(schema: Joi.Schema<T>, value: unknown, part: string): T {
  const result = schema.validate(value, options);
  if (!result.error) return result.value;
  const errors = result.error.details.map((detail) => ({ field: fieldName(detail.path) || part, message: detail.message }));
  throw new Problem(422, "Check what you typed", errors.map((error) => error.message).join(". "), { errors });
}

function fieldName(path: readonly (string | number)[]): string {
  return path.reduce<string>((name, key) => (typeof key === "number" ? `${name}[${key}]` : name === "" ? key : `${name}.${key}`), "");
}

/** A JSON body of the contract's type; the typed client sees that type too. */
export function body<T>(schema: Joi.ObjectSchema<T>) {
  return validator("json", (value): T => checked(schema, value, "body"));
}

/** Path parameters that are ids of ours. */
export function ids<K extends string>(...names: readonly K[]) {
  return validator("param", (value: Record<string, string>) => {
    for (const name of names) if (id.validate(value[name]).error) throw badField(name, `${name} is no id of ours.`);
    return value as Record<K, string>;
  });
}
