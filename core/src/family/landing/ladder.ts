/** One drop of a ladder of heights. */
export interface LadderDrop {
  readonly heightM: number;
  readonly survived: boolean;
}

/** Height that half survive, with its 5 % to 95 % interval, m. */
export interface HalfHeight {
  readonly h50M: number;
  readonly lowM: number;
  readonly highM: number;
}

const heightSteps = 401;
const steepSteps = 81;

/**
 * Posterior of h50 on a grid: P(survive at h) = 1/(1 + (h/h50)^κ); priors ln h50 ~ N(ln √(h_lo h_hi), 1),
 * ln κ ~ N(ln 6, 0.5²); ln h50 ± 4 in steps of 0.02, ln κ ± 2 in steps of 0.05; trapezoid CDF, linear between points.
 */
export function halfHeight(lowestM: number, highestM: number, drops: readonly LadderDrop[]): HalfHeight {
  const middle = Math.log(Math.sqrt(lowestM * highestM));
  const logs = Array.from({ length: heightSteps }, (_, i) => middle - 4 + 0.02 * i);
  const weights = logs.map((logHalf) => {
    let sum = 0;
    for (let j = 0; j < steepSteps; j += 1) {
      const off = -2 + 0.05 * j;
      const kappa = Math.exp(Math.log(6) + off);
      let logLike = -(off ** 2) / (2 * 0.5 ** 2);
      for (const { heightM, survived } of drops) logLike -= softPlus((survived ? 1 : -1) * kappa * (Math.log(heightM) - logHalf));
      sum += Math.exp(logLike) * (j === 0 || j === steepSteps - 1 ? 0.5 : 1);
    }
    return sum * Math.exp(-((logHalf - middle) ** 2) / 2);
  });
  const below = [0];
  for (let i = 1; i < heightSteps; i += 1) below.push((below[i - 1] ?? 0) + ((weights[i - 1] ?? 0) + (weights[i] ?? 0)) / 2);
  const at = (share: number): number => {
    const wanted = share * (below.at(-1) ?? 1);
    const i = Math.max(
      1,
      below.findIndex((sum) => sum >= wanted),
    );
    const [a = 0, b = 0] = [below[i - 1], below[i]];
    return Math.exp((logs[i - 1] ?? 0) + 0.02 * (b > a ? (wanted - a) / (b - a) : 0));
  };
  return { h50M: at(0.5), lowM: at(0.05), highM: at(0.95) };
}

/** ln(1 + e^x) without overflow. */
function softPlus(x: number): number {
  return x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x));
}

/** Rungs of ×1.25 from the first height to the last, m. */
export function rungs(lowestM: number, highestM: number): readonly number[] {
  const list: number[] = [];
  for (let h = lowestM; h <= highestM * 1.0001; h *= 1.25) list.push(h);
  return list;
}
