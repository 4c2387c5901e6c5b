import { familyIds, runKinds, type SheetPart, sessionKinds } from "@lampcrate/core";
import Joi from "joi";
import type {
  DuplicateInput,
  NewRun,
  RunSave,
  SeriesDays,
  SessionInput,
  SessionRepeats,
  SessionSave,
  StarterStart,
  StepMark,
} from "../runs/run.ts";
import { afterwards, scorings } from "../runs/run.ts";
import { date, heads, id, line, objectOf, revision, said, units, wall } from "./parts.ts";
import { rehearsal } from "./rehearsal.ts";

const kind = Joi.string()
  .valid(...runKinds)
  .required();
const title = line(80).min(1).required();

export const newRun = objectOf<NewRun>({
  title,
  kind,
  family: Joi.string()
    .valid(...familyIds)
    .required(),
});

export const starterStart = objectOf<StarterStart>({ title, kind });

export const duplicateInput = objectOf<DuplicateInput>({ title, startOn: date.allow(null).required() });

const betweenDays = Joi.number().integer().min(0).max(366).allow(null).required();
const series = objectOf<SeriesDays>({ leastDays: betweenDays, mostDays: betweenDays }).custom(
  (value: SeriesDays, helpers) =>
    value.leastDays !== null && value.mostDays !== null && value.mostDays < value.leastDays
      ? said(helpers, "The most days between two parts are fewer than the least.")
      : value,
  "least and most days",
);

const sheetPart = objectOf<SheetPart>({
  // The usual parts have their own short ids.
  id: line(40).min(1).required(),
  words: line(60).min(1).required(),
  minutes: Joi.number().integer().min(1).max(600).required(),
  keeps: Joi.boolean().required(),
  say: line(300).allow("").required(),
});

export const runSave = objectOf<RunSave>({
  revision,
  title,
  kind,
  opensOn: date.allow(null).required(),
  closesOn: date.allow(null).required(),
  revealOn: date.allow(null).required(),
  scoring: Joi.string()
    .valid(...scorings)
    .required(),
  units: units.required(),
  heads: heads.required(),
  afterwards: Joi.string()
    .valid(...afterwards)
    .required(),
  rehearsal: rehearsal.allow(null).default(null) as Joi.ObjectSchema,
  series: series.allow(null).default(null) as Joi.ObjectSchema,
  sheet: Joi.array().items(sheetPart).min(1).max(30).unique("id").allow(null).default(null) as Joi.ArraySchema,
});

export const session = {
  title: line(80).allow("").required(),
  roomId: id.allow(null).required(),
  start: wall.required(),
  minutes: Joi.number().integer().min(10).max(1440).required(),
  setUpMin: Joi.number().integer().min(0).max(720).required(),
  tearDownMin: Joi.number().integer().min(0).max(720).required(),
  heads: heads.required(),
  people: Joi.array().items(id).max(40).unique().default([]) as Joi.ArraySchema,
  part: Joi.number().integer().min(1).max(60).allow(null).default(null),
  kind: Joi.string()
    .valid(...sessionKinds)
    .default("as the run"),
  cancelled: Joi.boolean().default(false),
};

export const sessionInput = objectOf<SessionInput>(session);
export const sessionRepeats = objectOf<SessionRepeats>({
  ...session,
  rule: line(200).min(1).required(),
  exdates: Joi.array().items(wall).max(200).unique().required() as Joi.ArraySchema,
});
export const sessionSave = objectOf<SessionSave>({ ...session, revision });

export const stepMark = objectOf<StepMark>({
  id: line(120).min(1).required(),
  runId: id.required(),
  done: Joi.boolean().required(),
  owner: id.allow(null).required(),
});
