import { Temporal } from "temporal-polyfill";

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
export function instantOf(wall: string, zone: string): number | null {
  try {
    return Temporal.PlainDateTime.from(wall).toZonedDateTime(zone, { disambiguation: "compatible" }).epochMilliseconds;
  } catch {
    return null;
  }
}

/** Wall clock "2026-12-05T10:00" of an instant in a zone. */
export function wallOf(instant: number, zone: string): string {
  return Temporal.Instant.fromEpochMilliseconds(instant).toZonedDateTimeISO(zone).toPlainDateTime().toString({ smallestUnit: "minute" });
}

/** Local date "2026-12-05" of an instant in a zone. */
export function dateOf(instant: number, zone: string): string {
  return wallOf(instant, zone).slice(0, 10);
}

/** First instant after the end of a local day: entries close then. Null when it is no date. */
export function endOfDay(date: string, zone: string): number | null {
  try {
    return Temporal.PlainDate.from(date).add({ days: 1 }).toZonedDateTime(zone).epochMilliseconds;
  } catch {
    return null;
  }
}

/** First instant of a local day. Null when it is no date. */
export function startOfDay(date: string, zone: string): number | null {
  try {
    return Temporal.PlainDate.from(date).toZonedDateTime(zone).epochMilliseconds;
  } catch {
    return null;
  }
}

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

const weekdays = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;
const months = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
] as const;

/** A date in words, such as "Sunday 3 January 2027". */
export function dateWords(date: string): string {
  const day = Temporal.PlainDate.from(date);
  return `${weekdays[day.dayOfWeek - 1]} ${day.day} ${months[day.month - 1]} ${day.year}`;
}

/** A date in a few letters, such as "Sat 5 Dec". */
export function shortDate(date: string): string {
  const day = Temporal.PlainDate.from(date);
  return `${weekdays[day.dayOfWeek - 1]?.slice(0, 3)} ${day.day} ${months[day.month - 1]?.slice(0, 3)}`;
}
