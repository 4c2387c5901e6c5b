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

/** How it came through, or that is taken back: a place in the list of rungs, the best 0; `steps`: how many there are. */
export const onRung = ({ rung }: TrialInput, place: number): Patch =>
  rung === place ? { outcome: "number", rung: null } : { outcome: "rung", rung: place, raw: null, broke: null };

/** Loads added one by one: so many held, and one more broke it; or all of them still held. `said` writes a number of loads. */
export function counted(held: number, isBroken: boolean, said: (loads: number) => string): Patch {
  if (!isBroken) return { outcome: "atLeast", raw: said(held), broke: null, kept: false };
  return { outcome: held === 0 ? "below" : "between", raw: held === 0 ? null : said(held), broke: said(held + 1), kept: false };
}

/** What else was measured, as typed; an empty box is taken out. */
export function withFurther({ further }: TrialInput, id: string, text: string): Patch {
  const { [id]: _, ...rest } = further;
  return { further: text === "" ? rest : { ...rest, [id]: text } };
}

/** Whether anything came out of a trial. What was seen, or measured beside, and no number is a failed test. */
export const isUsed = ({ outcome, raw, broke, seen, further }: TrialInput): boolean =>
  outcome === "failed" ||
  outcome === "passed" ||
  outcome === "rung" ||
  raw !== null ||
  broke !== null ||
  seen.length > 0 ||
  Object.keys(further).length > 0;

/** A trial as it is sent. */
export function sentTrial(trial: TrialInput): TrialInput {
  const isBare = trial.raw === null && trial.broke === null && trial.outcome !== "passed" && trial.outcome !== "rung";
  return isBare ? { ...trial, outcome: "failed" } : trial;
}
