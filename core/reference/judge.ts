/** One reference case in the format of the reference files. */
export interface Case {
  readonly id: string;
  readonly family?: string;
  readonly quantity: string;
  readonly input: Record<string, never>;
  readonly expected: unknown;
  readonly tolerance: Tolerance;
}

interface Limits {
  readonly rel?: number;
  readonly abs?: number;
  readonly low?: number | readonly number[];
  readonly high?: number | readonly number[];
  readonly whenExact?: number | readonly number[];
  readonly oneOf?: readonly unknown[];
}

type Tolerance = Limits & { readonly exact?: boolean | readonly string[]; readonly order?: string } & Readonly<Record<string, unknown>>;

/** Where got and expected differ by more than allowed, and the greatest relative deviation seen. */
export interface Judgement {
  readonly ok: boolean;
  readonly deviation: number;
  readonly wrong: readonly string[];
}

/**
 * Compares part by part. Draws are 4,000, so `low`/`high` decide where a case gives them; `whenExact` is for
 * computations without chance and is left alone. Parts expected but not got are wrong; parts got in addition are not.
 */
export function judge(got: unknown, expected: unknown, tolerance: Tolerance): Judgement {
  const wrong: string[] = [];
  let deviation = 0;
  const walk = (g: unknown, e: unknown, t: Tolerance, path: string): void => {
    if (t.oneOf) {
      if (!t.oneOf.some((one) => JSON.stringify(one) === JSON.stringify(g))) wrong.push(path);
    } else if (Array.isArray(e)) {
      if (!Array.isArray(g) || g.length !== e.length) wrong.push(`${path} length`);
      else for (const [i, part] of e.entries()) walk(g[i], part, partOf(t, i), `${path}[${i}]`);
    } else if (e !== null && typeof e === "object") {
      for (const [key, part] of Object.entries(e)) {
        if (g === null || typeof g !== "object") wrong.push(`${path}.${key}`);
        else walk((g as Record<string, unknown>)[key], part, partOf(t, key), `${path}.${key}`);
      }
    } else if (typeof e === "number" && typeof g === "number") {
      deviation = Math.max(deviation, e === 0 ? Math.abs(g) : Math.abs(g / e - 1));
      if (!isNear(g, e, t)) wrong.push(path);
    } else if (g !== e) wrong.push(path);
  };
  walk(got, expected, tolerance, "");
  return { ok: wrong.length === 0, deviation, wrong };
}

const limitKeys = ["rel", "abs", "low", "high", "whenExact", "oneOf", "exact"];

/** Tolerance of one part: its own entry, else the parent's; lists of lows and highs go part by part. */
function partOf(t: Tolerance, key: string | number): Tolerance {
  const own = (t as Record<string, unknown>)[String(key)];
  if (own !== undefined && own !== null && typeof own === "object" && !limitKeys.includes(String(key))) return own as Tolerance;
  const exact = Array.isArray(t.exact) ? t.exact.includes(String(key)) : t.exact;
  const pick = (limit: unknown): unknown =>
    Array.isArray(limit)
      ? limit[Number(key)]
      : limit !== null && typeof limit === "object"
        ? (limit as Record<string, unknown>)[String(key)]
        : limit;
  const part: Record<string, unknown> = {};
  for (const limit of limitKeys) {
    const value = limit === "exact" ? exact : pick(t[limit]);
    if (value !== undefined) part[limit] = value;
  }
  return part as Tolerance;
}

function isNear(g: number, e: number, t: Tolerance): boolean {
  if (typeof t.low === "number" && typeof t.high === "number") return g >= t.low - 1e-9 && g <= t.high + 1e-9;
  if (isOnlyForExact(t)) return true;
  if (t.exact === true) return g === e;
  const apart = Math.abs(g - e);
  return apart <= Math.abs(e) * (t.rel ?? 0) || apart <= (t.abs ?? 0) || g === e;
}

/** A limit for computations without chance alone says nothing of 4,000 draws. */
function isOnlyForExact(t: Tolerance): boolean {
  return t.whenExact !== undefined && t.low === undefined && t.rel === undefined && t.abs === undefined;
}
