import { addDays, dateOf, instantOf, weekdayOf } from "@lampcrate/core";

/** Quillmarsh Hall's zone: one with summer time and no place in its name. */
export const zone = "CET";

/** Days of the demo, all laid from the day it is loaded on. */
export class DemoDays {
  readonly today: string;

  constructor(now: number) {
    this.today = dateOf(now, zone);
  }

  /** Some days from today. */
  in(days: number): string {
    return addDays(this.today, days);
  }

  /** A Saturday, some weeks from the coming one (today counts when it is one). */
  saturday(weeks: number): string {
    return addDays(this.today, 6 - weekdayOf(this.today) + (weekdayOf(this.today) === 7 ? 7 : 0) + 7 * weeks);
  }

  /** An instant at a wall-clock time of a day. */
  at(date: string, time: string): number {
    return instantOf(`${date}T${time}`, zone) ?? 0;
  }
}
