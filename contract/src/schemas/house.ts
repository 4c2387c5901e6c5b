import {
  ageBands,
  type Bench,
  type BenchSetting,
  benchVias,
  familyIds,
  floors,
  type Gathering,
  type HouseRules,
  usualBench,
  usualGathering,
  usualRules,
} from "@lampcrate/core";
import Joi from "joi";
import type { BenchInput } from "../house/bench.ts";
import { roles } from "../house/capabilities.ts";
import type {
  AwayDoc,
  ClosureDoc,
  HouseInput,
  OwnedRigs,
  OwnPassword,
  PersonDoc,
  PreparingDoc,
  RoomDoc,
  SetupInput,
  SignInInput,
  StaffInput,
} from "../house/house.ts";
import { tokens } from "./outcomes.ts";
import { date, id, line, objectOf, revision, said, units, wall, webAddress, zone } from "./parts.ts";

const lengthM = Joi.number().greater(0).max(500).allow(null).required();
const name = line(80).min(1).required();
const signIn = line(60)
  .min(2)
  .pattern(/^[a-z0-9._-]+$/)
  .required()
  .messages({ "string.pattern.base": "{#label} takes small letters, digits, dots and dashes" });
const password = Joi.string().min(10).max(200);
const currency = Joi.string()
  .pattern(/^[A-Z]{3}$/)
  .required()
  .messages({ "string.pattern.base": "{#label} must be three capital letters such as EUR" });
const role = Joi.string()
  .valid(...roles)
  .required();

const seconds = Joi.number().min(0).max(3600).required();
const taskTime = { setup: seconds, batch: Joi.number().integer().min(1).max(1000).required(), each: seconds };

const preparing = objectOf<PreparingDoc>({
  weekdays: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).required(),
  people: Joi.number().integer().min(1).max(50).required(),
  hours: Joi.number().greater(0).max(12).required(),
  times: Joi.object({
    cut: Joi.object({ ...taskTime, stack: Joi.number().integer().min(1).max(50).required() }).required(),
    count: Joi.object(taskTime).required(),
    bag: Joi.object(taskTime).required(),
  }).required(),
});

const person = objectOf<PersonDoc>({
  id: id.required(),
  name,
  weekHours: Joi.number().min(0).max(100).allow(null).required(),
  away: Joi.array()
    .max(200)
    .unique("id")
    .required()
    .items(
      objectOf<AwayDoc>({ id: id.required(), from: wall.required(), to: wall.required(), why: line(120).allow("").required() }).custom(
        (value: AwayDoc, helpers) => (value.to > value.from ? value : said(helpers, "Back before it begins: type an end after the start.")),
        "end after start",
      ),
    ) as Joi.ArraySchema,
});

const perAdult = Joi.number().integer().min(1).max(60).required();
const rules = objectOf<HouseRules>({
  leastAdults: Joi.number().integer().min(0).max(20).required(),
  childrenPerAdult: Joi.object(Object.fromEntries(ageBands.map((band) => [band, perAdult]))).required() as Joi.ObjectSchema,
  breakMinutes: Joi.number().integer().min(0).max(240).required(),
  breakAfterMinutes: Joi.number().integer().min(30).max(1440).required(),
});

const daysBefore = Joi.number().integer().min(0).max(60);
const gathering = objectOf<Gathering>({
  publishDays: daysBefore.required(),
  remindDays: Joi.array().max(5).unique().items(daysBefore.min(1)).required(),
  siftMinutes: Joi.number().greater(0).max(120).required(),
  siftMinutesADay: Joi.number().min(1).max(600).required(),
  returns: Joi.number().min(0).max(1).required(),
});

const ownedRigs = objectOf<OwnedRigs>({
  family: Joi.string()
    .valid(...familyIds)
    .required(),
  owned: Joi.number().integer().min(0).max(200).required(),
});

const benchDevice = objectOf<BenchSetting>({
  via: Joi.string()
    .valid(...benchVias)
    .required(),
  port: Joi.number().integer().min(1024).max(65_535).required(),
  baud: Joi.number().integer().min(300).max(921_600).required(),
});
const bench = objectOf<Bench>({ scale: benchDevice.required() as Joi.ObjectSchema, gate: benchDevice.required() as Joi.ObjectSchema });

export const benchInput = objectOf<BenchInput>({ value: Joi.number().min(0).max(1_000_000).required() });

export const houseInput = objectOf<HouseInput>({
  revision,
  name,
  zone: zone.required(),
  currency,
  units: units.required(),
  publicUrl: webAddress.required(),
  keepingDays: Joi.number().integer().min(1).max(730).required(),
  rooms: Joi.array()
    .max(60)
    .unique("id")
    .required()
    .items(
      objectOf<RoomDoc>({
        id: id.required(),
        name,
        lengthM,
        widthM: lengthM,
        heightM: lengthM,
        seats: Joi.number().integer().min(0).max(2000).required(),
        water: Joi.boolean().required(),
        floor: Joi.string()
          .valid(...floors)
          .required(),
      }),
    ),
  closures: Joi.array()
    .max(200)
    .unique("id")
    .required()
    .items(
      objectOf<ClosureDoc>({
        id: id.required(),
        from: date.required(),
        why: line(120).allow("").required(),
        to: date.required(),
      }),
    ),
  preparing: preparing.required() as Joi.ObjectSchema,
  tokens: tokens.default([]),
  people: Joi.array().max(100).unique("id").items(person).default([]) as Joi.ArraySchema,
  rules: rules.default(usualRules) as Joi.ObjectSchema,
  gathering: gathering.default(usualGathering) as Joi.ObjectSchema,
  rigs: Joi.array().max(40).unique("family").items(ownedRigs).default([]) as Joi.ArraySchema,
  bench: bench.default(usualBench) as Joi.ObjectSchema,
});

export const setupInput = objectOf<SetupInput>({
  code: line(40).required(),
  houseName: name,
  zone: zone.required(),
  currency,
  units: units.required(),
  publicUrl: webAddress.required(),
  name,
  signIn,
  password: password.required(),
});

export const signInInput = objectOf<SignInInput>({ signIn: line(60).required(), password: Joi.string().max(200).required() });

export const ownPassword = objectOf<OwnPassword>({ current: Joi.string().max(200).required(), next: password.required() });

export const newStaff = objectOf<StaffInput>({ name, signIn, role, active: Joi.boolean().required(), password: password.required() });
export const staffSave = objectOf<StaffInput>({ name, signIn, role, active: Joi.boolean().required(), password: password.optional() });
