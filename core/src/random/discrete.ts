import { exp, log, logFactorial } from "../numeric/elementary.ts";

/** Cumulative probabilities from `first` upward; the tails left out hold less than 1e-12. */
interface Table {
  readonly first: number;
  readonly cumulative: Float64Array;
  /** Where to look for u: for each of `guideSteps` equal parts of 0 to 1, the first place at or above its lower end. */
  readonly guide: Uint16Array;
}

const guideSteps = 64;

/**
 * A count whose probabilities follow P(k + 1)/P(k) = a + b/(k + 1) (Panjer's class): binomial, negative binomial and
 * Poisson are its members.
 */
interface Shape {
  readonly a: number;
  readonly b: number;
  readonly mode: number;
  readonly atMode: number;
}

const negligible = 1e-15;

/** Room for probabilities on the way up and down; grows when a distribution is wider. */
let upward = new Float64Array(1024);
let downward = new Float64Array(1024);

function tabulate({ a, b, mode, atMode }: Shape): Table {
  let below = 0;
  for (let k = mode, p = atMode; k > 0; k -= 1) {
    p *= k / (a * k + b);
    if (p < negligible) break;
    if (below === downward.length) downward = wider(downward);
    downward[below] = p;
    below += 1;
  }
  let above = 0;
  for (let k = mode + 1, p = atMode; ; k += 1) {
    p *= (a * k + b) / k;
    if (!(p >= negligible)) break;
    if (above === upward.length) upward = wider(upward);
    upward[above] = p;
    above += 1;
  }
  const cumulative = new Float64Array(below + 1 + above);
  let sum = 0;
  for (let i = 0; i < below; i += 1) {
    sum += downward[below - 1 - i] ?? 0;
    cumulative[i] = sum;
  }
  sum += atMode;
  cumulative[below] = sum;
  for (let i = 0; i < above; i += 1) {
    sum += upward[i] ?? 0;
    cumulative[below + 1 + i] = sum;
  }
  return { first: mode - below, cumulative, guide: guideOf(cumulative) };
}

function guideOf(cumulative: Float64Array): Uint16Array {
  const guide = new Uint16Array(guideSteps);
  let place = 0;
  for (let step = 0; step < guideSteps; step += 1) {
    while (place < cumulative.length - 1 && (cumulative[place] ?? 1) < step / guideSteps) place += 1;
    guide[step] = place;
  }
  return guide;
}

function wider(room: Float64Array): Float64Array<ArrayBuffer> {
  const more = new Float64Array(room.length * 2);
  more.set(room);
  return more;
}

/** The smallest count whose cumulative probability is at least u. */
function invert({ cumulative, guide, first }: Table, u: number): number {
  const last = cumulative.length - 1;
  let place = guide[Math.floor(u * guideSteps)] ?? 0;
  while (place < last && (cumulative[place] ?? 1) < u) place += 1;
  return first + place;
}

/** Draws by inversion, one uniform a draw, so that results move smoothly and in order with their parameters; tables are kept by size. */
export class BinomialDraws {
  private readonly tables: (Table | undefined)[] = [];
  constructor(private readonly p: number) {}

  /** Successes of n trials. */
  at(n: number, u: number): number {
    if (n <= 0 || this.p <= 0) return 0;
    if (this.p >= 1) return n;
    let table = this.tables[n];
    if (!table) {
      table = tabulate(binomial(n, this.p));
      this.tables[n] = table;
    }
    return invert(table, u);
  }
}

/** Successes of a negative binomial that share one table. */
const block = 64;

/**
 * Failures before the g-th success, success 1 − p. Whole blocks of successes and the rest are drawn apart and added,
 * which is the same distribution, so that a hundred tables serve thousands of sizes.
 */
export class NegativeBinomialDraws {
  private readonly tables: (Table | undefined)[] = [];
  constructor(private readonly p: number) {}

  /** `u` draws the blocks, `v` the rest. */
  at(g: number, u: number, v: number): number {
    if (g <= 0 || this.p <= 0) return 0;
    const rest = g % block;
    return (g >= block ? invert(this.tableOf(g - rest), u) : 0) + (rest > 0 ? invert(this.tableOf(rest), v) : 0);
  }

  private tableOf(g: number): Table {
    let table = this.tables[g];
    if (!table) {
      table = tabulate(negativeBinomial(g, this.p));
      this.tables[g] = table;
    }
    return table;
  }
}

/** Poisson counts of one mean. */
export class PoissonDraws {
  private readonly table: Table | null;
  constructor(mean: number) {
    this.table = mean > 0 ? tabulate(poisson(mean)) : null;
  }

  at(u: number): number {
    return this.table ? invert(this.table, u) : 0;
  }
}

function binomial(n: number, p: number): Shape {
  const odds = p / (1 - p);
  const mode = Math.min(n, Math.floor((n + 1) * p));
  const ln = logFactorial(n) - logFactorial(mode) - logFactorial(n - mode) + mode * log(p) + (n - mode) * log(1 - p);
  return { a: -odds, b: (n + 1) * odds, mode, atMode: exp(ln) };
}

function negativeBinomial(g: number, p: number): Shape {
  const mode = g > 1 ? Math.floor(((g - 1) * p) / (1 - p)) : 0;
  const ln = logFactorial(mode + g - 1) - logFactorial(mode) - logFactorial(g - 1) + g * log(1 - p) + mode * log(p);
  return { a: p, b: (g - 1) * p, mode, atMode: exp(ln) };
}

function poisson(mean: number): Shape {
  const mode = Math.floor(mean);
  return { a: 0, b: mean, mode, atMode: exp(mode * log(mean) - mean - logFactorial(mode)) };
}
