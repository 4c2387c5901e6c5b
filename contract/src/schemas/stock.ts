import Joi from "joi";
import { type CsvInput, givenReasons, type MoveInput, type StockCountInput } from "../store/stock.ts";
import { id, line, objectOf, text } from "./parts.ts";

const amount = Joi.number().min(0).max(1e8).required();

export const moveInput = objectOf<MoveInput>({
  amount: Joi.number().min(-1e8).max(1e8).invalid(0).required().messages({ "any.invalid": "{#label} must be more or less than nothing" }),
  reason: Joi.string()
    .valid(...givenReasons)
    .required(),
  words: line(160).allow("").required(),
});

export const stockCountInput = objectOf<StockCountInput>({
  counts: Joi.array()
    .min(1)
    .max(500)
    .unique("materialId")
    .required()
    .items(Joi.object({ materialId: id.required(), counted: amount, listed: Joi.number().min(-1e8).max(1e8).required() })),
});

export const csvInput = objectOf<CsvInput>({ text: text(200_000).min(1).required() });
