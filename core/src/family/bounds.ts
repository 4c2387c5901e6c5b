/** An inclusive range, SI; −∞ or ∞ where nothing bounds it. */
export type Range = readonly [low: number, high: number];

/** What is impossible (outside hard) and what is rare (outside soft), SI. */
export interface Bounds {
  readonly hard: Range;
  readonly soft: Range;
}

/** Where a result was made, for the bounds that every family shares. */
export interface Place {
  /** Longest straight line of the room, m. */
  readonly roomLengthM?: number | undefined;
  /** m */
  readonly ceilingM?: number | undefined;
  readonly indoors?: boolean | undefined;
}

/** What a number measures, for the bounds that every family shares. */
export type Quality = "time" | "distance" | "height" | "load" | "sag" | "count";

/**
 * Bounds that hold for every family: never negative, a time never 0, a distance not beyond the longest
 * straight line of the room, a height not above its ceiling; each yields 3 instrument sd.
 */
export function commonHard(quality: Quality, sd: number, place: Place = {}): Range {
  const low = quality === "time" ? Number.MIN_VALUE : 0;
  if (quality === "distance" && place.roomLengthM !== undefined) return [low, place.roomLengthM + 3 * sd];
  if (quality === "height" && place.ceilingM !== undefined) return [low, place.ceilingM + 3 * sd];
  return [low, Number.POSITIVE_INFINITY];
}

/** The tighter of two ranges on each side. */
export function tightest(a: Range, b: Range): Range {
  return [Math.max(a[0], b[0]), Math.min(a[1], b[1])];
}

/** The usual soft rule: rare above mid · f² where more is harder, yielding 3 instrument sd; a poor result is never rare. */
export function usualSoft(mid: number, factor: number, sd: number): Range {
  return [0, mid * factor * factor + 3 * sd];
}

/** True when the value is outside the range, 1e-9 relative allowed, or is no finite number. */
export function isOutside(value: number, [low, high]: Range): boolean {
  return !Number.isFinite(value) || value < low - Math.abs(low) * 1e-9 || value > high + Math.abs(high) * 1e-9;
}
