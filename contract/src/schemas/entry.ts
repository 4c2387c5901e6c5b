import { instruments, isOddLine, type Timer, type TrialKind, testPlaces, trialKinds, versionRoles } from "@lampcrate/core";
import { consentWords } from "@lampcrate/words/all";
import Joi from "joi";
import type { PhotoConsent } from "../entries/consent.ts";
import {
  type AcceptInput,
  type AnswerInput,
  type AskInput,
  ageBands,
  type DecisionInput,
  decisions,
  type EntryCorrection,
  type EntryInput,
  type HideInput,
  mostPictures,
  mostTogether,
  type PictureInput,
  pictureKinds,
  type RuleAnswer,
  type TrialInput,
  type VersionInput,
} from "../entries/entry.ts";
import { type GroupInput, type GroupRow, mostBuilders } from "../entries/group.ts";
import type { KeyedInput } from "../entries/keyed.ts";
import { mostRungs, tokens } from "./outcomes.ts";
import { fieldId, line, objectOf, revision, said, someText, text } from "./parts.ts";

const ageBand = Joi.string()
  .valid(...ageBands)
  .allow(null)
  .required();

/** Which numbers each kind of result has. */
const numbersOf: Readonly<Record<TrialKind, { readonly raw: boolean; readonly broke: boolean; readonly rung: boolean }>> = {
  number: { raw: true, broke: false, rung: false },
  atLeast: { raw: true, broke: false, rung: false },
  between: { raw: true, broke: true, rung: false },
  below: { raw: false, broke: true, rung: false },
  failed: { raw: false, broke: false, rung: false },
  passed: { raw: false, broke: false, rung: false },
  rung: { raw: false, broke: false, rung: true },
};

const trial = objectOf<TrialInput>({
  outcome: Joi.string()
    .valid(...trialKinds)
    .required(),
  raw: line(60).min(1).allow(null).required(),
  broke: line(60).min(1).allow(null).required(),
  rung: Joi.number()
    .integer()
    .min(0)
    .max(mostRungs - 1)
    .allow(null)
    .default(null),
  setting: line(60).min(1).allow(null).default(null),
  further: Joi.object().pattern(fieldId, line(60).min(1)).max(8).default({}),
  instrument: Joi.string()
    .valid(...instruments.map((i) => i.id))
    .required(),
  seen: Joi.array().items(line(40)).max(12).unique().required(),
  kept: Joi.boolean().required(),
})
  .custom((trial: TrialInput, helpers) => {
    const has = numbersOf[trial.outcome];
    const wrong = (["raw", "broke", "rung"] as const).find((part) => (trial[part] !== null) !== has[part]);
    if (wrong === undefined) return trial;
    const at = helpers.state.localize?.([...(helpers.state.path ?? []), wrong], [trial, ...helpers.state.ancestors]);
    return helpers.error(has[wrong] ? "trial.needs" : "trial.hasNone", { outcome: trial.outcome }, at);
  }, "numbers of its kind")
  .messages({
    "trial.needs": "{#label}: a result of this kind ({#outcome}) needs a number here",
    "trial.hasNone": "{#label}: a result of this kind ({#outcome}) has no number here",
  });

/** A declared variable: an SI number or a few words. One look, where two schemas tried in turn cost a third of the whole check. */
const declared = Joi.any().custom(
  (value: unknown, helpers) => (isDeclared(value) ? value : said(helpers, "{#label} must be a number up to a million or up to 60 letters")),
  "a number or words",
);

function isDeclared(value: unknown): boolean {
  return typeof value === "number" ? Math.abs(value) <= 1e6 : typeof value === "string" && value.length <= 60 && !isOddLine(value);
}

const picture = objectOf<PictureInput>({
  id: Joi.string()
    .pattern(/^[A-Za-z0-9_-]{21,40}$/)
    .required(),
  kind: Joi.string()
    .valid(...pictureKinds)
    .required(),
});

