import { type Tap, tapKinds, tapOutcomes } from "@lampcrate/core";
import Joi from "joi";
import type { TapsInput } from "../runs/floor.ts";
import { id, line, objectOf } from "./parts.ts";

const heads = Joi.number().integer().min(1).max(60).required();
/** A party's tap, and the place in it: "abc123.2". */
const unit = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{6,40}(\.\d{1,2})?$/)
  .required();
const kind = (name: string) => Joi.string().valid(name).required();
const words = line(200).min(1).required();

const body = Joi.alternatives().conditional(".kind", {
  switch: [
    { is: "in", then: Joi.object({ kind: kind("in"), heads, number: Joi.number().integer().min(1).max(9999).required() }) },
    { is: "turned away", then: Joi.object({ kind: kind("turned away"), heads }) },
    ...(["line", "again", "home"] as const).map((name) => ({ is: name, then: Joi.object({ kind: kind(name), unit }) })),
    { is: "rig", then: Joi.object({ kind: kind("rig"), unit, rig: Joi.number().integer().min(0).max(199).required() }) },
    {
      is: "result",
      then: Joi.object({
        kind: kind("result"),
        unit,
        raw: line(40).allow("").required(),
        value: Joi.number().min(-1e9).max(1e9).allow(null).required(),
        outcome: Joi.string()
          .valid(...tapOutcomes)
          .required(),
      }),
    },
    { is: "photo", then: Joi.object({ kind: kind("photo"), unit, yes: Joi.boolean().required() }) },
    ...(["near miss", "ran short", "note"] as const).map((name) => ({ is: name, then: Joi.object({ kind: kind(name), words }) })),
    { is: "kits", then: Joi.object({ kind: kind("kits"), count: Joi.number().integer().min(0).max(5000).required() }) },
    { is: "undo", then: Joi.object({ kind: kind("undo"), tap: id.required() }) },
  ],
  otherwise: Joi.object({
    kind: Joi.string()
      .valid(...tapKinds)
      .required(),
  }).unknown(),
});

/** Taps of one burst at most. */
export const mostTapsAtOnce = 300;

export const tapsInput = objectOf<TapsInput>({
  after: Joi.number().integer().min(0).required(),
  taps: Joi.array()
    .max(mostTapsAtOnce)
    .unique("id")
    .required()
    .items(
      objectOf<Tap>({
        id: id.required(),
        at: Joi.number().integer().min(0).max(1e14).required(),
        by: Joi.string()
          .pattern(/^[A-Z]{1,2}$/)
          .required(),
        body: body.required() as Joi.Schema as Joi.AlternativesSchema,
      }),
    ) as Joi.ArraySchema,
});
