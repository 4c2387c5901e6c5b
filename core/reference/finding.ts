import { comparisonKind } from "../src/finding/comparison.ts";
import { checkValue } from "../src/finding/flag.ts";
import { permutationTest } from "../src/finding/permutation.ts";
import { leastDifference, moreTrials, power, trialSigma, trialsNeeded } from "../src/finding/power.ts";
import { rankingCertainty } from "../src/finding/ranking.ts";
import { timerFrom } from "../src/finding/timer.ts";
import { welch } from "../src/finding/welch.ts";
import { parseQuantity } from "../src/quantity/parse.ts";

// biome-ignore lint/suspicious/noExplicitAny: a reference file's input is whatever the file says
type Input = any;

const range = (r: Input): readonly [number, number] => [r?.[0] ?? Number.NEGATIVE_INFINITY, r?.[1] ?? Number.POSITIVE_INFINITY];

/** Quantities of findings by name; a name not listed is not built yet. */
export const finding: Readonly<Record<string, (input: Input) => unknown>> = {
  quantity: (i) => {
    const read = parseQuantity(i.text, i);
    return read.ok ? { ok: true, si: read.si } : read;
  },
  slips: (i) => {
    const checked = { ...i, bounds: { hard: range(i.hard), soft: range(i.soft) } };
    return checkValue(checked);
  },
  welch: (i) => welch(i.new, i.old, i.better, i.resolution ?? 0),
  permutation: (i) => permutationTest(i.new, i.old),
  "comparison kind": (i) => comparisonKind(i.old, i.new),
  power: (i) => power(i.n, i.difference, i.sigma, i.alpha),
  "least difference": (i) => leastDifference(i.n, i.sigma, i.power, i.alpha),
  "trials needed": (i) => trialsNeeded(i.difference, i.sigma, i.power, i.alpha),
  "trial sigma": (i) => trialSigma(i.sigmaDesign, i.sigmaInstrument, i.resolution),
  "ranking certainty": (i) =>
    rankingCertainty({ entrants: i.k, trials: i.n, between: i.tau, within: i.sigma, scoredBy: "mean" }, "reference"),
  "timer practice": (i) => timerFrom(i.errorsS),
  "more trials": (i) => moreTrials(i.new, i.old),
};
