/// <reference path="./jstat.d.ts" />
import jStat from "jstat";

/** Quantile of Student's t with `df` > 0 degrees of freedom, polished by Newton steps on its distribution function. */
export function tQuantile(p: number, df: number): number {
  let t = jStat.studentt.inv(p, df);
  for (let step = 0; step < 3; step += 1) {
    const slope = density(t, df);
    const change = (tBelow(t, df) - p) / slope;
    if (!Number.isFinite(change)) break;
    t -= change;
  }
  return t;
}

/** P(T ≤ t). */
export function tBelow(t: number, df: number): number {
  return jStat.studentt.cdf(t, df);
}

function density(t: number, df: number): number {
  return Math.exp(logGamma((df + 1) / 2) - logGamma(df / 2)) / Math.sqrt(df * Math.PI) / (1 + (t * t) / df) ** ((df + 1) / 2);
}

/** ln Γ(x), x > 0: Lanczos (g = 7, n = 9), relative error about 1e-15. */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const z = x - 1;
  const t = z + 7.5;
  let sum = 0.99999999999980993;
  for (const [i, c] of lanczos.entries()) sum += c / (z + i + 1);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

const lanczos = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905, -0.13857109526572012,
  9.9843695780195716e-6, 1.5056327351493116e-7,
];
