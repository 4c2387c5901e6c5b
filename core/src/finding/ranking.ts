import { normalQuantile } from "../random/normal.ts";
import { seedOf, uniformAt } from "../random/stream.ts";

/** Entrants whose true values are Normal(0, `between`), each measured on `trials` of Normal(true, `within`). */
export interface Ranked {
  readonly entrants: number;
  readonly trials: number;
  readonly between: number;
  readonly within: number;
  readonly scoredBy: "mean" | "best" | "median";
}

const draws = 20_000;

/**
 * The chance that the best on paper is the best in truth, from 20,000 seeded draws. With one entrant 1; where nothing
 * differs in truth, a fair guess: 1/k. For the mean of two entrants it is ½ + asin(ρ)/π, ρ = τ/√(τ² + σ²/n).
 */
export function rankingCertainty({ entrants, trials, between, within, scoredBy }: Ranked, seedWords: string): number {
  if (entrants <= 1) return 1;
  if (between <= 0) return 1 / entrants;
  const [trueSeed, trialSeed] = [seedOf(seedWords, "true"), seedOf(seedWords, "trials")];
  const measured = scoredBy === "mean" ? 1 : trials;
  const spread = scoredBy === "mean" ? within / Math.sqrt(trials) : within;
  let hits = 0;
  for (let draw = 0; draw < draws; draw += 1) {
    let [bestTrue, bestScore, firstTrue, firstScore] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, 0, 0];
    for (let k = 0; k < entrants; k += 1) {
      const truth = between * normalQuantile(uniformAt(trueSeed, draw, k));
      const seen = Array.from(
        { length: measured },
        (_, t) => truth + spread * normalQuantile(uniformAt(trialSeed, draw, k * measured + t)),
      );
      const score = scoredBy === "median" ? middleOf(seen) : Math.max(...seen);
      if (truth > bestTrue) [bestTrue, firstTrue] = [truth, k];
      if (score > bestScore) [bestScore, firstScore] = [score, k];
    }
    if (firstTrue === firstScore) hits += 1;
  }
  return hits / draws;
}

function middleOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
}
