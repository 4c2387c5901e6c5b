import { addDays, daysBetween, weekdayOf } from "./wallClock.ts";

/** Days on which a house works: its weekdays (ISO, 1 = Monday) less its closures; local dates, whole days. */
export interface WorkingDays {
  readonly weekdays: readonly number[];
  /** First and last closed day, both closed. */
  readonly closures: readonly { readonly from: string; readonly to: string }[];
}

const dayMs = 86_400_000;

/** No search for a working day goes further than this: a house that never works has none. */
const furthest = 3 * 366;

/** True on a weekday of the house that lies in no closure. */
export function isWorkingDay(date: string, days: WorkingDays): boolean {
  return days.weekdays.includes(weekdayOf(date)) && !days.closures.some(({ from, to }) => from <= date && date <= to);
}

/** The last working day on or before a date; the date itself when there is none for three years. */
export function workingDayOnOrBefore(date: string, days: WorkingDays): string {
  return walk(date, -1, 0, days);
}

/** The first working day on or after a date; the date itself when there is none for three years. */
export function workingDayOnOrAfter(date: string, days: WorkingDays): string {
  return walk(date, 1, 0, days);
}

/** The working day so many before a date; 0 gives the last one on or before it. */
export function workingDaysBefore(date: string, count: number, days: WorkingDays): string {
  return walk(date, -1, count, days);
}

/** The working day so many after a date; 0 gives the first one on or after it. */
export function workingDaysAfter(date: string, count: number, days: WorkingDays): string {
  return walk(date, 1, count, days);
}

/** Walks to the nearest working day and on over so many more. Days are counted, not made: twenty thousand entries are looked at over a thousand of them. */
function walk(date: string, step: 1 | -1, count: number, days: WorkingDays): string {
  const works = workedFrom(date, days);
  let [found, left] = [0, count];
  for (let day = 0; Math.abs(day - found) < furthest; day += step) {
    if (!works(day)) continue;
    found = day;
    if (left === 0) break;
    left -= 1;
  }
  return addDays(date, found);
}

/** Whether the house works so many days after a date. */
function workedFrom(date: string, days: WorkingDays): (day: number) => boolean {
  const after = (other: string): number => Math.round((Date.parse(other) - Date.parse(date)) / dayMs);
  const closed = days.closures.map(({ from, to }) => [after(from), after(to)] as const);
  const weekday = weekdayOf(date) - 1;
  const worked = Array.from({ length: 7 }, (_, i) => days.weekdays.includes(i + 1));
  return (day) => worked[(((weekday + day) % 7) + 7) % 7] === true && !closed.some(([since, until]) => since <= day && day <= until);
}

/** Working days from one working day to another, negative when the second comes first. */
export function workingDaysBetween(from: string, to: string, days: WorkingDays): number {
  const [first, last, sign] = from <= to ? [from, to, 1] : [to, from, -1];
  const length = daysBetween(first, last);
  const works = workedFrom(first, days);
  let count = 0;
  for (let day = 0; day < length; day += 1) if (works(day)) count += 1;
  return count === 0 ? 0 : sign * count;
}
