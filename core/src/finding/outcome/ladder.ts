import type { Measure, NumberField } from "../../family/shape.ts";
import { rungComparison, type Scored } from "./boundedComparison.ts";
import type { TrialOutcome } from "./trialOutcome.ts";

/** The place in its list of how a trial came out, the best 0; a failed one is at the last. null where it was not judged so. */
export function rungOf(outcome: TrialOutcome, { steps }: NonNullable<Measure["rungs"]>): number | null {
  if (outcome.kind === "rung") return outcome.rung;
  if (outcome.kind === "failed") return steps.length - 1;
  return outcome.kind === "passed" ? 0 : null;
}

/** A trial at its setting, and whether it came through well enough. */
interface Tried {
  readonly at: number;
  readonly through: boolean;
}

function triedAt(trials: readonly TrialOutcome[], rungs: NonNullable<Measure["rungs"]>): readonly Tried[] {
  return trials.flatMap((trial) => {
    const rung = rungOf(trial, rungs);
    return rung === null || typeof trial.at !== "number" ? [] : [{ at: trial.at, through: rung <= rungs.asked }];
  });
}

/**
 * A ladder's trials as one result: the most it came through, and the least above that at which it did not. A failure
 * below what it came through elsewhere is no bound. Nothing where no trial has its setting.
 */
export function ladderOutcome(trials: readonly TrialOutcome[], rungs: NonNullable<Measure["rungs"]>): readonly TrialOutcome[] {
  const tried = triedAt(trials, rungs);
  if (tried.length === 0) return [];
  const held = tried.filter(({ through }) => through).reduce<number | null>((most, { at }) => Math.max(most ?? at, at), null);
  const broke = tried
    .filter(({ at, through }) => !through && (held === null || at > held))
    .reduce<number | null>((least, { at }) => Math.min(least ?? at, at), null);
  if (held === null) return broke === null ? [] : [{ kind: "below", value: broke }];
  return [broke === null ? { kind: "atLeast", value: held } : { kind: "between", held, failed: broke }];
}

/** Rungs of two versions at one setting, and which. */
export interface RungTest extends Scored {
  /** SI, or a choice's id; null where nothing varies. */
  readonly at: number | string | null;
  readonly pairs: number;
}

/** Compares rungs at the setting that both versions tried most often; null where none has two trials on each side. */
export function rungTest(
  fresh: readonly TrialOutcome[],
  old: readonly TrialOutcome[],
  { rungs, setting }: Pick<Measure, "rungs" | "setting">,
): RungTest | null {
  if (!rungs) return null;
  const score = (trials: readonly TrialOutcome[]): readonly number[] =>
    trials.flatMap((trial) => {
      const rung = rungOf(trial, rungs);
      return rung === null ? [] : [rungs.steps.length - 1 - rung];
    });
  const [at, news, olds] = mostShared(fresh, old, setting !== undefined);
  const [a, b] = [score(news), score(olds)];
  const test = rungComparison(a, b);
  return test === null ? null : { ...test, at, pairs: a.length * b.length };
}

/** Trials of two versions at the one setting with the most pairs; all of them where nothing varies. */
export function mostShared(
  fresh: readonly TrialOutcome[],
  old: readonly TrialOutcome[],
  varies: boolean,
): readonly [at: number | string | null, fresh: readonly TrialOutcome[], old: readonly TrialOutcome[]] {
  if (!varies) return [null, fresh, old];
  const settings = [...new Set(fresh.map(({ at }) => at))].filter((at) => at !== undefined);
  const pick = (trials: readonly TrialOutcome[], at: number | string) => trials.filter((trial) => trial.at === at);
  return settings
    .map((at) => [at, pick(fresh, at), pick(old, at)] as const)
    .reduce<readonly [number | string | null, readonly TrialOutcome[], readonly TrialOutcome[]]>(
      (best, one) => (one[1].length * one[2].length > best[1].length * best[2].length ? one : best),
      [null, [], []],
    );
}

/** How many of those tried at each setting came through, lowest first. */
export interface Survival {
  readonly at: number;
  readonly tried: number;
  readonly through: number;
}

/** A ladder's curve over many trials. */
export function survivalOf(trials: readonly TrialOutcome[], rungs: NonNullable<Measure["rungs"]>): readonly Survival[] {
  const byHeight = new Map<number, Survival>();
  for (const { at, through } of triedAt(trials, rungs)) {
    const known = byHeight.get(at) ?? { at, tried: 0, through: 0 };
    byHeight.set(at, { at, tried: known.tried + 1, through: known.through + (through ? 1 : 0) });
  }
  return [...byHeight.values()].sort((a, b) => a.at - b.at);
}

/** From one rung of a ladder of settings to the next. */
const rise = 1.25;

/** The setting to try next: a rung up after the last came through, one down after it did not; to the field's step, within its ends. */
export function nextSetting(
  trials: readonly TrialOutcome[],
  rungs: NonNullable<Measure["rungs"]>,
  { min, max, step }: Pick<NumberField, "min" | "max" | "step">,
  first: number,
): number {
  const last = triedAt(trials, rungs).at(-1);
  const wish = last === undefined ? first : last.through ? last.at * rise : last.at / rise;
  // A step that is coarser than the rung still moves.
  const moved = last === undefined ? wish : last.through ? Math.max(wish, last.at + step) : Math.min(wish, last.at - step);
  return Math.min(max, Math.max(min, Math.round(moved / step) * step));
}
