import { Temporal } from "temporal-polyfill";
import { shortParts } from "./dateWords.ts";
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

/** Dates farther from today than this, either way, are told with their year. */
const nearDays = 180;

/** A date in a few letters, such as "Sat 5 Dec", and with its year unless that is plain from `today`; null for words that are kept. */
export const shortDate = (date: string, today: string | null): string => shortFrom(date, today ?? "");

const shortFrom = remembered((date: string, today: string): string => {
  const near = today !== "" && Math.abs(daysBetween(today, date)) <= nearDays;
  return shortParts(date)
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
