import {
  type Bound,
  type BoundMaterial,
  boundRoundings,
  builtBy,
  cutShapes,
  familyIds,
  instruments,
  type KitCut,
  type KitLine,
  type LineBind,
  lineKinds,
  lineSources,
  mostLines,
  pers,
  tierKinds,
  unbound,
} from "@lampcrate/core";
import { languageIds } from "@lampcrate/words";
import Joi from "joi";
import {
  type AddedHint,
  type AddedRule,
  type BriefDoc,
  type BriefSave,
  hintRungs,
  openAtOnce,
  type RungOpens,
  type TierDoc,
} from "../runs/brief.ts";
import { outcomes } from "./outcomes.ts";
import { fieldId, id, line, objectOf, revision, share, text } from "./parts.ts";

const values = Joi.object()
  .pattern(fieldId, Joi.alternatives(Joi.number(), line(40)))
  .max(80)
  .required();

/** How a piece is cut. */
export const cutFields = {
  shape: Joi.string()
    .valid(...cutShapes)
    .required(),
  kerfM: Joi.number().min(0).max(0.02).required(),
  trimM: Joi.number().min(0).max(0.1).required(),
  missRate: Joi.number().min(0).max(0.9).required(),
  widthM: Joi.number().min(0.005).max(5).required(),
  heightM: Joi.number().min(0.005).max(5).required(),
  rotate: Joi.boolean().required(),
};

const bound = objectOf<Bound>({
  field: fieldId.required(),
  times: Joi.number().min(-1e6).max(1e6).required(),
  plus: Joi.number().min(-1e6).max(1e6).required(),
  round: Joi.string()
    .valid(...boundRoundings)
    .required(),
  loose: Joi.boolean().required(),
});

/** What of a line follows the brief; `aMaterial` names its materials, by ids or by keys of a pack. */
export function bindOf(aMaterial: Joi.StringSchema) {
  const part = bound.allow(null).required() as Joi.ObjectSchema;
  return objectOf<LineBind>({
    amount: part,
    cutWidth: part,
    cutHeight: part,
    material: objectOf<BoundMaterial>({
      field: fieldId.required(),
      of: Joi.object().pattern(line(40), aMaterial).max(40).required(),
      loose: Joi.boolean().required(),
    })
      .allow(null)
      .required() as Joi.ObjectSchema,
  }).default(unbound);
}

/** A line of a kit. */
export const lineFields = {
  id: id.required(),
  materialId: id.required(),
  per: Joi.string()
    .valid(...pers)
    .required(),
  kind: Joi.string()
    .valid(...lineKinds)
    .required(),
  amount: Joi.number().greater(0).max(1e6).required(),
  perRebuild: share.required(),
  spoilRate: Joi.number().min(0).max(0.95).required(),
  spread: Joi.number().min(0).max(2).required(),
  share: Joi.number().greater(0).max(1).required(),
  unitsPerItem: Joi.number().greater(0).max(1000).required(),
  loss: Joi.number().min(0).max(500).required(),
  source: Joi.string()
    .valid(...lineSources)
    .required(),
  standIn: text(160).required(),
  standInRatio: Joi.number().min(0.01).max(1000).default(1),
  tier: id.allow(null).required(),
  cut: objectOf<KitCut>(cutFields).allow(null).required(),
  bind: bindOf(id),
};
const briefLine = objectOf<KitLine>(lineFields);

/** What a brief lists, by ids of one make; `as` says how strictly its items are held to their keys. */
export function briefLists(anId: Joi.StringSchema, as: (of: Joi.ObjectSchema) => Joi.ObjectSchema) {
  const addedFields = { id: anId.required(), words: line(240).min(1).required() };
  const added = as(objectOf<AddedRule>(addedFields));
  return {
    tiers: Joi.array()
      .max(8)
      .unique("id")
      .required()
      .items(
        as(
          objectOf<TierDoc>({
            id: anId.required(),
            kind: Joi.string()
              .valid(...tierKinds)
              .required(),
            words: line(200).min(1).required(),
            share: share.required(),
            times: Joi.number().greater(0).max(20).allow(null).required(),
          }),
        ),
      ),
    cautions: Joi.array().max(20).unique("id").required().items(added),
    rules: Joi.array().max(20).unique("id").required().items(added),
    hints: Joi.array()
      .max(30)
      .unique("id")
      .required()
      .items(
        as(
          objectOf<AddedHint>({
            ...addedFields,
            rung: Joi.string()
              .valid(...hintRungs)
              .required(),
          }),
        ),
      ),
  };
}

const rungOpens = objectOf<RungOpens>({
  tries: Joi.number().integer().min(0).max(30).required(),
  days: Joi.number().integer().min(0).max(120).required(),
}).required();

/** A house writes in its own language, and may give the others. */
const translatedInto = languageIds.filter((one) => one !== "en");

/** A brief but for its lines. */
export const briefFields = {
  family: Joi.string()
    .valid(...familyIds)
    .required(),
  story: text(1200).required(),
  spec: values,
  design: values,
  compared: values.allow(null),
  instrument: Joi.string()
    .valid("", ...instruments.map((i) => i.id))
    .required(),
  buildMinutes: Joi.number().min(1).max(600).required(),
  protocolNote: text(600).required(),
  prize: text(400).default(""),
  trials: Joi.number().integer().min(1).max(12).required(),
  youngestAge: Joi.number().integer().min(0).max(18).required(),
  sketchFirst: Joi.boolean().required(),
  plainBuildShown: Joi.boolean().required(),
  buildBy: Joi.string()
    .valid(...builtBy)
    .required(),
  teamSize: Joi.number().integer().min(1).max(12).required(),
  rebuildRate: Joi.number().min(0).max(0.95).required(),
  loops: Joi.number().integer().min(0).max(8).required(),
  target: Joi.number().min(0.5).max(0.999).required(),
  seatsPerTable: Joi.number().integer().min(1).max(40).required(),
  shareAtOnce: Joi.number().greater(0).max(1).required(),
  rigServes: Joi.number().min(1).max(500).required(),
  turnedAway: Joi.object({ costCents: Joi.number().integer().min(1).max(1e6).required(), usedAgain: share.required() })
    .allow(null)
    .required(),
  outcomes: outcomes as Joi.ObjectSchema,
  hintsOpen: objectOf<BriefDoc["hintsOpen"]>({ question: rungOpens, nudge: rungOpens, example: rungOpens }).default(openAtOnce),
  translations: Joi.object()
    .pattern(Joi.string().valid(...translatedInto), Joi.object().pattern(Joi.string().max(1200), text(2400)).max(400))
    .default({}),
  ...briefLists(id, (of) => of),
};

export const briefDoc = objectOf<BriefDoc>({ ...briefFields, lines: Joi.array().items(briefLine).max(mostLines).unique("id").required() });

/** Shape only: the server holds the goal's and the design's numbers against their family, field by field. */
export const briefSave = objectOf<BriefSave>({
  revision,
  brief: briefDoc.required() as Joi.ObjectSchema,
  words: line(200).allow("").required(),
});
