import { hazards, storeLimits } from "@lampcrate/core";
import Joi from "joi";
import type { MaterialInput, MaterialSave } from "../material.ts";
import { line, objectOf, revision } from "./parts.ts";

const sheetSide = Joi.number().greater(0).max(storeLimits.sheetM).allow(null).required();
const fields = {
  name: line(storeLimits.nameLetters).min(1).required(),
  unit: Joi.string().valid("piece", "mm", "g", "ml").required(),
  packSize: Joi.number().greater(0).max(storeLimits.packSize).required(),
  packPriceCents: Joi.number().integer().min(0).max(storeLimits.packPriceCents).required(),
  sheetWidthM: sheetSide,
  sheetHeightM: sheetSide,
  allergens: Joi.array().items(line(storeLimits.allergenLetters).min(1)).max(storeLimits.allergens).required(),
  smallPart: Joi.boolean().required(),
  latex: Joi.boolean().required(),
  hazards: Joi.array()
    .items(Joi.string().valid(...hazards))
    .unique()
    .required(),
  perWeek: Joi.number().greater(0).max(storeLimits.perWeek).allow(null).required(),
};

const onHand = Joi.number().min(0).max(storeLimits.onHand).required();

export const materialInput = objectOf<MaterialInput>({ ...fields, onHand });
export const materialSave = objectOf<MaterialSave>({ ...fields, revision });
