import { normalQuantile } from "../../random/normal.ts";
import { type Word, wordOf } from "../welch.ts";

/** How many of so many trials passed. */
export type Passes = readonly [passed: number, trials: number];

/** Two versions by how often they passed. */
export interface PassComparison {
  /** Of the shares, new − old, with its 95 % interval. */
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  /** Fisher's exact, two-sided. */
  readonly p: number;
  readonly word: Word;
}

const z95 = normalQuantile(0.975);
const z80 = normalQuantile(0.8);

/**
 * Shares that passed: Newcombe's hybrid score interval for their difference (1998, method 10), Fisher's exact p
 * (two-sided: all tables no likelier than this one). null where a side has no trial.
 */
export function passComparison(fresh: Passes, old: Passes): PassComparison | null {
  if (fresh[1] === 0 || old[1] === 0) return null;
  const [one, two] = [share(fresh), share(old)];
  const [[low1, high1], [low2, high2]] = [wilson(fresh), wilson(old)];
  const difference = one - two;
  const low = difference - Math.hypot(one - low1, high2 - two);
  const high = difference + Math.hypot(high1 - one, two - low2);
  return { difference, low, high, p: fisher(fresh, old), word: wordOf(low, high, "more") };
}

const share = ([passed, trials]: Passes): number => passed / trials;

/** Wilson's score interval of a share, 95 %. */
function wilson([passed, trials]: Passes): readonly [low: number, high: number] {
  const p = passed / trials;
  const z2 = z95 ** 2;
  const middle = (p + z2 / (2 * trials)) / (1 + z2 / trials);
  const half = (z95 * Math.sqrt((p * (1 - p)) / trials + z2 / (4 * trials ** 2))) / (1 + z2 / trials);
  return [middle - half, middle + half];
}

/** Tables as likely as the one seen but for rounding count too. */
const rounding = 1e-7;

function fisher([a, n1]: Passes, [b, n2]: Passes): number {
  const passed = a + b;
  const logChoose = (n: number, k: number): number => {
    let sum = 0;
    for (let i = 1; i <= k; i += 1) sum += Math.log((n - k + i) / i);
    return sum;
  };
  const all = logChoose(n1 + n2, passed);
  const chance = (k: number): number => Math.exp(logChoose(n1, k) + logChoose(n2, passed - k) - all);
  const seen = chance(a);
  let p = 0;
  for (let k = Math.max(0, passed - n2); k <= Math.min(n1, passed); k += 1) if (chance(k) <= seen * (1 + rounding)) p += chance(k);
  return Math.min(1, p);
}

const mostTrials = 1000;

/**
 * Trials of each that tell two shares apart four times in five, at 95 % (Fleiss, Tytun and Ury, 1980); null where the
 * shares are equal, or more than a thousand would be needed.
 */
export function trialsForPasses(fresh: number, old: number): number | null {
  const difference = Math.abs(fresh - old);
  if (difference === 0) return null;
  const middle = (fresh + old) / 2;
  const n0 = (z95 * Math.sqrt(2 * middle * (1 - middle)) + z80 * Math.sqrt(fresh * (1 - fresh) + old * (1 - old))) ** 2 / difference ** 2;
  const n = Math.ceil((n0 / 4) * (1 + Math.sqrt(1 + 4 / (n0 * difference))) ** 2);
  return n > mostTrials ? null : n;
}
