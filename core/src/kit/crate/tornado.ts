import { betaQuantile } from "../../numeric/beta.ts";
import { drawHeads } from "../draws/heads.ts";
import { quantileOf } from "../draws/rounding.ts";
import type { CrateInput } from "./crate.ts";
import { crateCosts, usualDraws } from "./manifest.ts";

export type Factor = "attendance" | "certainty" | "rebuild" | "spoil";

/** What the crate costs with one factor at its low and at its high end, cents. */
export interface Swing {
  readonly factor: Factor;
  readonly low: number;
  readonly high: number;
  /** The ends in the factor's own terms: heads of a session, shares. */
  readonly ends: readonly [low: number, high: number];
}

/** Which factor moves the crate's cost most; widest first. Cents. */
export interface Tornado {
  readonly base: number;
  readonly swings: readonly Swing[];
}

/** A rate's 5 % and 95 % when it is known as well as ten observations say. */
function endsOf(rate: number): readonly [number, number] {
  const [a, b] = [10 * rate, 10 * (1 - rate)];
  return a <= 0 || b <= 0 ? [rate, rate] : [betaQuantile(0.05, a, b), betaQuantile(0.95, a, b)];
}

/**
 * Σ quantity × unit price at the common rank, the same random numbers throughout: attendance with every draw × N₁₀/N₅₀
 * and × N₉₀/N₅₀; rebuild and all spoil rates at the ends of their intervals; certainty at 0.80 and 0.99.
 */
export function tornadoOf(input: CrateInput): Tornado {
  const cost = (changed: Partial<CrateInput>): number => crateCosts({ ...input, ...changed }, [changed.target ?? input.target])[0] ?? 0;
  const scales = input.sessions.map((session) => {
    const sorted = drawHeads(session.heads, session.id, input.draws ?? usualDraws).sort();
    const median = quantileOf(sorted, 0.5);
    return { low: quantileOf(sorted, 0.1), median, high: quantileOf(sorted, 0.9) };
  });
  const attended = (end: "low" | "high"): Partial<CrateInput> => ({
    sessions: input.sessions.map((session, i) => {
      const scale = scales[i];
      return { ...session, scale: scale && scale.median > 0 ? scale[end] / scale.median : 1 };
    }),
  });
  const heads = (end: "low" | "high"): number => scales.reduce((sum, scale) => sum + scale[end], 0);
  const rebuild = endsOf(input.rebuilding.rate);
  const spoilt = (end: 0 | 1): Partial<CrateInput> => ({
    lines: input.lines.map((line) => (line.kind === "counted" ? { ...line, spoilRate: endsOf(line.spoilRate)[end] } : line)),
  });
  const spoils = input.lines.flatMap((line) => (line.kind === "counted" ? [endsOf(line.spoilRate)] : []));
  const mean = (end: 0 | 1): number => spoils.reduce((sum, ends) => sum + ends[end], 0) / Math.max(1, spoils.length);
  const rebuilt = (rate: number): Partial<CrateInput> => ({ rebuilding: { ...input.rebuilding, rate } });
  const swings: Swing[] = [
    { factor: "attendance", low: cost(attended("low")), high: cost(attended("high")), ends: [heads("low"), heads("high")] },
    { factor: "rebuild", low: cost(rebuilt(rebuild[0])), high: cost(rebuilt(rebuild[1])), ends: rebuild },
    { factor: "spoil", low: cost(spoilt(0)), high: cost(spoilt(1)), ends: [mean(0), mean(1)] },
    { factor: "certainty", low: cost({ target: 0.8 }), high: cost({ target: 0.99 }), ends: [0.8, 0.99] },
  ];
  return { base: cost({}), swings: swings.sort((a, b) => Math.abs(b.high - b.low) - Math.abs(a.high - a.low)) };
}

/** What the crate costs at each certainty, cents: one set of draws for all. */
export function certaintyCurve(input: CrateInput, targets: readonly number[]): readonly (readonly [target: number, cost: number])[] {
  const costs = crateCosts(input, targets);
  return targets.map((target, i) => [target, costs[i] ?? 0]);
}
