import { type HalfHeight, halfHeight } from "../family/landing/ladder.ts";
import type { Family, Measure, Values } from "../family/shape.ts";
import { showQuantity, type UnitChoice } from "../quantity/show.ts";
import { type Survival, survivalOf } from "./outcome/ladder.ts";
import type { TrialOutcome } from "./outcome/trialOutcome.ts";
import type { FindingEntry } from "./runFindings.ts";

/** A ladder over a run: how many of those tried at each setting came through, in all and by form. */
export interface LadderSeen {
  readonly tried: number;
  readonly all: readonly Survival[];
  /** Most tried first; one form alone is not told apart. */
  readonly byForm: readonly { readonly form: string; readonly curve: readonly Survival[] }[];
  /** The setting that half come through, SI, 5 % to 95 %; null where nothing was tried. */
  readonly half: HalfHeight | null;
}

/** What a run's builds came through; null where its trials are no ladder. */
export function ladderSeen(
  family: Family,
  { spec, design }: { readonly spec: Values; readonly design: Values },
  { rungs, setting }: Measure,
  entries: readonly FindingEntry[],
): LadderSeen | null {
  if (!rungs || setting?.kind !== "number") return null;
  const byForm = new Map<string, TrialOutcome[]>();
  for (const entry of entries)
    for (const version of entry.versions) {
      if (version.role !== "build") continue;
      const form = family.formOf(spec, { ...design, ...version.variables });
      byForm.set(form, [...(byForm.get(form) ?? []), ...version.trials]);
    }
  const all = survivalOf([...byForm.values()].flat(), rungs);
  const tried = all.reduce((sum, one) => sum + one.tried, 0);
  const curves = [...byForm]
    .map(([form, trials]) => ({ form, curve: survivalOf(trials, rungs), count: trials.length }))
    .filter(({ curve }) => curve.length > 0)
    .sort((a, b) => b.count - a.count);
  return {
    tried,
    all,
    byForm: curves.length < 2 ? [] : curves.map(({ form, curve }) => ({ form, curve })),
    half: tried === 0 ? null : halfOf(all, family.ladder?.(spec)),
  };
}

function halfOf(all: readonly Survival[], ends: { readonly first: number; readonly last: number } | undefined): HalfHeight {
  const drops = all.flatMap(({ at, tried, through }) => Array.from({ length: tried }, (_, i) => ({ heightM: at, survived: i < through })));
  return halfHeight(ends?.first ?? all[0]?.at ?? 1, ends?.last ?? all.at(-1)?.at ?? 1, drops);
}

/** A ladder in a sentence or two. */
export function ladderWords({ tried, half }: LadderSeen, { rungs, setting }: Measure, units: UnitChoice): readonly string[] {
  if (half === null || !rungs || setting?.kind !== "number") return [];
  const show = (si: number): string => showQuantity(si, setting.dimension, units);
  const least = rungs.steps[rungs.asked] ?? "";
  const good = rungs.asked === 0 ? `“${least}”` : `“${least}” or better`;
  return [
    `Half come through ${good} at about ${show(half.h50M)} (${show(half.lowM)} to ${show(half.highM)}, nine times in ten), from ${tried} ${tried === 1 ? "trial" : "trials"}.`,
  ];
}
