import { ratioAndError } from "./report.ts";
import type { Watch } from "./watch.ts";

/** What a planner asks of a day: a share of waits of at most so long, or of builders turned away, or of units unfinished. */
export type Target =
  | { readonly what: "seatWait" | "hostWait" | "rigWait"; readonly minutes: number; readonly atLeast: number }
  | { readonly what: "turnedAway" | "unfinished"; readonly atMost: number };

/** How a target stands: its share, the error of that, and by how much it is inside its limit; below 0 it misses. */
export interface Standing {
  readonly value: number;
  readonly error: number;
  readonly inside: number;
}

const nothing = (): void => undefined;

/** Counts what targets ask about, day by day, and nothing else: the adviser tries hundreds of days of hundreds of rooms. */
export class TargetWatch implements Watch {
  private readonly tops: number[][];
  private readonly bottoms: number[][];
  private readonly seat: number[] = [];
  private readonly host: number[] = [];
  private readonly rig: number[] = [];
  private readonly away: number[] = [];
  private readonly late: number[] = [];
  private day = -1;

  readonly rebuilt = nothing;
  readonly seatBusy = nothing;
  readonly rigBusy = nothing;
  readonly hostBusy = nothing;
  readonly left = nothing;
  readonly endDay = nothing;

  constructor(private readonly targets: readonly Target[]) {
    this.tops = targets.map(() => []);
    this.bottoms = targets.map(() => []);
    for (const [i, { what }] of targets.entries()) this.listOf(what).push(i);
  }

  private listOf(what: Target["what"]): number[] {
    switch (what) {
      case "seatWait":
        return this.seat;
      case "hostWait":
        return this.host;
      case "rigWait":
        return this.rig;
      case "turnedAway":
        return this.away;
      case "unfinished":
        return this.late;
    }
  }

  get days(): number {
    return this.day + 1;
  }

  beginDay(): void {
    this.day += 1;
    for (const sums of this.tops) sums.push(0);
    for (const sums of this.bottoms) sums.push(0);
  }

  arrived(builders: number): void {
    for (const i of this.away) this.add(this.bottoms, i, builders);
  }

  sentAway(builders: number): void {
    for (const i of this.away) this.add(this.tops, i, builders);
  }

  tookKits(kits: number): void {
    for (const i of this.late) this.add(this.bottoms, i, kits);
  }

  unfinished(): void {
    for (const i of this.late) this.add(this.tops, i, 1);
  }

  waitedForSeat(minutes: number): void {
    this.waited(this.seat, minutes);
  }

  waitedForHost(minutes: number): void {
    this.waited(this.host, minutes);
  }

  waitedForRig(minutes: number): void {
    this.waited(this.rig, minutes);
  }

  private waited(of: readonly number[], minutes: number): void {
    for (const i of of) {
      this.add(this.bottoms, i, 1);
      const target = this.targets[i];
      if (target && "minutes" in target && minutes <= target.minutes) this.add(this.tops, i, 1);
    }
  }

  private add(sums: number[][], i: number, by: number): void {
    const days = sums[i] as number[];
    days[this.day] = (days[this.day] as number) + by;
  }

  /** How each target stands after the days so far; a share of nothing meets it. */
  standings(): readonly Standing[] {
    return this.targets.map((target, i) => {
      const [tops, bottoms] = [this.tops[i] ?? [], this.bottoms[i] ?? []];
      const { value, error } = ratioAndError(tops, bottoms);
      if (bottoms.every((n) => n === 0)) return { value: 0, error: 0, inside: Number.POSITIVE_INFINITY };
      return { value, error, inside: "atMost" in target ? target.atMost - value : value - target.atLeast };
    });
  }
}
