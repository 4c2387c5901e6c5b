import { pooledLevels } from "@lampcrate/core";
import Joi from "joi";
import type { AsOneInput } from "../store/buying.ts";
import {
  type ArrivalInput,
  type ArrivedItem,
  type OrderInput,
  type OrderStepInput,
  type OrdersInput,
  orderSteps,
  type PackDoc,
  type SupplierInput,
  type SupplierSave,
} from "../store/supplier.ts";
import { date, id, line, objectOf, revision } from "./parts.ts";

const cents = Joi.number().integer().min(0).max(1e8).required();
const packs = Joi.number().integer().min(0).max(1e6).required();
const size = Joi.number().greater(0).max(1e6).required();

const fields = {
  name: line(80).min(1).required(),
  leadDays: Joi.number().integer().min(0).max(365).required(),
  feeCents: cents,
  freeFromCents: Joi.number().integer().min(1).max(1e8).allow(null).required(),
  leastCents: cents,
  packs: Joi.array()
    .max(200)
    .unique("id")
    .required()
    .items(
      objectOf<PackDoc>({
        id: id.required(),
        materialId: id.required(),
        size,
        priceCents: cents,
        most: Joi.number().integer().min(0).max(1e6).allow(null).required(),
      }),
    ),
};

export const supplierInput = objectOf<SupplierInput>(fields);
export const supplierSave = objectOf<SupplierSave>({ ...fields, revision });

export const orderStep = objectOf<OrderStepInput>({
  step: Joi.string()
    .valid(...orderSteps)
    .required(),
});

export const arrivalInput = objectOf<ArrivalInput>({
  items: Joi.array()
    .min(1)
    .max(200)
    .required()
    .items(objectOf<ArrivedItem>({ had: packs, comes: packs, priceCents: cents })),
  feeCents: cents,
  restComes: Joi.boolean().required(),
  restDueOn: date.allow(null).required(),
  keepPrices: Joi.boolean().required(),
});

export const ordersInput = objectOf<OrdersInput>({
  orders: Joi.array()
    .min(1)
    .max(30)
    .unique("supplierId")
    .required()
    .items(
      objectOf<OrderInput>({
        supplierId: id.required(),
        feeCents: cents,
        items: Joi.array()
          .min(1)
          .max(200)
          .required()
          .items(
            Joi.object({
              materialId: id.required(),
              size,
              count: Joi.number().integer().min(1).max(1e6).required(),
              priceCents: cents,
            }),
          ),
      }),
    ),
});

export const asOneInput = objectOf<AsOneInput>({
  asOne: Joi.number()
    .valid(...pooledLevels)
    .allow(null)
    .required(),
});
