import { instrumentById } from "../quantity/instruments.ts";

/** How one person times by hand, from practice: each value they log is about this much late, and scatters by this much. s */
export interface Timer {
  readonly spread: number;
  readonly bias: number;
}

/** What a hand stopwatch is called among the instruments. */
export const handTimer = "hand stopwatch";

/** Goes that count, and the error from which a go is a missed press and is repeated, s. */
export const practiceGoes = 8;
const missedS = 0.5;

/** A person of whom nothing is known: the spread of one timing, as if seen in so many goes; how far biases lie apart, s. */
const usualSpread = instrumentById(handTimer)?.sigma ?? 0;
const usualGoes = 4;
const biasSpread = 0.1;

/** True for a go that was a missed press: it is repeated. `errorS`: typed less true, s. */
export const isMissed = (errorS: number): boolean => Math.abs(errorS) > missedS;

/**
 * A person's spread and bias from the errors e of their goes (typed less true, s), missed presses left out: the usual
 * variance counts as `usualGoes` goes, s² = (4·0.12² + Σ(e − ē)²)/(4 + n − 1); the bias is drawn towards none,
 * b = ē·nτ²/(nτ² + s²), τ = 0.10 s (normal prior on a mean). null where no go counts.
 */
export function timerFrom(errorsS: readonly number[]): (Timer & { readonly kept: number }) | null {
  const kept = errorsS.filter((error) => !isMissed(error));
  const n = kept.length;
  if (n === 0) return null;
  const mean = kept.reduce((sum, error) => sum + error, 0) / n;
  const squares = kept.reduce((sum, error) => sum + (error - mean) ** 2, 0);
  const variance = (usualGoes * usualSpread ** 2 + squares) / (usualGoes + n - 1);
  const weight = n * biasSpread ** 2;
  return { kept: n, spread: Math.sqrt(variance), bias: (mean * weight) / (weight + variance) };
}
