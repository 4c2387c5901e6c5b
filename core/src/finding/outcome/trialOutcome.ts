import type { FailedCountsAs } from "../../family/shape.ts";

/** The kinds of result that a trial may have. */
export const trialKinds = ["number", "atLeast", "between", "below", "failed", "passed", "rung"] as const;
export type TrialKind = (typeof trialKinds)[number];

/** What came out of one trial of a measure. Values SI; a pass, a rung and a failure have none. */
type CameOut =
  | { readonly kind: "number"; readonly value: number }
  /** It still held when loads ran out. */
  | { readonly kind: "atLeast"; readonly value: number }
  /** It held this much and gave way at that much. */
  | { readonly kind: "between"; readonly held: number; readonly failed: number }
  /** It gave way at the first load. */
  | { readonly kind: "below"; readonly value: number }
  | { readonly kind: "failed" }
  /** Of a test that is passed or not: without a number. */
  | { readonly kind: "passed" }
  /** A place in the brief's list of rungs, the best 0. */
  | { readonly kind: "rung"; readonly rung: number };

/** What came out, and at what setting: SI, or a choice's id; without one where nothing varies. */
export type TrialOutcome = CameOut & { readonly at?: number | string | undefined };

/** Which way a measure is better. */
export type Better = "more" | "less";

/** A trial as it was read: SI values of what was typed; null where that is missing or can't be read. */
export interface ReadTrial {
  readonly outcome: TrialKind;
  /** The number, or the most that it held. */
  readonly value: number | null;
  /** What it gave way at. */
  readonly broke: number | null;
  /** Its place in the list of rungs. */
  readonly rung?: number | null | undefined;
  /** What it was tried at: SI, or a choice's id. */
  readonly at?: number | string | null | undefined;
}

/** What came out of a trial as read; null where something that it needs is missing. */
export function outcomeOfRead(trial: ReadTrial): TrialOutcome | null {
  const found = cameOut(trial);
  return found === null || trial.at === null || trial.at === undefined ? found : { ...found, at: trial.at };
}

function cameOut({ outcome, value, broke, rung }: ReadTrial): CameOut | null {
  switch (outcome) {
    case "failed":
    case "passed":
      return { kind: outcome };
    case "rung":
      return typeof rung === "number" ? { kind: "rung", rung } : null;
    case "below":
      return broke === null ? null : { kind: "below", value: broke };
    case "between":
      return value === null || broke === null ? null : { kind: "between", held: value, failed: broke };
    default:
      return value === null ? null : { kind: outcome, value };
  }
}

/** What is known of a value, SI; `high` null: endless. `open`: the top itself was not reached. */
export interface Interval {
  readonly low: number;
  readonly high: number | null;
  readonly open: boolean;
}

/** A trial as an interval; null where it has no value. */
export function intervalOf(outcome: TrialOutcome, failedCountsAs: FailedCountsAs): Interval | null {
  switch (outcome.kind) {
    case "number":
      return { low: outcome.value, high: outcome.value, open: false };
    case "atLeast":
      return { low: outcome.value, high: null, open: true };
    case "between":
      return { low: outcome.held, high: outcome.failed, open: true };
    case "below":
      return { low: 0, high: outcome.value, open: true };
    case "failed":
      return failedCountsAs === null ? null : { low: failedCountsAs, high: failedCountsAs, open: false };
    case "passed":
      return { low: 1, high: 1, open: false };
    // A rung is worth what its list makes of it: see countedAs.
    case "rung":
      return null;
  }
}

/** Those of some trials that count. */
export function intervalsOf(outcomes: readonly TrialOutcome[], failedCountsAs: FailedCountsAs): readonly Interval[] {
  return outcomes.flatMap((outcome) => intervalOf(outcome, failedCountsAs) ?? []);
}

export const isExact = ({ low, high }: Interval): boolean => low === high;

/** Whether the first is greater whatever either was. */
function surelyMore(x: Interval, y: Interval): boolean {
  return y.high !== null && (x.low > y.high || (x.low === y.high && y.open));
}

/** Whether the first is better whatever either was. */
export function surelyBetter(x: Interval, y: Interval, better: Better): boolean {
  return better === "more" ? surelyMore(x, y) : surelyMore(y, x);
}
