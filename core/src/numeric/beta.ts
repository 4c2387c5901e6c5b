/// <reference path="./jstat.d.ts" />
import jStat from "jstat";

/** Quantile of a Beta(a, b), a and b > 0 by halving on its distribution function. */
export function betaQuantile(p: number, a: number, b: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 200 && high - low > 1e-15; i += 1) {
    const half = (low + high) / 2;
    if (jStat.beta.cdf(half, a, b) < p) low = half;
    else high = half;
  }
  return (low + high) / 2;
}