const version = objectOf<VersionInput>({
  role: Joi.string()
    .valid(...versionRoles)
    .required(),
  changed: text(240).required(),
  madeOf: text(240).required(),
  variables: Joi.object().pattern(fieldId, declared).max(20).required(),
  guess: line(60).min(1).allow(null).required(),
  guessed: Joi.string().valid("before", "after").allow(null).default(null),
  place: Joi.string()
    .valid(...testPlaces)
    .allow(null)
    .required(),
  pictures: Joi.array().items(picture).max(mostPictures.version).default([]),
  trials: Joi.array().items(trial).min(1).max(12).required(),
});

export const versions = Joi.array()
  .items(version)
  .min(1)
  .max(12)
  .required()
  .custom(
    (all: readonly VersionInput[], helpers) =>
      all.slice(1).some((v) => v.role === "control") ? said(helpers, "{#label}: there is one bare test, and it comes first") : all,
    "one bare test, first",
  )
  .custom((all: readonly VersionInput[], helpers) => {
    const pictures = all.flatMap((v) => v.pictures.map(({ id }) => id));
    if (pictures.length > mostPictures.entry) return said(helpers, `{#label}: at most ${mostPictures.entry} pictures go with an entry`);
    return new Set(pictures).size < pictures.length ? said(helpers, "{#label}: the same picture stands in it twice") : all;
  }, "its pictures");

/** What goes with an entry as a whole. */
const aboutEntry = {
  ageBand,
  said: text(600).required(),
  tokens: tokens.default([]),
  timer: objectOf<Timer>({ spread: Joi.number().greater(0).max(0.5).required(), bias: Joi.number().min(-0.5).max(0.5).required() })
    .allow(null)
    .default(null),
  answers: Joi.array()
    .items(objectOf<RuleAnswer>({ rule: line(400).min(1).required(), yes: Joi.boolean().required() }))
    .max(40)
    .unique("rule")
    .default([]),
  versions,
};

const consentVersion = Joi.string()
  .valid(...Object.keys(consentWords))
  .default("en-1");

const deviceId = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{21,40}$/)
  .required();
const deviceSecret = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{24,64}$/)
  .required();
const adultsYes = Joi.boolean()
  .required()
  .custom(
    (agreed: boolean, helpers) => (agreed ? agreed : said(helpers, "{#label}: an adult has to agree before measurements are kept")),
    "an adult's yes",
  );

export const entryInput = objectOf<EntryInput>({
  id: deviceId,
  secret: deviceSecret,
  consentKeep: adultsYes,
  consentPhoto: Joi.boolean().required(),
  consentVersion,
  ...aboutEntry,
});

export const groupInput = objectOf<GroupInput>({
  id: deviceId,
  secret: deviceSecret,
  ageBand,
  consentKeep: adultsYes,
  consentVersion,
  rows: Joi.array()
    .min(1)
    .max(mostBuilders)
    .unique("id")
    .unique("row")
    .required()
    .items(objectOf<GroupRow>({ id: deviceId, row: Joi.number().integer().min(1).max(mostBuilders).required(), versions })),
});

/** What is keyed in from paper: no device made an id or a secret for it. */
export const keyedInput = objectOf<KeyedInput>({
  ageBand,
  consentKeep: adultsYes,
  consentPhoto: Joi.boolean().required(),
  consentVersion,
  said: text(600).required(),
  versions,
});

export const entryCorrection = objectOf<EntryCorrection>({ revision, ...aboutEntry });

/** An adult's yes or no to pictures being shown, and to which words. */
export const photoInput = objectOf<PhotoConsent>({ given: Joi.boolean().required(), version: consentVersion });

export const decisionInput = objectOf<DecisionInput>({
  decision: Joi.string()
    .valid(...decisions)
    .required(),
  why: text(240).required(),
  revision,
});

export const acceptInput = objectOf<AcceptInput>({
  entries: Joi.array()
    .min(1)
    .max(mostTogether)
    .unique("id")
    .required()
    .items(Joi.object({ id: Joi.string().min(6).max(40).required(), revision })),
});

/** A few sentences: something must stand there. */
const sentences = someText(400).required();

export const askInput = objectOf<AskInput>({ words: sentences, revision });
export const answerInput = objectOf<AnswerInput>({ answer: sentences });

export const hideInput = objectOf<HideInput>({ hidden: Joi.boolean().required(), revision });
