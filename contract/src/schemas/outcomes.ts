import { type AskedQuestions, asFamily, failedKinds, type NamedToken, type Outcomes, type Weighing } from "@lampcrate/core";
import Joi from "joi";
import { fieldId, line, objectOf } from "./parts.ts";

/** Rungs of a list at most. */
export const mostRungs = 8;

/** Things that loads are counted in. Letters only: a name with figures in it could not be told from a number. */
export const tokens = Joi.array()
  .items(
    objectOf<NamedToken>({
      name: line(30)
        .pattern(/^[A-Za-z][A-Za-z ]*$/)
        .required()
        .messages({ "string.pattern.base": "{#label}: name it by letters only, such as coin or storybook" }),
      massKg: Joi.number().greater(0).max(1000).allow(null).required(),
      weighed: objectOf<Weighing>({
        count: Joi.number().integer().min(1).max(10_000).required(),
        togetherKg: Joi.number().greater(0).max(1000).required(),
        stepKg: Joi.number().min(0).max(10).required(),
      })
        .allow(null)
        .required() as Joi.ObjectSchema,
    }),
  )
  .max(8);

const words = line(60).min(1).required();
const rungPlace = Joi.number()
  .integer()
  .min(0)
  .max(mostRungs - 1)
  .required();
const questions = Joi.array().items(line(240).min(1)).max(8).required();

/** Each kind of main outcome with what it needs. */
const main = Joi.object({ kind: Joi.string().valid("number", "passes", "rungs").required() })
  .when(Joi.object({ kind: "passes" }).unknown(), {
    then: Joi.object({ passed: words, not: words, asked: Joi.number().integer().min(1).max(12).required() }),
  })
  .when(Joi.object({ kind: "rungs" }).unknown(), {
    then: Joi.object({ steps: Joi.array().items(line(40).min(1)).max(mostRungs).required(), asked: rungPlace }),
  })
  .required();

/** What a brief asks of its trials. Shape only: the server holds it against the family. */
export const outcomes = objectOf<Outcomes>({
  main: main as Joi.Schema as Joi.AlternativesSchema,
  failed: Joi.string()
    .valid(...failedKinds)
    .required(),
  further: Joi.array().items(fieldId).max(8).unique().required(),
  setting: fieldId.allow(null).required(),
  versions: Joi.number().integer().min(1).max(12).required(),
  answered: Joi.boolean().required(),
  questions: objectOf<AskedQuestions>({ before: questions, during: questions, after: questions })
    .allow(null)
    .required() as Joi.ObjectSchema,
  tokens: tokens.required(),
}).default(asFamily);
