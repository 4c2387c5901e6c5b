import { isDate, isOddLine, isOddText, isZone, unitChoices } from "@lampcrate/core";
import Joi from "joi";

/** Ids that our own devices and server make. */
export const id = Joi.string().pattern(/^[A-Za-z0-9_-]{6,40}$/);

/** The name of a family's field. */
export const fieldId = Joi.string().pattern(/^[a-zA-Z][a-zA-Z0-9-]{0,39}$/);

/** One line of plain text, without spaces around it. */
export const line = (most: number): Joi.StringSchema => plain(isOddLine).max(most);

/** Several lines of plain text, without spaces around them; may be empty. */
export const text = (most: number): Joi.StringSchema => plain(isOddText).max(most).allow("");

/** Several lines of plain text with something in them. */
export const someText = (most: number): Joi.StringSchema =>
  plain(isOddText)
    .max(most)
    .custom((value: string, helpers) => (value === "" ? said(helpers, "{#label}: write a few words") : value), "some words");

function plain(isOdd: (text: string) => boolean): Joi.StringSchema {
  return Joi.string().custom((value: string, helpers) => (isOdd(value) ? said(helpers, oddWords) : value.trim()), "plain text");
}

const oddWords = "{#label} has characters that can't be read or seen, or that turn the text around. Type it again";

/**
 * Refuses a value in words of its own. For schemas that are asked thousands of times a minute: one with messages of
 * its own mixes its settings with its parent's at every value, which costs more than the rest of the check.
 */
export function said(helpers: Joi.CustomHelpers, words: string): Joi.ErrorReport {
  return helpers.message({ custom: words });
}

/** A local date that exists. */
export const date = Joi.string()
  .custom((value: string, helpers) => (isDate(value) ? value : helpers.error("any.invalid")), "a date")
  .messages({ "any.invalid": "{#label} must be a day of the calendar such as 2026-12-05" });

/** A wall-clock time. */
export const wall = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/)
  .messages({ "string.pattern.base": "{#label} must be a date and time such as 2026-12-05T10:00" });

export const zone = Joi.string()
  .max(60)
  .custom((value: string, helpers) => (isZone(value) ? value : helpers.error("any.invalid")), "a zone")
  .messages({ "any.invalid": "{#label} must be a time zone such as CET or UTC" });

export const share = Joi.number().min(0).max(1);
export const revision = Joi.number().integer().min(1).required();
export const units = Joi.string().valid(...unitChoices);

/** Where families reach a house. */
export const webAddress = Joi.string()
  .uri({ scheme: ["http", "https"] })
  .max(200)
  .messages({
    "string.uriCustomScheme": "Type the whole address, such as https://builds.example",
    "string.uri": "Type the whole address, such as https://builds.example",
  });

const cap = Joi.number().integer().min(1).max(5000);
const people = Joi.number().min(0).max(5000);
const forecast = {
  low: Joi.number().greater(0).max(5000).required(),
  likely: Joi.number().min(Joi.ref("low")).max(5000).required().messages({ "number.min": "{#label} is below the low end" }),
  high: Joi.number().min(Joi.ref("likely")).max(5000).required().messages({ "number.min": "{#label} is below the likely number" }),
};

const model = (name: string, fields: Joi.SchemaMap): Joi.ObjectSchema =>
  Joi.object({ model: Joi.string().valid(name).required(), cap, ...fields });

const whole = Joi.number().integer().min(0).max(5000).required();

/** Any heads model, told apart by its name. */
export const heads = Joi.alternatives().conditional(".model", {
  switch: [
    { is: "signedUp", then: model("signedUp", { signedUp: whole, showRate: share.required(), walkIns: people.required() }) },
    { is: "atHome", then: model("atHome", { asked: whole, takeUp: share.required(), more: people.required() }) },
    { is: "forecast", then: model("forecast", forecast) },
    { is: "learned", then: model("learned", { ...forecast, past: Joi.array().items(whole).max(60).required() }) },
  ],
  otherwise: Joi.object({ model: Joi.string().valid("signedUp", "forecast", "learned", "atHome").required() }).unknown(),
});

/** The same shape that may be written: Joi's strict types know no readonly lists. */
type Writable<T> = T extends readonly (infer Item)[]
  ? Writable<Item>[]
  : T extends object
    ? { -readonly [Key in keyof T]: Writable<T[Key]> }
    : T;

/** A schema held against the contract's type: every key of it and no other, each by a schema of its own kind. */
export function objectOf<T>(fields: Joi.StrictSchemaMap<Writable<T>>): Joi.ObjectSchema<T> {
  return Joi.object<Writable<T>, true>(fields) as Joi.ObjectSchema as Joi.ObjectSchema<T>;
}
