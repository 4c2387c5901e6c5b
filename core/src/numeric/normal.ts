/** P(Z ≤ z): complementary error function as a series and a continued fraction; absolute error below 1e-15. */
export function normalBelow(z: number): number {
  const x = Math.abs(z);
  if (x > 38) return z > 0 ? 1 : 0;
  let below: number;
  if (x < 3) {
    let term = x;
    let sum = x;
    for (let k = 1; k < 200 && Math.abs(term) > 1e-17 * sum; k += 1) {
      term *= (x * x) / (2 * k + 1);
      sum += term;
    }
    below = 0.5 + (sum * Math.exp(-0.5 * x * x)) / Math.sqrt(2 * Math.PI);
  } else {
    let f = 0;
    for (let k = 80; k > 0; k -= 1) f = k / (x + f);
    below = 1 - Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI) / (x + f);
  }
  return z > 0 ? below : 1 - below;
}
