import { type DropIn, dropInErrors, type Takes, type Target } from "@lampcrate/core";
import Joi from "joi";
import type { Rehearsal } from "../runs/run.ts";
import { objectOf } from "./parts.ts";

const minutes = Joi.number().min(0).max(1440).required();
const count = Joi.number().integer().min(0).max(5000).allow(null).required();
const share = Joi.number().min(0).max(1).required();

const takes = objectOf<Takes>({
  meanMin: minutes,
  cv: Joi.number().min(0).max(5).required(),
  shape: Joi.string().valid("log-normal", "exponential").required(),
}).required() as Joi.ObjectSchema;

/** Numbers of a day, each within what can be; then all of them together, by field. */
const day = objectOf<DropIn>({
  expectedParties: Joi.number().min(0).max(2000).required(),
  weights: Joi.array().items(Joi.number().min(0).max(1e6)).min(1).max(96).required(),
  partySizeShares: Joi.array().items(Joi.number().min(0).max(1)).min(1).max(12).required(),
  unit: Joi.string().valid("builder", "team").required(),
  lastEntryMin: minutes,
  closingMin: minutes,
  graceMin: minutes,
  seats: count,
  kits: count,
  hosts: count,
  rigs: count,
  patienceMeanMin: Joi.number().min(0).max(1440).allow(null).required(),
  welcome: takes,
  build: takes,
  trials: Joi.number().integer().min(0).max(24).required(),
  trial: takes,
  rebuildChance: share,
  mostRebuilds: Joi.number().integer().min(0).max(12).required(),
  rebuildFraction: Joi.number().min(0).max(5).required(),
})
  .custom((value: DropIn, helpers) => {
    const [wrong] = dropInErrors(value);
    if (!wrong) return value;
    const path = [...(helpers.state.path ?? []), ...wrong.field.split(".")];
    const at = helpers.state.localize?.(path, [value, ...helpers.state.ancestors]);
    return helpers.error("day.wrong", { words: wrong.message }, at);
  }, "a day that can be")
  .messages({ "day.wrong": "{#label}: {#words}" });

const target = Joi.object({ what: Joi.string().valid("seatWait", "hostWait", "rigWait", "turnedAway", "unfinished").required() }).when(
  Joi.object({ what: Joi.valid("turnedAway", "unfinished") }).unknown(),
  {
    then: Joi.object({ atMost: share }),
    otherwise: Joi.object({ minutes, atLeast: share }),
  },
);

/** A rehearsed day as it is kept with its run. */
export const rehearsal = objectOf<Rehearsal>({
  day: day.required() as Joi.ObjectSchema,
  targets: Joi.array()
    .items(target as Joi.Schema as Joi.ObjectSchema<Target>)
    .max(8)
    .unique("what")
    .required() as Joi.ArraySchema,
});
