import type { DropIn } from "../dropIn.ts";
import { DropInDays } from "../simulate.ts";
import { Unheeding } from "../watch.ts";

/** What a day is held to be typical by. */
interface DayFigures {
  arrived: number;
  away: number;
  unfinished: number;
  overrun: number;
  rigWait: number;
}

const figures = ["arrived", "away", "unfinished", "overrun", "rigWait"] as const;

/** Adds up one day at a time, and nothing else. */
class Figures extends Unheeding {
  readonly days: DayFigures[] = [];
  private readonly closing: number;
  private readonly grace: number;

  constructor({ closingMin, graceMin }: DropIn) {
    super();
    this.closing = closingMin;
    this.grace = graceMin;
  }

  private get today(): DayFigures {
    return this.days.at(-1) as DayFigures;
  }

  override beginDay(): void {
    this.days.push({ arrived: 0, away: 0, unfinished: 0, overrun: 0, rigWait: 0 });
  }
  override arrived(builders: number): void {
    this.today.arrived += builders;
  }
  override sentAway(builders: number): void {
    this.today.away += builders;
  }
  override waitedForRig(minutes: number): void {
    this.today.rigWait += minutes;
  }
  override left(_: number, at: number): void {
    this.today.overrun = Math.max(this.today.overrun, at - this.closing);
  }
  override unfinished(): void {
    this.today.unfinished += 1;
    this.today.overrun = this.grace;
  }
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/**
 * The number of the most ordinary of so many days of a seed: the one nearest to the medians of builders who came, were
 * turned away and didn't finish, of overrun, and of all waiting for rigs, each measured by its own usual distance from
 * the median (a figure that never differs counts for nothing).
 */
export function typicalDay(day: DropIn, days: number, seed: number): number {
  const watch = new Figures(day);
  const all = new DropInDays(day, watch);
  for (let number = 0; number < days; number += 1) all.run(seed, number);
  const from = figures.map((figure) => {
    const middle = median(watch.days.map((one) => one[figure]));
    return { figure, middle, usual: median(watch.days.map((one) => Math.abs(one[figure] - middle))) };
  });
  const distance = (one: DayFigures): number =>
    from.reduce((sum, { figure, middle, usual }) => sum + (usual > 0 ? Math.abs(one[figure] - middle) / usual : 0), 0);
  return watch.days.reduce((best, one, number) => (distance(one) < distance(watch.days[best] as DayFigures) ? number : best), 0);
}
