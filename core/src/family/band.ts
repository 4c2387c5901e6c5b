/** A rough guess: 8 of 10 results are meant to fall between low and high. SI. */
export interface Band {
  readonly mid: number;
  readonly low: number;
  readonly high: number;
  /** low = mid / factor, high = mid · factor, before anything physical cuts them. */
  readonly factor: number;
  /** Above this nothing is reckoned with: a value there is "more than" it. */
  readonly beyond?: number | undefined;
}

/** A band in words, its middle first: "about 1.2 m (80 cm to 1.8 m)", "more than 8 m". */
export function bandWords({ mid, low, high, factor, beyond = Number.POSITIVE_INFINITY }: Band, show: (si: number) => string): string {
  if (mid >= beyond) return `more than ${show(beyond)}${low < beyond ? `, ${show(low)} at the least` : ""}`;
  return factor > 1 ? `about ${show(mid)} (${show(low)} to ${high >= beyond ? "more than " : ""}${show(high)})` : `about ${show(mid)}`;
}

/** A band by its central value and factor. */
export function band(mid: number, factor: number, cut: { readonly atLeast?: number; readonly atMost?: number } = {}): Band {
  const clamp = (x: number): number => Math.min(Math.max(x, cut.atLeast ?? x), cut.atMost ?? x);
  return { mid, low: clamp(mid / factor), high: clamp(mid * factor), factor };
}

/** 90th percentile of the standard normal, as the models print it. */
const z90 = 1.2815516;

/**
 * What checked results teach about a family and form: a factor on every prediction and a new band factor.
 * `ratios` are measured / mid of checked entries, all > 0, each weighing as it is alike. Half of the log variance is a shared bias.
 */
export function calibration(factor: number, ratios: readonly CheckedRatio[]): { factor: number; f: number } {
  const n = weightOf(ratios);
  if (n === 0) return { factor: 1, f: factor };
  const sum = ratios.reduce<number>((so, one) => so + weightIn(one) * Math.log(typeof one === "number" ? one : one.ratio), 0);
  const s = Math.log(factor) / z90;
  return { factor: Math.exp(sum / (n + 1)), f: Math.exp(z90 * s * Math.sqrt(0.5 + 0.5 / (n + 1))) };
}

/** What a checked result was, as a ratio to what was predicted; a bare number teaches fully, one of a build less alike by its weight, 0 to 1. */
export type CheckedRatio = number | { readonly ratio: number; readonly weight: number };

const weightIn = (one: CheckedRatio): number => (typeof one === "number" ? 1 : one.weight);

/** How many results of the very same build these are worth. */
export const weightOf = (ratios: readonly CheckedRatio[]): number => ratios.reduce<number>((sum, one) => sum + weightIn(one), 0);
