import Joi from "joi";
import { type CalendarSave, type FeedInput, feedScopes } from "../house/calendar.ts";
import { id, line, objectOf, revision, said } from "./parts.ts";
import { session } from "./run.ts";

export const calendarSave = objectOf<CalendarSave>({
  words: line(200).min(1).required(),
  changes: Joi.array()
    .items(objectOf<CalendarSave["changes"][number]>({ ...session, id: id.required(), revision }))
    .max(400)
    .unique("id")
    .default([]) as Joi.ArraySchema,
  adds: Joi.array()
    .items(objectOf<CalendarSave["adds"][number]>({ ...session, runId: id.required() }))
    .max(60)
    .default([]) as Joi.ArraySchema,
}).custom((value: CalendarSave, helpers) =>
  value.changes.length + value.adds.length > 0 ? value : said(helpers, "There is nothing in it to save."),
) as Joi.ObjectSchema<CalendarSave>;

export const feedInput = objectOf<FeedInput>({
  scope: Joi.string()
    .valid(...feedScopes)
    .required(),
  subject: id.allow("").required(),
});
