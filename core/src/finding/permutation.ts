import { mean } from "../numeric/summary.ts";
import { seedOf, wholeBelow } from "../random/stream.ts";

/** Two-sided permutation test on the difference of means. */
export interface Permutation {
  readonly hits: number;
  readonly splits: number;
  readonly p: number;
  /** The least p that these numbers of trials allow. */
  readonly leastP: number;
  readonly exact: boolean;
}

const mostSplits = 20_000;

/**
 * Share of splits whose |difference of means| is at least the one seen, 1e-9 of the spread allowed: all splits
 * by position while there are at most 20,000, otherwise 20,000 seeded ones with p = (hits + 1)/20,001 (Fisher, 1935; Dwass, 1957).
 */
export function permutationTest(fresh: readonly number[], old: readonly number[], seed = "permutation"): Permutation {
  const all = [...fresh, ...old];
  const total = all.reduce((sum, x) => sum + x, 0);
  const [na, nb] = [fresh.length, old.length];
  const slack = 1e-9 * (Math.max(...all) - Math.min(...all));
  const least = Math.abs(mean(fresh) - mean(old)) - slack;
  const isHit = (sum: number): boolean => Math.abs(sum / na - (total - sum) / nb) >= least;
  const splits = choose(na + nb, na);
  if (splits <= mostSplits) {
    const hits = countSums(all, na, isHit);
    return { hits, splits, p: hits / splits, leastP: (na === nb ? 2 : 1) / splits, exact: true };
  }
  const hits = randomHits(all, na, isHit, seedOf(seed));
  return { hits, splits: mostSplits, p: (hits + 1) / (mostSplits + 1), leastP: 1 / (mostSplits + 1), exact: false };
}

function choose(n: number, k: number): number {
  let c = 1;
  for (let i = 1; i <= k; i += 1) c = (c * (n - k + i)) / i;
  return Math.round(c);
}

function countSums(values: readonly number[], take: number, isHit: (sum: number) => boolean): number {
  const walk = (from: number, left: number, sum: number): number => {
    if (left === 0) return isHit(sum) ? 1 : 0;
    let hits = 0;
    for (let i = from; i <= values.length - left; i += 1) hits += walk(i + 1, left - 1, sum + (values[i] ?? 0));
    return hits;
  };
  return walk(0, take, 0);
}

function randomHits(values: readonly number[], take: number, isHit: (sum: number) => boolean, seed: number): number {
  const deck = [...values];
  let hits = 0;
  for (let split = 0; split < mostSplits; split += 1) {
    let sum = 0;
    for (let i = 0; i < take; i += 1) {
      const j = i + wholeBelow(deck.length - i, seed, split, i);
      const picked = deck[j] ?? 0;
      deck[j] = deck[i] ?? 0;
      deck[i] = picked;
      sum += picked;
    }
    if (isHit(sum)) hits += 1;
  }
  return hits;
}
