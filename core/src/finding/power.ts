import { normalBelow } from "../numeric/normal.ts";
import { logGamma, tQuantile } from "../numeric/student.ts";
import { mean, variance } from "../numeric/summary.ts";
import { normalQuantile } from "../random/normal.ts";

/**
 * Power of a two-sided t test with n trials each, true difference `difference` and trial sd `sigma`: both tails of
 * the non-central t with 2n − 2 degrees of freedom, integrated over its chi part (Simpson, 400 steps).
 */
export function power(n: number, difference: number, sigma: number, alpha = 0.05): number {
  const df = 2 * n - 2;
  const shift = Math.abs(difference) / (sigma * Math.sqrt(2 / n));
  const t = tQuantile(1 - alpha / 2, df);
  if (shift === 0) return alpha;
  const logScale = Math.log(2) + (df / 2) * Math.log(df / 2) - logGamma(df / 2);
  const density = (s: number): number => (s <= 0 ? 0 : Math.exp(logScale + (df - 1) * Math.log(s) - (df * s * s) / 2));
  const [from, to] = [Math.max(0, 1 - 9 / Math.sqrt(2 * df)), 1 + 9 / Math.sqrt(2 * df)];
  const beyond = (s: number): number => density(s) * (1 - normalBelow(t * s - shift) + normalBelow(-t * s - shift));
  const steps = 400;
  const width = (to - from) / steps;
  let sum = beyond(from) + beyond(to);
  for (let i = 1; i < steps; i += 1) sum += beyond(from + i * width) * (i % 2 === 1 ? 4 : 2);
  return (sum * width) / 3;
}

/** Least whole n ≥ 2 of each version with this power; null above 1,000: this test cannot. */
export function trialsNeeded(difference: number, sigma: number, wanted = 0.8, alpha = 0.05): number | null {
  const enough = (n: number): boolean => power(n, difference, sigma, alpha) >= wanted;
  if (difference === 0 || !enough(1000)) return null;
  let [low, high] = [2, 1000];
  while (low < high) {
    const half = (low + high) >> 1;
    if (enough(half)) high = half;
    else low = half + 1;
  }
  return low;
}

/** The difference seen with this power at n trials each: bisection on `power`. */
export function leastDifference(n: number, sigma: number, wanted = 0.8, alpha = 0.05): number {
  let [low, high] = [0, (normalQuantile(0.999) + tQuantile(1 - alpha / 2, 2 * n - 2)) * sigma * 4];
  for (let i = 0; i < 80; i += 1) {
    const half = (low + high) / 2;
    if (power(n, half, sigma, alpha) >= wanted) high = half;
    else low = half;
  }
  return high;
}

/** One trial's sd: √(σ_design² + σ_instrument² + w²/12). */
export function trialSigma(design: number, instrument: number, resolution: number): number {
  return Math.sqrt(design ** 2 + instrument ** 2 + resolution ** 2 / 12);
}

/** How many more of each would tell, if the difference seen is the true one; null: more of the same will not tell. */
export function moreTrials(fresh: readonly number[], old: readonly number[]): { trials: number; moreNew: number; moreOld: number } | null {
  const difference = Math.abs(mean(fresh) - mean(old));
  const sigma = Math.sqrt((variance(fresh) + variance(old)) / 2);
  if (!(difference > 0) || !(sigma > 0)) return null;
  const trials = trialsNeeded(difference, sigma);
  if (trials === null) return null;
  return { trials, moreNew: Math.max(0, trials - fresh.length), moreOld: Math.max(0, trials - old.length) };
}
