import { spokenNow } from "../language/language.ts";

// Families' pages say dates: nothing here rests on time zones, whose sums are ten times as large as the page.

/** True for a local date that exists, such as "2026-12-05". */
export function isDate(text: string): boolean {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN;
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
}

/** Milliseconds since 1970 of a date's first instant in no zone; throws for one that does not exist. */
function inNoZone(date: string): number {
  if (!isDate(date)) throw new RangeError(`${date} is no date`);
  return Date.parse(`${date}T00:00:00Z`);
}

// English names stand here: the first format of Intl that a page makes holds a slow phone up for a tenth of a second.
const weekdays = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"] as const;
const months = "January February March April May June July August September October November December".split(" ");

/** A date's weekday, day, month and year in English, "Saturday", "5", "December", "2026"; a date's own, in no zone. */
function partsOf(date: string): readonly [weekday: string, day: string, month: string, year: string] {
  const day = new Date(inNoZone(date));
  return [weekdays[day.getUTCDay()] ?? "", String(day.getUTCDate()), months[day.getUTCMonth()] ?? "", String(day.getUTCFullYear())];
}

/** The same in a few letters, "Sat", "5", "Dec", "2026". */
export function shortParts(date: string): readonly string[] {
  const [weekday, day, month, year] = partsOf(date);
  return [weekday.slice(0, 3), day, month.slice(0, 3), year];
}

/** A date in words, such as "Sunday 3 January 2027", in the language that is spoken. */
export function dateWords(date: string): string {
  const { id } = spokenNow();
  if (id === "en") return partsOf(date).join(" ");
  return new Intl.DateTimeFormat(id, { dateStyle: "full", timeZone: "UTC" }).format(inNoZone(date));
}

/** The day and month alone, such as "5 Dec", for an axis. */
export const dayAndMonth = (date: string): string => shortParts(date).slice(1, 3).join(" ");
