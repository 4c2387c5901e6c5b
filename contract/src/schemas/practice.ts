import { mostLines } from "@lampcrate/core";
import Joi from "joi";
import type { Broke, HouseTrialInput } from "../findings/practice.ts";
import { versions } from "./entry.ts";
import { id, objectOf, text } from "./parts.ts";

/** A house trial is shown to families as the house's own build, or no longer. */
export const shownInput = objectOf<{ readonly shown: boolean }>({ shown: Joi.boolean().required() });

export const houseTrialInput = objectOf<HouseTrialInput>({
  buildMinutes: Joi.number().greater(0).max(600).required(),
  rebuilds: Joi.number().integer().min(0).max(20).required(),
  broke: Joi.array()
    .max(mostLines)
    .unique("lineId")
    .required()
    .items(
      objectOf<Broke>({
        lineId: id.required(),
        spoilt: Joi.number().integer().min(0).max(1000).required(),
        good: Joi.number().integer().min(0).max(1000).required(),
      }),
    ),
  note: text(600).required(),
  versions,
});
