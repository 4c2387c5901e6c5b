import type { TrialInput } from "@lampcrate/contract";

type Patch = Partial<TrialInput>;

/** What kind of result two boxes make: the most it held, and what it gave way at. */
function kindOf(raw: string | null, broke: string | null, before: TrialInput["outcome"]): TrialInput["outcome"] {
  if (broke !== null) return raw === null ? "below" : "between";
  return before === "atLeast" ? "atLeast" : "number";
}

const orNothing = (text: string): string | null => (text === "" ? null : text);

/** A number was typed or timed; a test that has one didn't fail without one. */
export function withNumber({ broke, outcome }: TrialInput, text: string): Patch {
  const raw = orNothing(text);
  return { raw, kept: false, outcome: kindOf(raw, broke, outcome) };
}

/** What it gave way at was typed. */
export function withBroke({ raw }: TrialInput, text: string): Patch {
  const broke = orNothing(text);
  return { broke, kept: false, outcome: kindOf(raw, broke, "number") };
}

/** It was still holding when they stopped, or that is taken back. */
export const stillHolding = ({ outcome }: TrialInput): Patch => ({ outcome: outcome === "atLeast" ? "number" : "atLeast", broke: null });

/** It failed without a number, or that is taken back. */
export const itFailed = ({ outcome }: TrialInput): Patch => ({
  outcome: outcome === "failed" ? "number" : "failed",
  raw: null,
  broke: null,
});

/** It passed, without a number, or that is taken back. */
export const itPassed = ({ outcome }: TrialInput): Patch => ({
  outcome: outcome === "passed" ? "number" : "passed",
  raw: null,
  broke: null,
});

/** Whether anything is in a trial. What was seen and no number is a failed test. */
export const isUsed = ({ outcome, raw, broke, seen }: TrialInput): boolean =>
  outcome === "failed" || outcome === "passed" || raw !== null || broke !== null || seen.length > 0;

/** A trial as it is sent. */
export function sentTrial(trial: TrialInput): TrialInput {
  const isBare = trial.raw === null && trial.broke === null && trial.outcome !== "passed";
  return isBare ? { ...trial, outcome: "failed" } : trial;
}
