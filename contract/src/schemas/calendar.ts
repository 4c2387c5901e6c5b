import Joi from "joi";
import { type CalendarSave, type FeedInput, feedScopes } from "../house/calendar.ts";
import { id, line, objectOf, revision } from "./parts.ts";
import { session } from "./run.ts";

export const calendarSave = objectOf<CalendarSave>({
  words: line(200).min(1).required(),
  changes: Joi.array()
    .items(objectOf<CalendarSave["changes"][number]>({ ...session, id: id.required(), revision }))
    .min(1)
    .max(400)
    .unique("id")
    .required() as Joi.ArraySchema,
});

export const feedInput = objectOf<FeedInput>({
  scope: Joi.string()
    .valid(...feedScopes)
    .required(),
  subject: id.allow("").required(),
});
