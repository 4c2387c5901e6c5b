import { addDays, weekdayOf } from "./wallClock.ts";
import {
  isWorkingDay,
  type WorkingDays,
  workingDayOnOrAfter,
  workingDayOnOrBefore,
  workingDaysAfter,
  workingDaysBefore,
  workingDaysBetween,
} from "./workingDays.ts";

/** A thing to do before a session. It takes whole working days, or is an order with a lead, or is collected at a weekly rate. */
export interface BackStep {
  readonly id: string;
  /** Steps that must be done before this one starts. */
  readonly after: readonly string[];
  readonly days?: number | undefined;
  readonly minutes?: number | undefined;
  readonly minutesPerDay?: number | undefined;
  readonly leadWorkingDays?: number | undefined;
  readonly leadCalendarDays?: number | undefined;
  /** Collected goods: pieces still missing and pieces a week. */
  readonly pieces?: number | undefined;
  readonly ratePerWeek?: number | undefined;
  /** Done so many calendar days before the session. */
  readonly daysBefore?: number | undefined;
  readonly done?: boolean | undefined;
}

/** When a step must start and be finished, local dates; slack in working days, 0 = start today, below 0 = late. */
export interface BackPlanned {
  readonly id: string;
  readonly latestStart: string;
  readonly mustFinish: string;
  readonly slack: number;
}

/** Every step of a session with its dates, and which must start by the coming Sunday. */
export interface BackPlan {
  readonly steps: readonly BackPlanned[];
  readonly thisWeek: readonly string[];
}

/**
 * Plans backward over working days. A step's last day is the working day before the earliest latest start of the steps
 * that wait for it, or before the session; with `daysBefore` the last working day by then; the earliest where several
 * hold. An order arrives by its last day; a calendar lead counts back from it to a working day.
 */
export function backPlan(session: string, today: string, steps: readonly BackStep[], days: WorkingDays): BackPlan {
  const planned = new Map<string, BackPlanned>();
  const plan = (step: BackStep): BackPlanned => {
    const known = planned.get(step.id);
    if (known) return known;
    const waiting = steps.filter((other) => other.after.includes(step.id)).map((other) => plan(other).latestStart);
    const limits = [
      ...(waiting.length > 0 || step.daysBefore === undefined ? [dayBefore([session, ...waiting].sort()[0] ?? session, days)] : []),
      ...(step.daysBefore === undefined ? [] : [workingDayOnOrBefore(addDays(session, -step.daysBefore), days)]),
    ];
    const mustFinish = limits.sort()[0] ?? session;
    const latestStart = startOf(step, mustFinish, days);
    const slack = workingDaysBetween(workingDayOnOrAfter(today, days), latestStart, days);
    const found = { id: step.id, latestStart, mustFinish, slack };
    planned.set(step.id, found);
    return found;
  };
  const all = steps.map(plan);
  const sunday = addDays(today, 7 - weekdayOf(today));
  const thisWeek = all.filter((step, i) => !steps[i]?.done && step.latestStart <= sunday).map((step) => step.id);
  return { steps: all, thisWeek };
}

const dayBefore = (date: string, days: WorkingDays): string => workingDayOnOrBefore(addDays(date, -1), days);

function startOf(step: BackStep, lastDay: string, days: WorkingDays): string {
  if (step.leadCalendarDays !== undefined) return workingDayOnOrBefore(addDays(lastDay, -step.leadCalendarDays), days);
  if (step.leadWorkingDays !== undefined) return workingDaysBefore(lastDay, step.leadWorkingDays, days);
  return workingDaysBefore(lastDay, daysOf(step, days) - 1, days);
}

/** Whole working days of a step: given, from its minutes, or from what is still to be collected. */
function daysOf({ days: given, minutes, minutesPerDay, pieces, ratePerWeek }: BackStep, days: WorkingDays): number {
  if (given !== undefined) return given;
  if (minutes !== undefined && minutesPerDay !== undefined) return Math.max(1, Math.ceil(minutes / minutesPerDay - 1e-9));
  if (pieces !== undefined && ratePerWeek !== undefined)
    return Math.max(1, Math.ceil((pieces * days.weekdays.length) / ratePerWeek - 1e-9));
  return 1;
}

/** The first working day on or after today plus a lead in calendar days: an arrival on a closed day counts on the next. */
export function arrivalDay(today: string, leadDays: number, days: WorkingDays): string {
  const day = addDays(today, leadDays);
  return isWorkingDay(day, days) ? day : workingDayOnOrAfter(day, days);
}

/** What follows a closing date. */
export interface ForwardInput {
  readonly closes: string;
  readonly remindDaysBefore: readonly number[];
  readonly expectedEntries: number;
  readonly minutesPerEntry: number;
  readonly minutesPerDay: number;
  readonly keepDays: number;
}

/** Reminders, sifting, reveal and the day entries go; local dates. */
export interface ForwardPlan {
  readonly remind: readonly string[];
  readonly siftFrom: string;
  readonly siftTo: string;
  readonly reveal: string;
  readonly erase: string;
}

/** Sifting starts on the first working day after the closing date and takes whole days; the reveal is the next working day. */
export function forwardPlan(input: ForwardInput, days: WorkingDays): ForwardPlan {
  const { closes, remindDaysBefore, expectedEntries, minutesPerEntry, minutesPerDay, keepDays } = input;
  const siftFrom = workingDayOnOrAfter(addDays(closes, 1), days);
  const count = Math.max(1, Math.ceil((expectedEntries * minutesPerEntry) / minutesPerDay - 1e-9));
  const siftTo = workingDaysAfter(siftFrom, count - 1, days);
  const reveal = workingDayOnOrAfter(addDays(siftTo, 1), days);
  return {
    remind: remindDaysBefore.map((n) => addDays(closes, -n)),
    siftFrom,
    siftTo,
    reveal,
    erase: addDays(reveal, keepDays),
  };
}
