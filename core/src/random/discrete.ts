import { exp, log, logFactorial } from "../numeric/elementary.ts";

/** Cumulative probabilities from `first` upward; the tails left out hold less than 1e-14. */
interface Table {
  readonly first: number;
  readonly cumulative: Float64Array;
}

/** Probability of the mode and of the step to the next value up and down. */
interface Shape {
  readonly mode: number;
  readonly atMode: number;
  readonly up: (k: number) => number;
  readonly down: (k: number) => number;
}

const negligible = 1e-17;

function tabulate(shape: Shape): Table {
  const below: number[] = [];
  for (let k = shape.mode, p = shape.atMode; k > 0; k -= 1) {
    p *= shape.down(k);
    if (p < negligible) break;
    below.push(p);
  }
  const weights = [...below.reverse(), shape.atMode];
  for (let k = shape.mode, p = shape.atMode; ; k += 1) {
    p *= shape.up(k);
    if (p < negligible) break;
    weights.push(p);
  }
  const cumulative = new Float64Array(weights.length);
  let sum = 0;
  for (const [i, weight] of weights.entries()) {
    sum += weight;
    cumulative[i] = sum;
  }
  return { first: shape.mode - below.length, cumulative };
}

function invert(table: Table, u: number): number {
  const { cumulative } = table;
  let low = 0;
  let high = cumulative.length - 1;
  while (low < high) {
    const half = (low + high) >>> 1;
    if ((cumulative[half] ?? 1) < u) low = half + 1;
    else high = half;
  }
  return table.first + low;
}

/** Draws by inversion, one uniform a draw, so that results move smoothly and in order with their parameters; tables are kept per size. */
export class BinomialDraws {
  private readonly tables = new Map<number, Table>();
  constructor(private readonly p: number) {}

  /** Successes of n trials. */
  at(n: number, u: number): number {
    if (n <= 0 || this.p <= 0) return 0;
    if (this.p >= 1) return n;
    let table = this.tables.get(n);
    if (!table) {
      table = tabulate(binomial(n, this.p));
      this.tables.set(n, table);
    }
    return invert(table, u);
  }
}

/** Failures before the g-th success, success 1 − p. */
export class NegativeBinomialDraws {
  private readonly tables = new Map<number, Table>();
  constructor(private readonly p: number) {}

  at(g: number, u: number): number {
    if (g <= 0 || this.p <= 0) return 0;
    let table = this.tables.get(g);
    if (!table) {
      table = tabulate(negativeBinomial(g, this.p));
      this.tables.set(g, table);
    }
    return invert(table, u);
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
  return {
    mode,
    atMode: exp(ln),
    up: (k) => ((n - k) / (k + 1)) * odds,
    down: (k) => k / (n - k + 1) / odds,
  };
}

function negativeBinomial(g: number, p: number): Shape {
  const mode = g > 1 ? Math.floor(((g - 1) * p) / (1 - p)) : 0;
  const ln = logFactorial(mode + g - 1) - logFactorial(mode) - logFactorial(g - 1) + g * log(1 - p) + mode * log(p);
  return {
    mode,
    atMode: exp(ln),
    up: (k) => ((k + g) / (k + 1)) * p,
    down: (k) => k / (k + g - 1) / p,
  };
}

function poisson(mean: number): Shape {
  const mode = Math.floor(mean);
  return {
    mode,
    atMode: exp(mode * log(mean) - mean - logFactorial(mode)),
    up: (k) => mean / (k + 1),
    down: (k) => k / mean,
  };
}
