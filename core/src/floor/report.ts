import { type DropIn, quarterMin, stopMin } from "./dropIn.ts";
import { type Busy, busyOf, type DayCount, dayCounts, type Pooled, type Tally } from "./tally.ts";

/** An estimate with its 95 % interval. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Mean and percentiles, each with its interval; null of nothing. */
export interface Spreading {
  readonly mean: Estimate;
  readonly p50: Estimate;
  readonly p90: Estimate;
  readonly p99: Estimate;
}

/** Waits, min, and how many there were. */
export interface Waits {
  readonly count: number;
  readonly spread: Spreading | null;
}

export interface BusyReport {
  /** Mean number busy, opening to closing. */
  readonly day: Estimate;
  /** By quarter hour to the stop; the last may be short. */
  readonly byQuarter: readonly Estimate[];
}

/** What simulated days came to. */
export interface DropInReport {
  readonly days: number;
  readonly counts: Readonly<Record<DayCount, Spreading>>;
  readonly turnedAwayShare: Estimate;
  readonly unfinishedShare: Estimate;
  readonly waits: Readonly<Record<"seat" | "host" | "rig" | "inBuilding", Waits>>;
  readonly busy: Readonly<Record<Busy, BusyReport>>;
}

const z95 = 1.959964;
const percentiles = { p50: 0.5, p90: 0.9, p99: 0.99 } as const;

/** Tells what a tally holds. Percentile p: the least value with at least a share p at or below it. */
export function reportOf(day: DropIn, tally: Tally): DropInReport {
  const { counts, days, busy } = tally;
  const sum = (...names: DayCount[]): readonly number[] =>
    counts[names[0] as DayCount].map((_, i) => names.reduce((all, name) => all + (counts[name][i] ?? 0), 0));
  const stop = stopMin(day);
  return {
    days,
    counts: Object.fromEntries(dayCounts.map((name) => [name, spreadingOver(counts[name])])) as Record<DayCount, Spreading>,
    turnedAwayShare: ratioOf(sum("turnedAwaySeats", "turnedAwayKits"), counts.buildersArrived),
    unfinishedShare: ratioOf(counts.unfinished, counts.kitsUsed),
    waits: {
      seat: waitsOf(tally.seatWait, days),
      host: waitsOf(tally.hostWait, days),
      rig: waitsOf(tally.rigWait, days),
      inBuilding: waitsOf(tally.inBuilding, days),
    },
    busy: Object.fromEntries(
      busyOf.map((name): [Busy, BusyReport] => [
        name,
        {
          day: meanOver(busy[name].days.map((minutes) => minutes / day.closingMin)),
          byQuarter: [...busy[name].sums].map((total, bin) => {
            const long = Math.min(quarterMin, stop - bin * quarterMin);
            const mean = total / days / long;
            const squares = (busy[name].squares[bin] ?? 0) / days / long ** 2;
            return around(mean, Math.sqrt(Math.max(0, squares - mean ** 2) / Math.max(1, days - 1)));
          }),
        },
      ]),
    ) as Record<Busy, BusyReport>,
  };
}

const around = (value: number, error: number): Estimate => ({ value, low: value - z95 * error, high: value + z95 * error });

/** A mean over days, by their spread. */
function meanOver(values: readonly number[]): Estimate {
  const n = values.length;
  const mean = values.reduce((all, value) => all + value, 0) / n;
  const squares = values.reduce((all, value) => all + (value - mean) ** 2, 0);
  return around(mean, Math.sqrt(squares / Math.max(1, n - 1) / n));
}

/** A share or a pooled mean: a sum over days ÷ another one; its error by the residuals of days. */
export function ratioOf(tops: ArrayLike<number>, bottoms: ArrayLike<number>): Estimate {
  const { value, error } = ratioAndError(tops, bottoms);
  return around(value, error);
}

/** error = sd(x − r n) ÷ (√days × mean n); of nothing 0. */
export function ratioAndError(tops: ArrayLike<number>, bottoms: ArrayLike<number>): { readonly value: number; readonly error: number } {
  const days = tops.length;
  let [top, bottom] = [0, 0];
  for (let day = 0; day < days; day += 1) {
    top += tops[day] ?? 0;
    bottom += bottoms[day] ?? 0;
  }
  if (bottom === 0) return { value: 0, error: 0 };
  const r = top / bottom;
  let squares = 0;
  for (let day = 0; day < days; day += 1) squares += ((tops[day] ?? 0) - r * (bottoms[day] ?? 0)) ** 2;
  return { value: r, error: Math.sqrt(squares / Math.max(1, days - 1)) / (Math.sqrt(days) * (bottom / days)) };
}

/** The value at a place of a sorted list: the least with at least a share p at or below it. */
const at = (sorted: ArrayLike<number>, p: number): number => {
  const place = Math.ceil(p * sorted.length - 1e-9) - 1;
  return sorted[Math.min(sorted.length - 1, Math.max(0, place))] ?? 0;
};

/** Values of days: their mean, and percentiles as values at p ± 1.96 errors of the share at or below. */
function spreadingOver(values: readonly number[]): Spreading {
  const sorted = Float64Array.from(values).sort();
  const days = values.length;
  const of = (p: number): Estimate => {
    const error = Math.sqrt((p * (1 - p)) / days);
    return { value: at(sorted, p), low: at(sorted, p - z95 * error), high: at(sorted, Math.min(1, p + z95 * error)) };
  };
  return { mean: meanOver(values), p50: of(percentiles.p50), p90: of(percentiles.p90), p99: of(percentiles.p99) };
}

function waitsOf(pooled: Pooled, days: number): Waits {
  const { count } = pooled;
  if (count === 0) return { count, spread: null };
  const sorted = pooled.values.slice(0, count).sort();
  const [sums, counts] = [new Float64Array(days), new Float64Array(days)];
  for (let day = 0; day < days; day += 1) {
    const values = pooled.of(day);
    counts[day] = values.length;
    sums[day] = values.reduce((sum, value) => sum + value, 0);
  }
  const of = (p: number): Estimate => {
    const value = at(sorted, p);
    const below = new Float64Array(days);
    for (let day = 0; day < days; day += 1) {
      let n = 0;
      for (const one of pooled.of(day)) if (one <= value) n += 1;
      below[day] = n;
    }
    const { error } = ratioAndError(below, counts);
    return { value, low: at(sorted, p - z95 * error), high: at(sorted, Math.min(1, p + z95 * error)) };
  };
  return {
    count,
    spread: { mean: ratioOf(sums, counts), p50: of(percentiles.p50), p90: of(percentiles.p90), p99: of(percentiles.p99) },
  };
}
