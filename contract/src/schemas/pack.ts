import { mostLines, runKinds } from "@lampcrate/core";
import Joi from "joi";
import { bindOf, briefFields, briefLists, cutFields, lineFields } from "./brief.ts";
import { materialFields } from "./material.ts";
import { line, units } from "./parts.ts";

/** Ids and keys of another house: they need not look like ours. */
const key = Joi.string().pattern(/^[A-Za-z0-9_-]{2,40}$/);

const { materialId: _, tier: __, cut: ___, id: ____, bind: _____, standInRatio, ...lineRest } = lineFields;
const { spec, design, compared, turnedAway, outcomes, ...brief } = briefFields;

const cut = Joi.object({
  ...cutFields,
  shape: cutFields.shape
    .optional()
    .description(
      "rectangle where it is missing; two right triangles share a rectangle, a disc is as wide as widthM, a length takes the full width of the roll",
    ),
  kerfM: cutFields.kerfM.optional().description("width lost per cut, m; 0 where it is missing"),
  trimM: cutFields.trimM.optional().description("squared off the first edges once, m; 0 where it is missing"),
  missRate: cutFields.missRate.optional().description("part of the pieces cut wrong; 0 where it is missing"),
});

/** A challenge pack as it travels, by the very fields that a brief, its kit and the store room are held to. What a reader doesn't know is no error. */
export const challengePack = Joi.object({
  format: Joi.string().valid("lamp-crate challenge pack").required(),
  version: Joi.number().integer().min(1).max(1).required(),
  title: line(80).min(1).required(),
  kind: Joi.string()
    .valid(...runKinds)
    .required(),
  units: units.required(),
  brief: Joi.object({
    ...brief,
    family: brief.family.description("What is tested and measured."),
    spec: spec.description("The goal's numbers by field id, SI (m, kg, s, rad); words for choices. Fields of each family: docs/models.md."),
    design: design.description("The plain build that predictions are made for."),
    compared: compared.description("The design that the plain build is held beside."),
    outcomes: outcomes
      .unknown()
      .description(
        "what a trial shows and is judged by: main outcome, what a failed test counts as, further measures, what varies from trial to trial, versions asked for, questions, tokens; as the family has it where it is missing",
      ),
    turnedAway: turnedAway
      .optional()
      .unknown()
      .description(
        "cost of turning one builder away, in hundredths of the currency, and the part of an unused kit that can be used again: they set the target; null or missing: the target is set itself",
      ),
    ...briefLists(key, (of) => of.unknown()),
  })
    .unknown()
    .required(),
  lines: Joi.array()
    .items(
      Joi.object({
        ...lineRest,
        id: key.required(),
        material: key.required().description("Key of one of the materials."),
        standInRatio: standInRatio.description("how much of the stand-in takes the place of one unit; 1 where it is missing"),
        tier: key.allow(null).required(),
        cut: cut.unknown().allow(null).required(),
        bind: bindOf(key)
          .optional()
          .unknown()
          .description(
            "what follows a number of goal or plain build: times × its SI value + plus, rounded up to whole pieces, mm, g or ml where asked; nothing where it is missing",
          ),
      }).unknown(),
    )
    .max(mostLines)
    .required(),
  materials: Joi.array()
    .items(Joi.object({ ...materialFields, key: key.required() }).unknown())
    .max(mostLines)
    .required(),
}).unknown();

/** The same as JSON Schema, as it stands in docs/formats. */
export function challengePackSchema(): Readonly<Record<string, unknown>> {
  return {
    $schema: "https://json-schema.org/draft/2020-12/schema",
    $id: "urn:lamp-crate:challenge-pack:1",
    title: "Lamp Crate challenge pack",
    description:
      "A brief with everything in it: numbers, lines with stand-ins, tiers, protocol, cautions, rules and hints. Lengths m, masses kg, times s, angles rad; money in whole cents of the reader's currency. Fields that a reader doesn't know are kept and written out again.",
    ...challengePack["~standard"].jsonSchema.input({ target: "draft-2020-12" }),
  };
}
