import type { RunSummary } from "@lampcrate/contract";
import { addDays, daysBetween, mondayOf } from "@lampcrate/core";

/** Weeks on the line at once, at least and at most. */
const [fewest, most] = [9, 16];

/** The stretch of days that the season's line shows, and where each stands, px. */
export interface Axis {
  readonly from: string;
  readonly to: string;
  readonly today: string;
  readonly width: number;
  readonly x: (date: string) => number;
  /** Mondays, first to last. */
  readonly weeks: readonly string[];
}

/** The Monday with which the line begins when nobody has gone elsewhere: three weeks back. */
export const usualStart = (today: string): string => mondayOf(addDays(today, -21));

/** So many weeks that the last day of the season is on the line as it usually begins, while there is room. */
export function weeksOf(runs: readonly RunSummary[], today: string): number {
  const last = daysOf(runs).reduce((a, b) => (b > a ? b : a), today);
  return Math.min(most, Math.max(fewest, Math.ceil((daysBetween(usualStart(today), last) + 8) / 7)));
}

export function axisOf(from: string, today: string, width: number, weeks: number): Axis {
  const to = addDays(from, weeks * 7);
  const scale = width / (weeks * 7);
  return {
    from,
    to,
    today,
    width,
    x: (date) => daysBetween(from, date) * scale,
    weeks: Array.from({ length: weeks }, (_, i) => addDays(from, i * 7)),
  };
}

/** Months in which something of the season happens, with today's: "2026-11". */
export function monthsOf(runs: readonly RunSummary[], today: string): readonly string[] {
  return [...new Set([today, ...daysOf(runs)].map((day) => day.slice(0, 7)))].sort();
}

/** Every day of these runs on which something happens. */
function daysOf(runs: readonly RunSummary[]): readonly string[] {
  return runs.flatMap((run) =>
    [run.createdOn, run.opensOn, run.closesOn, run.revealOn, ...run.sessions.map((s) => s.date)].flatMap((day) => day ?? []),
  );
}
