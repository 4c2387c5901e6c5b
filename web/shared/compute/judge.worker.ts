import {
  type FamilyId,
  familyOfBrief,
  type Measurability,
  measurability,
  type Outcomes,
  power,
  rankingCertainty,
  type Values,
} from "@lampcrate/core";
import { expose } from "comlink";

/** A brief's test, and who would be ranked by it. */
export interface JudgeInput {
  readonly family: FamilyId;
  readonly outcomes: Outcomes;
  readonly spec: Values;
  readonly design: Values;
  readonly rival: Values;
  readonly trials: number;
  readonly instrument: string;
  readonly seen: number | null;
  /** Entrants of a ranked run and how they are scored; null where nobody is ranked. */
  readonly ranked: { readonly entrants: number; readonly scoredBy: "mean" | "best"; readonly seed: string } | null;
}

/** What the test can tell, with the curve of chance against difference; `certainty` of the first rank. */
export interface Judged {
  readonly found: Measurability | null;
  readonly curve: readonly (readonly [difference: number, chance: number])[];
  readonly certainty: number | null;
  readonly tookMs: number;
}

const curvePoints = 36;

const judge = {
  test({ ranked, ...brief }: JudgeInput): Judged {
    const from = performance.now();
    const took = (): { tookMs: number } => ({ tookMs: performance.now() - from });
    const family = familyOfBrief(brief);
    const found = measurability({ ...brief, family });
    if (!found) return { found, curve: [], certainty: null, ...took() };
    const end = 1.6 * Math.max(found.difference, found.least ?? 0, found.sigma);
    const curve =
      brief.trials < 2
        ? []
        : Array.from({ length: curvePoints + 1 }, (_, i) => {
            const difference = (end * i) / curvePoints;
            return [difference, power(brief.trials, difference, found.sigma)] as const;
          });
    const band = family.predict(brief.spec, brief.design).find((p) => p.id === found.measure.id)?.band;
    const certainty =
      ranked && band
        ? rankingCertainty(
            {
              entrants: ranked.entrants,
              trials: brief.trials,
              between: (band.high - band.low) / 2.563,
              within: found.sigma,
              scoredBy: ranked.scoredBy,
            },
            ranked.seed,
          )
        : null;
    return { found, curve, certainty, ...took() };
  },
};

export type JudgeWorker = typeof judge;

expose(judge);
