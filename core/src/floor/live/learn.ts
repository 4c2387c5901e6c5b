import { type DropIn, quarterMin } from "../dropIn.ts";
import { asProfile, roundTo, sharesOf } from "../shares.ts";
import type { FloorNow } from "./floorNow.ts";

/** What a counted floor day says of the next one. */
export interface FloorDay {
  readonly parties: number;
  readonly heads: number;
  readonly turnedAway: number;
  readonly kitsUsed: number;
  /** Units that built a second version, of those a third, and so on. */
  readonly rebuilds: readonly number[];
  /** Parties by quarter hour from opening; who came before is in the first. */
  readonly arrivals: readonly number[];
  /** Parties of 1, 2, 3 … builders. */
  readonly sizes: readonly number[];
  /** Minutes from coming in until ready to test, a unit each. */
  readonly builds: readonly number[];
  /** Minutes of waiting for a rig, a visit each. */
  readonly waits: readonly number[];
  readonly tests: { readonly count: number; readonly minutes: number };
}

const minute = 60_000;
const mostSize = 12;

/** A floor as it is learned from. */
export function floorDayOf(floor: FloorNow, opensAt: number, minutes: number): FloorDay {
  const bins = Math.max(1, Math.ceil(minutes / quarterMin));
  const arrivals = Array.from({ length: bins }, () => 0);
  const sizes = Array.from({ length: mostSize }, () => 0);
  for (const { at, heads } of floor.arrivals) {
    const bin = Math.min(bins - 1, Math.max(0, Math.floor((at - opensAt) / (quarterMin * minute))));
    arrivals[bin] = (arrivals[bin] ?? 0) + 1;
    const size = Math.min(mostSize, heads) - 1;
    sizes[size] = (sizes[size] ?? 0) + 1;
  }
  const most = Math.max(0, ...floor.units.map(({ rebuilds }) => rebuilds));
  return {
    parties: floor.parties,
    heads: floor.heads,
    turnedAway: floor.turnedAway,
    kitsUsed: floor.kitsUsed,
    rebuilds: Array.from({ length: most }, (_, i) => floor.units.filter(({ rebuilds }) => rebuilds > i).length),
    arrivals,
    sizes,
    builds: floor.units.flatMap(({ builtMin }) => (builtMin === null ? [] : [builtMin])),
    waits: floor.units.flatMap(({ waits }) => waits),
    tests: floor.tests,
  };
}

/** Parties, builds and tests that the day as it was thought counts for beside those that were counted. */
const prior = { parties: 20, builds: 10, tests: 10 } as const;

/**
 * A rehearsed day as counted days have it: parties are their mean; profile, sizes, build and test are those counted, with
 * the day as it was thought counting for 20 parties, 10 builds and 10 tests. Builders who went away again came too: they
 * are parties of the mean size.
 */
export function dayFromPast(days: readonly FloorDay[], before: DropIn): Partial<DropIn> {
  if (days.length === 0) return {};
  const sum = (of: (day: FloorDay) => number): number => days.reduce((all, day) => all + of(day), 0);
  const weight = before.weights.reduce((all, one) => all + one, 0);
  const bins = Math.ceil(before.lastEntryMin / quarterMin);
  const counted = Array.from(
    { length: bins },
    (_, bin) => sum(({ arrivals }) => arrivals[bin] ?? 0) + (weight === 0 ? 1 / bins : (before.weights[bin] ?? 0) / weight) * prior.parties,
  );
  const [parties, heads, gone] = [sum((day) => day.parties), sum((day) => day.heads), sum((day) => day.turnedAway)];
  const sizes = Array.from(
    { length: Math.max(before.partySizeShares.length, ...days.map(({ sizes }) => sizes.findLastIndex((n) => n > 0) + 1)) },
    (_, i) => sum(({ sizes }) => sizes[i] ?? 0) + (before.partySizeShares[i] ?? 0) * prior.parties,
  );
  const all = sizes.reduce((a, b) => a + b, 0);
  const builds = days.flatMap((day) => day.builds).map((min) => Math.max(1, min - before.welcome.meanMin));
  const tests = sum(({ tests }) => tests.count);
  const trials = Math.max(1, before.trials);
  return {
    expectedParties: roundTo((parties + (heads === 0 ? 0 : (gone * parties) / heads)) / days.length, 0),
    weights: asProfile(counted),
    partySizeShares: sharesOf(sizes.map((n) => n / all)),
    build: { ...before.build, meanMin: roundTo(meanWith(builds, before.build.meanMin, prior.builds), 1) },
    trial: {
      ...before.trial,
      meanMin: roundTo((sum(({ tests: { minutes } }) => minutes) / trials + prior.tests * before.trial.meanMin) / (tests + prior.tests), 2),
    },
  };
}

/** Mean of values, with a guess that counts for some of them. */
const meanWith = (values: readonly number[], guess: number, weight: number): number =>
  (values.reduce((all, one) => all + one, 0) + weight * guess) / (values.length + weight);
