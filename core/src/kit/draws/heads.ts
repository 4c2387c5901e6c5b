import { exp, log } from "../../numeric/elementary.ts";
import { BinomialDraws, PoissonDraws } from "../../random/discrete.ts";
import { gammaAt } from "../../random/gamma.ts";
import { normalQuantile } from "../../random/normal.ts";
import { seedOf, uniformAt } from "../../random/stream.ts";
import { roundHalfUp } from "./rounding.ts";

/** How many builders will come: a distribution, never one number. `cap`: places over the whole session. */
export type HeadsModel = { readonly cap?: number | undefined } & (
  | { readonly model: "signedUp"; readonly signedUp: number; readonly showRate: number; readonly walkIns: number }
  | { readonly model: "forecast"; readonly low: number; readonly likely: number; readonly high: number }
  | { readonly model: "learned"; readonly low: number; readonly likely: number; readonly high: number; readonly past: readonly number[] }
  | { readonly model: "atHome"; readonly asked: number; readonly takeUp: number; readonly more: number }
);

/** 90th percentile of the standard normal and of t with 4 degrees of freedom, as the models print them. */
const z90 = 1.2815516;
const t90 = 1.5332063;

/** Builders in each of `draws` seeded draws. */
export function drawHeads(heads: HeadsModel, seed: string, draws: number): Int32Array {
  const draw = headsDrawer(heads, seed);
  const cap = capOf(heads);
  const n = new Int32Array(draws);
  for (let i = 0; i < draws; i += 1) n[i] = Math.max(0, Math.min(cap, draw(i)));
  return n;
}

/** As many as are likely to come: the guess, or the model's middle (median of the posterior, else the mean), capped. */
export function likelyHeads(heads: HeadsModel): number {
  return Math.min(roundHalfUp(middleOf(heads)), capOf(heads));
}

function middleOf(heads: HeadsModel): number {
  switch (heads.model) {
    case "forecast":
      return heads.likely;
    case "learned":
      return exp(headsPosterior(heads).mu);
    case "signedUp":
      return heads.signedUp * heads.showRate + heads.walkIns;
    case "atHome":
      return heads.asked * heads.takeUp + heads.more;
  }
}

/** The cap: as given; unknown, 5 × the greatest number named for forecast and learned, none for the others. */
export function capOf(heads: HeadsModel): number {
  if (heads.cap !== undefined) return heads.cap;
  if (heads.model === "forecast") return 5 * heads.high;
  if (heads.model === "learned") return 5 * Math.max(heads.high, ...heads.past);
  return Number.MAX_SAFE_INTEGER;
}

function headsDrawer(heads: HeadsModel, seed: string): (draw: number) => number {
  const first = seedOf(seed, "heads");
  const second = seedOf(seed, "heads", "more");
  switch (heads.model) {
    case "signedUp":
    case "atHome": {
      const [known, rate, mean] =
        heads.model === "signedUp" ? [heads.signedUp, heads.showRate, heads.walkIns] : [heads.asked, heads.takeUp, heads.more];
      const come = new BinomialDraws(rate);
      const further = new PoissonDraws(mean);
      return (i) => come.at(known, uniformAt(first, i)) + further.at(uniformAt(second, i));
    }
    case "forecast": {
      const down = log(heads.likely / heads.low) / z90;
      const up = log(heads.high / heads.likely) / z90;
      return (i) => {
        const z = normalQuantile(uniformAt(first, i));
        return roundHalfUp(heads.likely * exp((z < 0 ? down : up) * z));
      };
    }
    case "learned": {
      const { mu, scale, df } = headsPosterior(heads);
      return (i) => {
        const z = normalQuantile(uniformAt(first, i));
        const chi = 2 * gammaAt(df / 2, second, i);
        return roundHalfUp(exp(mu + (scale * z) / Math.sqrt(chi / df)));
      };
    }
  }
}

/** What past sessions say on the log scale, from a prior as wide as the forecast. */
export interface HeadsPosterior {
  readonly kappa: number;
  readonly mu: number;
  readonly alpha: number;
  readonly beta: number;
  readonly df: number;
  /** Square root of the predictive scale². */
  readonly scale: number;
}

/** Normal with unknown mean and variance, conjugate update; posterior predictive is Student t. A session nobody came to enters as ½. */
export function headsPosterior(heads: {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
  readonly past: readonly number[];
}): HeadsPosterior {
  const s0 = log(heads.high / heads.low) / (2 * t90);
  const mu0 = log(heads.likely);
  const [kappa0, alpha0, beta0] = [2, 2, (4 / 3) * s0 * s0];
  const y = heads.past.map((n) => log(n === 0 ? 0.5 : n));
  const m = y.length;
  const mean = m === 0 ? 0 : y.reduce((sum, v) => sum + v, 0) / m;
  const kappa = kappa0 + m;
  const mu = (kappa0 * mu0 + m * mean) / kappa;
  const alpha = alpha0 + m / 2;
  const squares = y.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  const beta = beta0 + squares / 2 + (kappa0 * m * (mean - mu0) ** 2) / (2 * kappa);
  return { kappa, mu, alpha, beta, df: 2 * alpha, scale: Math.sqrt((beta * (kappa + 1)) / (alpha * kappa)) };
}

/** What is wrong with a heads model, by field, in words. */
export function headsErrors(heads: HeadsModel): Readonly<Record<string, string>> {
  if (heads.model === "forecast" || heads.model === "learned") {
    if (!(heads.low > 0)) return { low: "The low end must be above 0." };
    if (heads.likely < heads.low) return { likely: "The likely number is below the low end." };
    if (heads.high < heads.likely) return { high: "The high end is below the likely number." };
  }
  return {};
}
