/**
 * exp and log that give the same last digit on every machine: engines may differ, and the same inputs must
 * give the same crate everywhere. Algorithms of FreeBSD's msun (e_exp.c, e_log.c; after Sun Microsystems, 1993),
 * error below one unit in the last place.
 */

const ln2Hi = 6.9314718036912381649e-1;
const ln2Lo = 1.90821492927058770002e-10;

const scratch = new DataView(new ArrayBuffer(8));

/** 2^k for −1022 ≤ k ≤ 1023. */
function powerOfTwo(k: number): number {
  scratch.setUint32(0, (k + 1023) << 20);
  scratch.setUint32(4, 0);
  return scratch.getFloat64(0);
}

/** e^x; 0 below −745, ∞ above 709.78. */
export function exp(x: number): number {
  if (Number.isNaN(x)) return x;
  if (x > 709.782712893384) return Number.POSITIVE_INFINITY;
  if (x < -745.1332191019411) return 0;
  const k = Math.trunc(x * Math.LOG2E + (x < 0 ? -0.5 : 0.5));
  const hi = x - k * ln2Hi;
  const lo = k * ln2Lo;
  const r = hi - lo;
  const t = r * r;
  const c =
    r -
    t *
      (1.66666666666666019037e-1 +
        t *
          (-2.77777777770155933842e-3 + t * (6.61375632143793436117e-5 + t * (-1.6533902205465251539e-6 + t * 4.13813679705723846039e-8))));
  const y = 1 - (lo - (r * c) / (2 - c) - hi);
  if (k > 1023) return y * 2 * powerOfTwo(k - 1);
  return k < -1021 ? y * powerOfTwo(k + 1000) * powerOfTwo(-1000) : y * powerOfTwo(k);
}

/** Natural logarithm; −∞ at 0, NaN below. */
export function log(x: number): number {
  if (!(x > 0)) return x === 0 ? Number.NEGATIVE_INFINITY : Number.NaN;
  if (x === Number.POSITIVE_INFINITY) return x;
  let k = 0;
  let m = x;
  if (m < 2.2250738585072014e-308) {
    m *= 18014398509481984;
    k = -54;
  }
  scratch.setFloat64(0, m);
  let high = scratch.getUint32(0);
  k += (high >>> 20) - 1023;
  high &= 0xfffff;
  const i = (high + 0x95f64) & 0x100000;
  scratch.setUint32(0, high | (i ^ 0x3ff00000));
  k += i >>> 20;
  const f = scratch.getFloat64(0) - 1;
  const s = f / (2 + f);
  const z = s * s;
  const w = z * z;
  const r =
    w * (3.999999999940941908e-1 + w * (2.222219843214978396e-1 + w * 1.531383769920937332e-1)) +
    z * (6.66666666666673513e-1 + w * (2.857142874366239149e-1 + w * (1.818357216161805012e-1 + w * 1.479819860511658591e-1)));
  const half = 0.5 * f * f;
  return k * ln2Hi - (half - (s * (half + r) + k * ln2Lo) - f);
}

const stirling = [1 / 12, -1 / 360, 1 / 1260, -1 / 1680] as const;

/** ln n! for whole n ≥ 0: summed up to 255, Stirling's series above (error below 1e-13). */
export function logFactorial(n: number): number {
  const small = table[n];
  if (small !== undefined) return small;
  const x = n + 1;
  const inverse = 1 / (x * x);
  const tail = (stirling[0] + inverse * (stirling[1] + inverse * (stirling[2] + inverse * stirling[3]))) / x;
  return (x - 0.5) * log(x) - x + 0.918938533204672742 + tail;
}

const table: readonly number[] = (() => {
  const sums = [0];
  for (let n = 1; n < 256; n += 1) sums.push((sums[n - 1] ?? 0) + log(n));
  return sums;
})();
