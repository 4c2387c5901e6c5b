import { type DropIn, quarterMin, stopMin } from "./dropIn.ts";
import type { Watch } from "./watch.ts";

/** Waits of many days in one list, with where each day's begin. */
export class Pooled {
  values = new Float64Array(4096);
  count = 0;
  readonly starts: number[] = [];

  beginDay(): void {
    this.starts.push(this.count);
  }

  put(value: number): void {
    if (this.count === this.values.length) {
      const wider = new Float64Array(2 * this.values.length);
      wider.set(this.values);
      this.values = wider;
    }
    this.values[this.count] = value;
    this.count += 1;
  }

  /** The values of one day. */
  of(day: number): Float64Array {
    return this.values.subarray(this.starts[day] ?? 0, this.starts[day + 1] ?? this.count);
  }
}

/** What is counted once a day. */
export const dayCounts = [
  "partiesArrived",
  "buildersArrived",
  "turnedAwaySeats",
  "turnedAwayKits",
  "kitsUsed",
  "rebuilds",
  "unfinished",
  "overrunMin",
  "peakSeats",
  "peakSeatLine",
  "peakRigLine",
] as const;
export type DayCount = (typeof dayCounts)[number];

/** What is busy: mean number, by quarter hour. */
export const busyOf = ["seats", "rigs", "hosts"] as const;
export type Busy = (typeof busyOf)[number];

/** Sums by quarter hour, and of their squares over days. */
class Quarters {
  readonly sums: Float64Array;
  readonly squares: Float64Array;
  private readonly today: Float64Array;
  /** Busy minutes of each day, opening to closing. */
  readonly days: number[] = [];

  constructor(
    private readonly closing: number,
    stop: number,
  ) {
    const bins = Math.max(1, Math.ceil(stop / quarterMin));
    this.sums = new Float64Array(bins);
    this.squares = new Float64Array(bins);
    this.today = new Float64Array(bins);
  }

  beginDay(): void {
    this.today.fill(0);
    this.days.push(0);
  }

  add(from: number, to: number, weight: number): void {
    const day = this.days.length - 1;
    const open = Math.min(to, this.closing) - from;
    if (open > 0) this.days[day] = (this.days[day] as number) + weight * open;
    let bin = Math.floor(from / quarterMin);
    let at = from;
    while (at < to && bin < this.today.length) {
      const end = Math.min(to, (bin + 1) * quarterMin);
      this.today[bin] = (this.today[bin] as number) + weight * (end - at);
      at = end;
      bin += 1;
    }
  }

  endDay(): void {
    const { today, sums, squares } = this;
    for (let bin = 0; bin < today.length; bin += 1) {
      const busy = today[bin] as number;
      sums[bin] = (sums[bin] as number) + busy;
      squares[bin] = (squares[bin] as number) + busy * busy;
    }
  }
}

/** What many simulated days came to. */
export class Tally implements Watch {
  days = 0;
  readonly counts: Readonly<Record<DayCount, number[]>>;
  readonly seatWait = new Pooled();
  readonly hostWait = new Pooled();
  readonly rigWait = new Pooled();
  readonly inBuilding = new Pooled();
  readonly busy: Readonly<Record<Busy, Quarters>>;
  private readonly closing: number;
  private readonly grace: number;
  private parties = 0;
  private builders = 0;
  private awaySeats = 0;
  private awayKits = 0;
  private kits = 0;
  private again = 0;
  private inside = 0;
  private lastLeft = 0;

  constructor(day: DropIn) {
    this.closing = day.closingMin;
    this.grace = day.graceMin;
    this.counts = Object.fromEntries(dayCounts.map((name) => [name, []])) as unknown as Record<DayCount, number[]>;
    const quarters = (): Quarters => new Quarters(day.closingMin, stopMin(day));
    this.busy = { seats: quarters(), rigs: quarters(), hosts: quarters() };
  }

  beginDay(): void {
    this.days += 1;
    for (const pooled of [this.seatWait, this.hostWait, this.rigWait, this.inBuilding]) pooled.beginDay();
    for (const name of busyOf) this.busy[name].beginDay();
    this.parties = 0;
    this.builders = 0;
    this.awaySeats = 0;
    this.awayKits = 0;
    this.kits = 0;
    this.again = 0;
    this.inside = 0;
    this.lastLeft = 0;
  }

  arrived(builders: number): void {
    this.parties += 1;
    this.builders += builders;
  }

  sentAway(builders: number, forWhat: "seats" | "kits"): void {
    if (forWhat === "seats") this.awaySeats += builders;
    else this.awayKits += builders;
  }

  tookKits(kits: number): void {
    this.kits += kits;
  }

  rebuilt(): void {
    this.again += 1;
  }

  waitedForSeat(minutes: number): void {
    this.seatWait.put(minutes);
  }

  waitedForHost(minutes: number): void {
    this.hostWait.put(minutes);
  }

  waitedForRig(minutes: number): void {
    this.rigWait.put(minutes);
  }

  seatBusy(from: number, to: number, seats: number): void {
    this.busy.seats.add(from, to, seats);
  }

  rigBusy(from: number, to: number): void {
    this.busy.rigs.add(from, to, 1);
  }

  hostBusy(from: number, to: number): void {
    this.busy.hosts.add(from, to, 1);
  }

  left(minutes: number, at: number): void {
    this.inBuilding.put(minutes);
    if (at > this.lastLeft) this.lastLeft = at;
  }

  unfinished(minutes: number): void {
    this.inBuilding.put(minutes);
    this.inside += 1;
  }

  endDay(peakSeats: number, peakSeatLine: number, peakRigLine: number): void {
    for (const name of busyOf) this.busy[name].endDay();
    const { counts } = this;
    counts.partiesArrived.push(this.parties);
    counts.buildersArrived.push(this.builders);
    counts.turnedAwaySeats.push(this.awaySeats);
    counts.turnedAwayKits.push(this.awayKits);
    counts.kitsUsed.push(this.kits);
    counts.rebuilds.push(this.again);
    counts.unfinished.push(this.inside);
    counts.overrunMin.push(this.inside > 0 ? this.grace : Math.max(0, this.lastLeft - this.closing));
    counts.peakSeats.push(peakSeats);
    counts.peakSeatLine.push(peakSeatLine);
    counts.peakRigLine.push(peakRigLine);
  }
}
