import { Temporal } from "temporal-polyfill";
import { daysBetween, weekdayOf } from "./wallClock.ts";

/** Days on which a house works: its weekdays (ISO, 1 = Monday) less its closures; local dates, whole days. */
export interface WorkingDays {
  readonly weekdays: readonly number[];
  /** First and last closed day, both closed. */
  readonly closures: readonly { readonly from: string; readonly to: string }[];
}

/** No search for a working day goes further than this: a house that never works has none. */
const furthest = 3 * 366;

/** True on a weekday of the house that lies in no closure. */
export function isWorkingDay(date: string, days: WorkingDays): boolean {
  return (
    days.weekdays.includes(Temporal.PlainDate.from(date).dayOfWeek) && !days.closures.some(({ from, to }) => from <= date && date <= to)
  );
}

/** The last working day on or before a date; the date itself when there is none for three years. */
export function workingDayOnOrBefore(date: string, days: WorkingDays): string {
  return nearest(date, -1, days);
}

/** The first working day on or after a date; the date itself when there is none for three years. */
export function workingDayOnOrAfter(date: string, days: WorkingDays): string {
  return nearest(date, 1, days);
}

function nearest(date: string, step: 1 | -1, days: WorkingDays): string {
  let day = Temporal.PlainDate.from(date);
  for (let i = 0; i < furthest; i += 1) {
    if (isWorkingDay(day.toString(), days)) return day.toString();
    day = day.add({ days: step });
  }
  return date;
}

/** The working day so many before a date; 0 gives the last one on or before it. */
export function workingDaysBefore(date: string, count: number, days: WorkingDays): string {
  let day = workingDayOnOrBefore(date, days);
  for (let i = 0; i < count; i += 1) day = workingDayOnOrBefore(Temporal.PlainDate.from(day).subtract({ days: 1 }).toString(), days);
  return day;
}

/** Working days from one working day to another, negative when the second comes first. */
export function workingDaysBetween(from: string, to: string, days: WorkingDays): number {
  const [first, last, sign] = from <= to ? [from, to, 1] : [to, from, -1];
  const length = daysBetween(first, last);
  const closed = days.closures.map((closure) => [daysBetween(first, closure.from), daysBetween(first, closure.to)] as const);
  const weekday = weekdayOf(first);
  let count = 0;
  for (let day = 0; day < length; day += 1) {
    const worked = days.weekdays.includes(((weekday - 1 + day) % 7) + 1);
    if (worked && !closed.some(([since, until]) => since <= day && day <= until)) count += 1;
  }
  return count === 0 ? 0 : sign * count;
}
