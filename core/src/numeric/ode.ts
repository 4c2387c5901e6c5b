/** What a step needs of an equation of motion: writes the rates of `state` into `rates`. */
export type Rates = (state: Float64Array, rates: Float64Array) => void;

export interface Course {
  /** States after each accepted step, the start first and the event's last; each [t, …state]. */
  readonly points: readonly (readonly number[])[];
  /** True when `until` came down to 0 before the time was over. */
  readonly reached: boolean;
}

interface CourseOptions {
  /** Falls from above 0 to 0 where the course ends. */
  readonly until: (state: Float64Array) => number;
  /** Longest time followed, s. */
  readonly maxS: number;
  /** Longest step, s. */
  readonly maxStepS?: number;
  readonly tolerance?: number;
}

/** Dormand and Prince's pairs of orders 5 and 4 (J. Comp. Appl. Math. 6, 1980). */
const nodes = [
  [1 / 5],
  [3 / 40, 9 / 40],
  [44 / 45, -56 / 15, 32 / 9],
  [19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
  [9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
  [35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84],
] as const;
const apart = [71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40] as const;

/**
 * Follows dy/dt = f(y) from `start` with adaptive steps until the event, which is met by shortening the last step. Deterministic: no clock, no chance.
 */
export function follow(rates: Rates, start: readonly number[], options: CourseOptions): Course {
  const { until, maxS, maxStepS = 0.05, tolerance = 1e-9 } = options;
  const n = start.length;
  const k = Array.from({ length: 7 }, () => new Float64Array(n));
  const at = (i: number): Float64Array => k[i] ?? new Float64Array(n);
  const work = new Float64Array(n);
  let state = Float64Array.from(start);
  let t = 0;
  let h = Math.min(maxStepS, 1e-3);
  const points: number[][] = [[0, ...state]];

  /** One step of h from `state` into `work`; gives the error against the tolerance. */
  const step = (size: number): number => {
    rates(state, at(0));
    for (const [stage, weights] of nodes.entries()) {
      for (let i = 0; i < n; i += 1) {
        let sum = 0;
        for (let j = 0; j < weights.length; j += 1) sum += (weights[j] ?? 0) * (at(j)[i] ?? 0);
        work[i] = (state[i] ?? 0) + size * sum;
      }
      rates(work, at(stage + 1));
    }
    let worst = 0;
    for (let i = 0; i < n; i += 1) {
      let off = 0;
      for (let j = 0; j < 7; j += 1) off += (apart[j] ?? 0) * (at(j)[i] ?? 0);
      worst = Math.max(worst, Math.abs(size * off) / (tolerance * (1 + Math.abs(work[i] ?? 0))));
    }
    return worst;
  };

  /** Part of a step at which the event falls to 0: the Illinois rule, which halves the side that stays. */
  const meet = (size: number): number => {
    let [low, high] = [0, 1];
    let [before, after] = [until(state), until(work)];
    let stayed = 0;
    for (let i = 0; i < 80 && high - low > 1e-12; i += 1) {
      const part = i < 40 && before > after ? low + ((high - low) * before) / (before - after) : (low + high) / 2;
      step(size * part);
      const value = until(work);
      if (Math.abs(value) < 1e-13) return part;
      if (value > 0) {
        [low, before] = [part, value];
        if (stayed > 0) after /= 2;
        stayed = 1;
      } else {
        [high, after] = [part, value];
        if (stayed < 0) before /= 2;
        stayed = -1;
      }
    }
    return high;
  };

  while (t < maxS) {
    const size = Math.min(h, maxS - t);
    const error = step(size);
    if (error > 1) {
      h = Math.max(size * Math.max(0.2, 0.9 * error ** -0.2), 1e-9);
      continue;
    }
    if (until(work) <= 0) {
      const part = meet(size);
      step(size * part);
      points.push([t + size * part, ...work]);
      return { points, reached: true };
    }
    t += size;
    state = Float64Array.from(work);
    points.push([t, ...state]);
    h = Math.min(maxStepS, size * Math.min(5, 0.9 * Math.max(error, 1e-10) ** -0.2));
  }
  return { points, reached: false };
}
