import { hazards } from "@lampcrate/core";
import Joi from "joi";
import type { MaterialInput, MaterialSave } from "../material.ts";
import { line, objectOf, revision } from "./parts.ts";

const sheetSide = Joi.number().greater(0).max(100).allow(null).required();
const fields = {
  name: line(80).min(1).required(),
  unit: Joi.string().valid("piece", "mm", "g", "ml").required(),
  packSize: Joi.number().greater(0).max(1e6).required(),
  packPriceCents: Joi.number().integer().min(0).max(1e8).required(),
  sheetWidthM: sheetSide,
  sheetHeightM: sheetSide,
  allergens: Joi.array().items(line(30).min(1)).max(8).required(),
  smallPart: Joi.boolean().required(),
  latex: Joi.boolean().required(),
  hazards: Joi.array()
    .items(Joi.string().valid(...hazards))
    .unique()
    .required(),
  perWeek: Joi.number().greater(0).max(1e6).allow(null).required(),
};

const onHand = Joi.number().min(0).max(1e8).required();

export const materialInput = objectOf<MaterialInput>({ ...fields, onHand });
export const materialSave = objectOf<MaterialSave>({ ...fields, revision });
