import { hazards, stockUnits, storeLimits } from "@lampcrate/core";
import Joi from "joi";
import type { PackMaterial } from "../runs/pack.ts";
import type { MaterialInput, MaterialSave } from "../store/material.ts";
import { line, objectOf, revision } from "./parts.ts";

const sheetSide = Joi.number().greater(0).max(storeLimits.sheetM).allow(null).required();
/** What a material is, whoever has how much of it. */
export const materialFields = {
  name: line(storeLimits.nameLetters).min(1).required(),
  unit: Joi.string()
    .valid(...stockUnits)
    .required(),
  packSize: Joi.number().min(storeLimits.least).max(storeLimits.packSize).required(),
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
};

const fields = {
  ...materialFields,
  perWeek: Joi.number().greater(0).max(storeLimits.perWeek).allow(null).required(),
};

const onHand = Joi.number()
  .min(0)
  .max(storeLimits.onHand)
  .custom(
    (value: number, helpers) =>
      value > 0 && value < storeLimits.least ? helpers.error("number.min", { limit: storeLimits.least }) : value,
    "nothing or enough to count",
  )
  .required();

/** A material as a challenge pack brings it: what it is, not what there is of it. */
export const packMaterial = Joi.object<PackMaterial>({ ...materialFields, key: line(60).min(1).required() }).unknown();

export const materialInput = objectOf<MaterialInput>({ ...fields, onHand });
export const materialSave = objectOf<MaterialSave>({ ...fields, revision });
