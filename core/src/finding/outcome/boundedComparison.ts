import type { FailedCountsAs } from "../../family/shape.ts";
import { permutationTest } from "../permutation.ts";
import { type Better, intervalsOf, surelyBetter, type TrialOutcome } from "./trialOutcome.ts";

/** What trials that are known only between bounds, or by rungs, say of two versions. */
export type ScoredWord = "helps" | "hurts" | "cannot tell yet" | "too few to tell";

/** The chance that a new trial beats an old one, and how likely chance alone gives as much. */
export interface Scored {
  /** Pairs surely better and half of the undecided, of all pairs. */
  readonly share: number;
  readonly p: number;
  /** The least p that these scores allow. */
  readonly least: number;
  readonly word: ScoredWord;
}

export interface BoundedComparison extends Scored {
  readonly better: number;
  readonly worse: number;
  readonly pairs: number;
}

/**
 * Trials of which some are known only between bounds: each scores the sum over all of the sign of surely better (after
 * Gehan, 1965), and the new version's scores are held against all splits. null under two that count on a side.
 */
export function boundedComparison(
  fresh: readonly TrialOutcome[],
  old: readonly TrialOutcome[],
  better: Better,
  failedCountsAs: FailedCountsAs,
): BoundedComparison | null {
  const [news, olds] = [intervalsOf(fresh, failedCountsAs), intervalsOf(old, failedCountsAs)];
  if (news.length < 2 || olds.length < 2) return null;
  const all = [...news, ...olds];
  const score = (one: (typeof all)[number]): number =>
    all.reduce((sum, other) => sum + Number(surelyBetter(one, other, better)) - Number(surelyBetter(other, one, better)), 0);
  const pairs = news.flatMap((one) => olds.map((other) => [one, other] as const));
  const ahead = pairs.filter(([one, other]) => surelyBetter(one, other, better)).length;
  const behind = pairs.filter(([one, other]) => surelyBetter(other, one, better)).length;
  const share = (ahead + (pairs.length - ahead - behind) / 2) / pairs.length;
  return { better: ahead, worse: behind, pairs: pairs.length, ...scored(news.map(score), olds.map(score), share) };
}

/**
 * Rungs of an ordered list, greater is better: the same test on mid-ranks; the share is the chance of a higher rung and
 * half that of the same one. null under two on a side.
 */
export function rungComparison(fresh: readonly number[], old: readonly number[]): Scored | null {
  if (fresh.length < 2 || old.length < 2) return null;
  const all = [...fresh, ...old];
  const rank = (rung: number): number =>
    all.filter((other) => other < rung).length + (all.filter((other) => other === rung).length + 1) / 2;
  const points = fresh.flatMap((one) => old.map((other) => (one > other ? 1 : one === other ? 0.5 : 0)));
  const share = points.reduce<number>((sum, point) => sum + point, 0) / points.length;
  return scored(fresh.map(rank), old.map(rank), share);
}

/** Scores whose mean says nothing: the sum of the new ones is held against all ways to split them. */
function scored(fresh: readonly number[], old: readonly number[], share: number): Scored {
  const { p } = permutationTest(fresh, old, "scores");
  const least = leastP([...fresh, ...old], fresh.length);
  return { share, p, least, word: wordOf(share, p, least) };
}

/** The p of the most one-sided split there is. */
function leastP(scores: readonly number[], take: number): number {
  const sorted = [...scores].sort((a, b) => a - b);
  const rest = sorted.length - take;
  return Math.min(
    permutationTest(sorted.slice(0, take), sorted.slice(take), "scores").p,
    permutationTest(sorted.slice(rest), sorted.slice(0, rest), "scores").p,
  );
}

function wordOf(share: number, p: number, least: number): ScoredWord {
  if (least > 0.05) return "too few to tell";
  if (p > 0.05 || share === 0.5) return "cannot tell yet";
  return share > 0.5 ? "helps" : "hurts";
}
