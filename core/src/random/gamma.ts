import { exp, log } from "../numeric/elementary.ts";
import { normalQuantile } from "./normal.ts";
import { uniformAt } from "./stream.ts";

/**
 * One Gamma(shape, 1) number of a draw of a stream; shape > 0. Marsaglia and Tsang (2000); below shape 1 by
 * the usual power of a uniform. Rejections stay inside the draw: no other draw moves.
 */
export function gammaAt(shape: number, seed: number, draw: number): number {
  if (shape < 1) {
    const boost = exp(log(uniformAt(seed, draw, 999)) / shape);
    return gammaAt(shape + 1, seed, draw) * boost;
  }
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (let place = 0; ; place += 2) {
    const x = normalQuantile(uniformAt(seed, draw, place));
    const t = 1 + c * x;
    if (t <= 0) continue;
    const v = t * t * t;
    const u = uniformAt(seed, draw, place + 1);
    const x2 = x * x;
    if (u < 1 - 0.0331 * x2 * x2 || log(u) < 0.5 * x2 + d * (1 - v + log(v))) return d * v;
  }
}
