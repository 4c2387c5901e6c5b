import { addDays, dateOf } from "@lampcrate/core";
import { badField } from "../../http/problem.ts";

/** Days ahead that a run, a session or a closure may be. */
const mostDays = 3652;

/** Throws 422 at the field of a local date that is more than ten years away: a slip of the year. */
export function refuseFarDays(now: number, zone: string, dates: Readonly<Record<string, string | null>>): void {
  const today = dateOf(now, zone);
  const [first, last] = [addDays(today, -mostDays), addDays(today, mostDays)];
  for (const [field, date] of Object.entries(dates))
    if (date !== null && (date < first || date > last)) throw badField(field, "That is more than ten years away. Check the year.");
}
