import { normalQuantile } from "../random/normal.ts";
import { bitsAt, uniformAt } from "../random/stream.ts";
import { type DropIn, quarterMin, type Takes } from "./dropIn.ts";

/** What is drawn, each from a stream of its own, so that one dial turned leaves the other draws alone. */
const purposes = { arrival: 1, size: 2, patience: 3, welcome: 4, build: 5, trial: 6, again: 7 } as const;

/** More units of one party, and more trials of one visit, than these are not told apart. */
const [mostUnits, mostTrials] = [64, 64] as const;

/** One day's draws: each depends on the seed, the day, the party, the unit and the loop alone, never on the order of events. */
export class DayDraws {
  private readonly seeds = new Int32Array(8);
  private readonly ends: Float64Array;
  private readonly sizes: Float64Array;
  private readonly welcomes: Drawn;
  private readonly builds: Drawn;
  private readonly trialTimes: Drawn;

  constructor(private readonly day: DropIn) {
    this.ends = cumulativeArrivals(day);
    this.sizes = cumulative(day.partySizeShares);
    this.welcomes = drawnBy(day.welcome);
    this.builds = drawnBy(day.build);
    this.trialTimes = drawnBy(day.trial);
  }

  /** Begins the day with this number. */
  begin(seed: number, number: number): void {
    for (const purpose of Object.values(purposes)) this.seeds[purpose] = bitsAt(seed, number, purpose);
  }

  private uniform(purpose: number, draw: number, place = 0): number {
    return uniformAt(this.seeds[purpose] ?? 0, draw, place);
  }

  /** Parties expected between the one before and this one: the gaps of a Poisson process of rate 1. */
  gap(party: number): number {
    return -Math.log(this.uniform(purposes.arrival, party));
  }

  /** When so many parties are expected to have come, min; endless beyond the day's. */
  arrivalAt(expected: number): number {
    const { ends } = this;
    const bins = ends.length - 1;
    if (bins < 1 || expected >= (ends[bins] ?? 0)) return Number.POSITIVE_INFINITY;
    let [low, high] = [0, bins];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((ends[middle] ?? 0) <= expected) low = middle;
      else high = middle;
    }
    const [from, to] = [ends[low] ?? 0, ends[low + 1] ?? 0];
    return quarterMin * (low + (expected - from) / (to - from));
  }

  size(party: number): number {
    const u = this.uniform(purposes.size, party);
    let size = 0;
    while (size < this.sizes.length - 1 && u >= (this.sizes[size] ?? 1)) size += 1;
    return size + 1;
  }

  patience(party: number): number {
    const mean = this.day.patienceMeanMin;
    return mean === null ? Number.POSITIVE_INFINITY : -mean * Math.log(this.uniform(purposes.patience, party));
  }

  welcome(party: number): number {
    return this.welcomes(this.uniform(purposes.welcome, party));
  }

  build(party: number, unit: number, loop: number): number {
    return this.builds(this.uniform(purposes.build, party * mostUnits + unit, loop));
  }

  /** All trials of one visit to the rig together. */
  visit(party: number, unit: number, loop: number): number {
    let sum = 0;
    for (let trial = 0; trial < this.day.trials; trial += 1)
      sum += this.trialTimes(this.uniform(purposes.trial, party * mostUnits + unit, loop * mostTrials + trial));
    return sum;
  }

  again(party: number, unit: number, loop: number): boolean {
    return this.uniform(purposes.again, party * mostUnits + unit, loop) < this.day.rebuildChance;
  }
}

type Drawn = (u: number) => number;

/** Minutes by a uniform number. σ² = ln(1 + c²), μ = ln m − σ²/2. */
function drawnBy({ meanMin, cv, shape }: Takes): Drawn {
  if (meanMin <= 0) return () => 0;
  if (shape === "exponential") return (u) => -meanMin * Math.log(u);
  if (cv <= 0) return () => meanMin;
  const variance = Math.log1p(cv * cv);
  const [mu, sigma] = [Math.log(meanMin) - variance / 2, Math.sqrt(variance)];
  return (u) => Math.exp(mu + sigma * normalQuantile(u));
}

function cumulative(shares: readonly number[]): Float64Array {
  const total = shares.reduce((sum, share) => sum + share, 0);
  let sum = 0;
  return Float64Array.from(shares, (share) => {
    sum += share / total;
    return sum;
  });
}

/** Parties expected by the end of each quarter hour; the part of one at or after last entry is cut off. */
function cumulativeArrivals({ expectedParties, weights, lastEntryMin }: DropIn): Float64Array {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  if (total <= 0 || expectedParties <= 0) return new Float64Array(1);
  const bins = Math.min(weights.length, Math.ceil(lastEntryMin / quarterMin));
  const ends = new Float64Array(bins + 1);
  for (let bin = 0; bin < bins; bin += 1) ends[bin + 1] = (ends[bin] ?? 0) + (expectedParties * (weights[bin] ?? 0)) / total;
  return ends;
}
