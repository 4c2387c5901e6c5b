import { Temporal } from "temporal-polyfill";
import { spokenNow } from "../language/language.ts";
import { remembered } from "./remembered.ts";

/** True for a time zone name this machine knows, such as "CET" or "UTC". */
export function isZone(zone: string): boolean {
  try {
    Temporal.Now.zonedDateTimeISO(zone);
    return true;
  } catch {
    return false;
  }
}

/** True for a local date that exists, such as "2026-12-05". */
export function isDate(text: string): boolean {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN;
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
}

/**
 * The instant (ms since 1970, UTC) of a wall-clock start such as "2026-12-05T10:00" in a zone. A time that comes
 * twice is the first of the two; one that never comes is read with the offset before the gap. Null when it is no date.
 */
export const instantOf = remembered((wall: string, zone: string): number | null => {
  try {
    return Temporal.PlainDateTime.from(wall).toZonedDateTime(zone, { disambiguation: "compatible" }).epochMilliseconds;
  } catch {
    return null;
  }
});

/** True for a wall clock that comes twice on the night on which clocks go back. */
export function comesTwice(wall: string, zone: string): boolean {
  const [first, second] = (["earlier", "later"] as const).map((disambiguation) =>
    Temporal.PlainDateTime.from(wall).toZonedDateTime(zone, { disambiguation }),
  );
  // In the hour that never comes the two differ as well, and neither shows that time.
  return first?.epochMilliseconds !== second?.epochMilliseconds && first?.toPlainDateTime().toString({ smallestUnit: "minute" }) === wall;
}

/** Wall clock "2026-12-05T10:00" of an instant in a zone. */
export const wallOf = remembered((instant: number, zone: string): string =>
  Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone).toPlainDateTime().toString({ smallestUnit: "minute" }),
);

/** Local date "2026-12-05" of an instant in a zone. */
export function dateOf(instant: number, zone: string): string {
  return wallOf(instant, zone).slice(0, 10);
}

/** First instant after the end of a local day: entries close then. Null when it is no date. */
export const endOfDay = remembered((date: string, zone: string): number | null => {
  try {
    return Temporal.PlainDate.from(date).add({ days: 1 }).toZonedDateTime(zone).epochMilliseconds;
  } catch {
    return null;
  }
});

/** First instant of a local day. Null when it is no date. */
export const startOfDay = remembered((date: string, zone: string): number | null => {
  try {
    return Temporal.PlainDate.from(date).toZonedDateTime(zone).epochMilliseconds;
  } catch {
    return null;
  }
});

/** A date some days later (or earlier). */
export function addDays(date: string, days: number): string {
  return Temporal.PlainDate.from(date).add({ days }).toString();
}

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return Temporal.PlainDate.from(from).until(Temporal.PlainDate.from(to), { largestUnit: "day" }).days;
}

/** ISO weekday, 1 = Monday. */
export function weekdayOf(date: string): number {
  return Temporal.PlainDate.from(date).dayOfWeek;
}

/** The Monday of a date's week. */
export const mondayOf = (date: string): string => addDays(date, 1 - weekdayOf(date));

/** Weekdays in a few letters, Monday first. */
export const weekdayNames = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;

/** Names of days and months as Intl has them; a date's own, in no zone. */
const named = (length: "long" | "short"): ((date: string) => readonly string[]) => {
  const format = new Intl.DateTimeFormat("en", { weekday: length, day: "numeric", month: length, year: "numeric", timeZone: "UTC" });
  return (date) => {
    const parts = format.formatToParts(Temporal.PlainDate.from(date).toZonedDateTime("UTC").epochMilliseconds);
    return (["weekday", "day", "month", "year"] as const).map((type) => parts.find((part) => part.type === type)?.value ?? "");
  };
};
const [inFull, inShort] = [named("long"), named("short")];

/** A date in words, such as "Sunday 3 January 2027", in the language that is spoken. */
export function dateWords(date: string): string {
  const { id } = spokenNow();
  if (id === "en") return inFull(date).join(" ");
  const format = new Intl.DateTimeFormat(id, { dateStyle: "full", timeZone: "UTC" });
  return format.format(Temporal.PlainDate.from(date).toZonedDateTime("UTC").epochMilliseconds);
}

/** Dates farther from today than this, either way, are told with their year. */
const nearDays = 180;

/** A date in a few letters, such as "Sat 5 Dec", and with its year unless that is plain from `today`; null for words that are kept. */
export const shortDate = (date: string, today: string | null): string => shortFrom(date, today ?? "");

const shortFrom = remembered((date: string, today: string): string => {
  const near = today !== "" && Math.abs(daysBetween(today, date)) <= nearDays;
  return inShort(date)
    .slice(0, near ? 3 : 4)
    .join(" ");
});

/** The same day and month on or after today: what was meant by one whose year was a slip. The 29th of February waits for its year. */
export function nextSameDay(date: string, today: string): string {
  const { month, day } = Temporal.PlainDate.from(date);
  for (let { year } = Temporal.PlainDate.from(today); ; year += 1) {
    const next = Temporal.PlainDate.from({ year, month, day });
    if (next.day === day && next.toString() >= today) return next.toString();
  }
}

/** The day and month alone, such as "5 Dec", for an axis. */
export function dayAndMonth(date: string): string {
  return inShort(date).slice(1, 3).join(" ");
}
