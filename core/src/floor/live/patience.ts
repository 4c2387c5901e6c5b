import type { DropIn } from "../dropIn.ts";
import { rehearse } from "../rehearse.ts";
import { roundTo } from "../shares.ts";
import { dayFromPast, type FloorDay } from "./learn.ts";

/** Simulated days that a guess of patience is held against. */
const days = 400;
/** Builders that the day as it was thought counts for beside those who were counted. */
const priorHeads = 60;
/** Nobody is thought to wait longer, mean min. */
const longest = 120;

const shareAway = (day: DropIn, patienceMeanMin: number, seed: number): number =>
  rehearse({ ...day, patienceMeanMin }, days, seed).turnedAwayShare.value;

/**
 * Mean patience at which as large a share of builders goes away again as was counted, all else as in the day: halved
 * between 0 and two hours against the same simulated days, to a quarter of a minute. Nobody taps when somebody begins to
 * wait: who left is all there is to learn it from. The day as it was thought counts for 60 builders. Where seats are
 * endless, or patience is, it stays as it was.
 */
export function patienceFrom(past: readonly FloorDay[], day: DropIn, seed: number): number | null {
  const before = day.patienceMeanMin;
  if (before === null || day.seats === null || past.length === 0) return before;
  const away = past.reduce((sum, { turnedAway }) => sum + turnedAway, 0);
  const heads = past.reduce((sum, one) => sum + one.heads, 0);
  const share = (away + priorHeads * shareAway(day, before, seed)) / (away + heads + priorHeads);
  let [low, high] = [0, longest];
  if (shareAway(day, low, seed) <= share) return low;
  if (shareAway(day, high, seed) >= share) return high;
  while (high - low > 0.25) {
    const middle = (low + high) / 2;
    // The more patient they are, the fewer go.
    if (shareAway(day, middle, seed) > share) low = middle;
    else high = middle;
  }
  return roundTo((low + high) / 2, 1);
}

/** A rehearsed day as counted days have it, patience too: parties, profile, sizes, build and test first, then who left. */
export function dayAsCounted(past: readonly FloorDay[], before: DropIn, seed: number): Partial<DropIn> {
  const learned = dayFromPast(past, before);
  return { ...learned, patienceMeanMin: patienceFrom(past, { ...before, ...learned }, seed) };
}
