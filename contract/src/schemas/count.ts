import { mostLines } from "@lampcrate/core";
import Joi from "joi";
import type { CountInput, LineCount } from "../store/count.ts";
import { id, objectOf } from "./parts.ts";

const amount = Joi.number().min(0).max(1e9).required();
const people = Joi.number().integer().min(0).max(5000);

export const countInput = objectOf<CountInput>({
  builders: people.required(),
  rebuilds: Joi.array().items(people).max(8).required(),
  lines: Joi.array()
    .max(mostLines)
    .unique("lineId")
    .required()
    .items(objectOf<LineCount>({ lineId: id.required(), putOut: amount, left: amount, spoilt: amount })),
});
