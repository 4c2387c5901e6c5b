import { Temporal } from "temporal-polyfill";
import { weekdayOf } from "./wallClock.ts";

/** How a session repeats, as planners say it. */
export const repeatKinds = ["daily", "weekly", "two weeks", "monthly"] as const;
export type RepeatKind = (typeof repeatKinds)[number];

const letters = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"];
const names = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const places = ["first", "second", "third", "fourth", "last"];

/** Which of its weekday a date is within its month: 1 to 4, or −1 for a fifth, which is the last. */
function placeInMonth(date: string): number {
  const nth = Math.ceil(Temporal.PlainDate.from(date).day / 7);
  return nth > 4 ? -1 : nth;
}

/** A rule of RFC 5545 for sessions that begin on a date, so many times. */
export function ruleOf(kind: RepeatKind, date: string, count: number): string {
  switch (kind) {
    case "daily":
      return `FREQ=DAILY;COUNT=${count}`;
    case "weekly":
      return `FREQ=WEEKLY;COUNT=${count}`;
    case "two weeks":
      return `FREQ=WEEKLY;INTERVAL=2;COUNT=${count}`;
    case "monthly":
      return `FREQ=MONTHLY;BYDAY=${placeInMonth(date)}${letters[weekdayOf(date) - 1]};COUNT=${count}`;
  }
}

/** The same in words: "every second Saturday", "the first Saturday of each month". */
export function repeatWords(kind: RepeatKind, date: string): string {
  const day = names[weekdayOf(date) - 1] ?? "day";
  switch (kind) {
    case "daily":
      return "every day";
    case "weekly":
      return `every ${day}`;
    case "two weeks":
      return `every second ${day}`;
    case "monthly": {
      const nth = placeInMonth(date);
      return `the ${places[nth < 0 ? 4 : nth - 1]} ${day} of each month`;
    }
  }
}
