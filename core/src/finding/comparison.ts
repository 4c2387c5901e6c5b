/** What one version was tested as. Variables are SI numbers or words; null or missing is blank. */
export interface TestedAs {
  readonly measure: string;
  readonly instrument: string;
  readonly tier?: string | null | undefined;
  readonly spec: Readonly<Record<string, number | string>>;
  readonly variables: Readonly<Record<string, number | string | null>>;
  /** Place, surface and launcher: another one is not comparable. */
  readonly place?: string | null | undefined;
  readonly surface?: string | null | undefined;
  readonly launcher?: string | null | undefined;
}

/** How two versions may be compared. */
export type ComparisonKind = "not comparable" | "unclear" | "repeat" | "fair test" | "redesign";

/** The kind, and the variables that differ (when unclear: those blank in one only), by name. */
export interface Comparison {
  readonly kind: ComparisonKind;
  readonly changed: readonly string[];
}

/**
 * Only a change of exactly one declared variable, with the same measure, instrument, tier, spec, place, surface
 * and launcher, is a fair test. Numbers differ beyond 1e-9 relative; words after trimming, ignoring case.
 */
export function comparisonKind(old: TestedAs, fresh: TestedAs): Comparison {
  const same =
    old.measure === fresh.measure &&
    old.instrument === fresh.instrument &&
    isSame(old.tier, fresh.tier) &&
    isSame(old.place, fresh.place) &&
    isSame(old.surface, fresh.surface) &&
    isSame(old.launcher, fresh.launcher) &&
    keys(old.spec, fresh.spec).every((key) => isSame(old.spec[key], fresh.spec[key]));
  if (!same) return { kind: "not comparable", changed: [] };
  const names = keys(old.variables, fresh.variables);
  const oneBlank = names.filter((name) => isBlank(old.variables[name]) !== isBlank(fresh.variables[name]));
  if (oneBlank.length > 0) return { kind: "unclear", changed: oneBlank };
  const changed = names.filter((name) => !isSame(old.variables[name], fresh.variables[name]));
  if (changed.length === 0) return { kind: "repeat", changed };
  return { kind: changed.length === 1 ? "fair test" : "redesign", changed };
}

type Value = number | string | null | undefined;

const keys = (a: object, b: object): string[] => [...new Set([...Object.keys(a), ...Object.keys(b)])].sort();

const isBlank = (value: Value): boolean => value === null || value === undefined || (typeof value === "string" && value.trim() === "");

function isSame(a: Value, b: Value): boolean {
  if (isBlank(a) || isBlank(b)) return isBlank(a) === isBlank(b);
  if (typeof a === "number" && typeof b === "number") return Math.abs(a - b) <= 1e-9 * Math.max(Math.abs(a), Math.abs(b));
  return String(a).trim().toLowerCase() === String(b).trim().toLowerCase();
}
