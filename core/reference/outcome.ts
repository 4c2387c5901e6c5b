import { boundedComparison, rungComparison } from "../src/finding/outcome/boundedComparison.ts";
import { passComparison, trialsForPasses } from "../src/finding/outcome/passes.ts";
import { runModel } from "../src/finding/outcome/runModel.ts";
import { type Interval, intervalsOf } from "../src/finding/outcome/trialOutcome.ts";
import { firstAndLast, meanOf, versionOutcome } from "../src/finding/outcome/versionOutcome.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

const ends = (interval: Interval | null) => interval && [interval.low, interval.high];

/** Quantities of what a test shows, by name. */
export const outcome: Readonly<Record<string, (input: Input) => unknown>> = {
  "pass comparison": (i) => passComparison(i.new, i.old),
  "trials for passes": (i) => trialsForPasses(i.new, i.old),
  "rung comparison": (i) => rungComparison(i.new, i.old),
  "bounded comparison": (i) => boundedComparison(i.new, i.old, i.better, i.failedCountsAs) ?? { word: "repeat each at least twice" },
  "version outcome": (i) => {
    const { best, mean, ...rest } = versionOutcome(i.trials, i.better, i.failedCountsAs, i.goal);
    return { ...rest, best: ends(best), mean: ends(mean) };
  },
  "first and last": (i) => {
    const of = (trials: Input) => meanOf(intervalsOf(trials, i.failedCountsAs));
    return firstAndLast(of(i.first), of(i.last), i.better);
  },
  "run model": (i) => runModel(i.variables, i.rows),
};
