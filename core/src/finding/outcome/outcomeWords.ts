import type { Field, Measure } from "../../family/shape.ts";
import { said, saying } from "../../language/language.ts";
import { showQuantity, type UnitChoice } from "../../quantity/show.ts";
import type { BoundedComparison } from "./boundedComparison.ts";
import type { RungTest } from "./ladder.ts";
import type { PassComparison } from "./passes.ts";
import { type Interval, isExact, type TrialOutcome } from "./trialOutcome.ts";
import type { FirstLastWord } from "./versionOutcome.ts";

/** Says a value, SI, in words. */
export type Show = (si: number) => string;

/** What is known of a value in words: "540 g", "at least 1 kg", "500 g to 600 g". */
export function intervalWords(interval: Interval, show: Show): string {
  if (isExact(interval)) return show(interval.low);
  return interval.high === null ? saying`at least ${show(interval.low)}` : saying`${show(interval.low)} to ${show(interval.high)}`;
}

/** How a measure's values are said: shares that passed in per cent, rungs by their names, all else as quantities. */
export function showOf({ dimension, passes, rungs, setting }: Judged, units: UnitChoice): Show {
  if (rungs && setting?.kind !== "number") return (value) => rungSaid(value, rungs.steps);
  return passes ? (share) => `${Math.round(100 * share)} %` : (si) => showQuantity(si, dimension, units);
}

/** What a measure's words depend on. */
type Judged = Pick<Measure, "dimension" | "passes" | "rungs" | "setting">;

/** A rung by its height in the list: the best is the highest; a mean lies between two. */
function rungSaid(value: number, steps: readonly string[]): string {
  const name = (height: number): string => said(steps[steps.length - 1 - height] ?? "");
  return Number.isInteger(value) ? name(value) : saying`between ${name(Math.floor(value))} and ${name(Math.ceil(value))}`;
}

/** What came out of a trial of a measure, in words, and at what setting: "cracked at 2 m". */
export function outcomeSaid(outcome: TrialOutcome, measure: Judged, units: UnitChoice): string {
  const { setting } = measure;
  const cameOut = cameOutSaid(outcome, measure, (si) => showQuantity(si, measure.dimension, units));
  return setting && outcome.at !== undefined ? saying`${cameOut} at ${settingSaid(outcome.at, setting, units)}` : cameOut;
}

/** A setting in words. */
export function settingSaid(at: number | string, setting: Field, units: UnitChoice): string {
  if (setting.kind === "choice") return said(setting.options.find(({ id }) => id === at)?.words ?? String(at));
  return typeof at === "number" ? showQuantity(at, setting.dimension, units) : at;
}

function cameOutSaid(outcome: TrialOutcome, { passes, rungs }: Judged, show: Show): string {
  switch (outcome.kind) {
    case "number":
      return passes ? `${said(passes.passed)}, ${show(outcome.value)}` : show(outcome.value);
    case "atLeast":
      return saying`at least ${show(outcome.value)}`;
    case "between":
      return saying`held ${show(outcome.held)}, gave way at ${show(outcome.failed)}`;
    case "below":
      return saying`gave way at ${show(outcome.value)}`;
    case "failed":
      return said(passes?.not ?? "failed");
    case "passed":
      return said(passes?.passed ?? "passed");
    case "rung":
      return said(rungs?.steps[outcome.rung] ?? "not on the list");
  }
}

/** What became of the last version beside the first, in a word or two: "× 1.5" where both are known exactly, "from nothing" from 0. */
export function changeWords(
  { change, improved, first }: { readonly change: FirstLastWord | null; readonly improved: number | null; readonly first: Interval | null },
  show: Show,
): string {
  if (change === null) return "one version";
  if (change === "better" && first !== null && first.high === 0) return "from nothing";
  return improved === null || change === "cannot tell" ? change : `× ${show(improved)}`;
}

/** What tests that are passed or not say of a change, the answer first. */
export function passWords(
  what: string,
  { difference, low, high, p, word, needed }: PassComparison & { readonly needed: number | null },
  { passed }: NonNullable<Measure["passes"]>,
): string {
  const points = (share: number): string => `${Math.round(100 * share)}`;
  const span = saying`95 % interval ${points(low)} to ${points(high)} points`;
  if (word === "cannot tell yet") {
    const undecided = saying`You cannot tell these two apart yet by how often they are ${said(passed)} (${span}).`;
    return needed === null
      ? undecided
      : `${undecided} ${saying`If the shares seen are the true ones, about ${needed} trials of each would do it.`}`;
  }
  const by = points(Math.abs(difference));
  const seen =
    difference > 0
      ? saying`${what} ${said(word)}: ${by} points in 100 more often ${said(passed)} (${span}).`
      : saying`${what} ${said(word)}: ${by} points in 100 less often ${said(passed)} (${span}).`;
  return p > 0.05 ? `${seen} ${said("Few trials, so be careful.")}` : seen;
}

/** What trials known only between bounds say of a change, the answer first. */
export function boundedWords(what: string, { word, better, worse, pairs }: BoundedComparison): string {
  const seen = saying`of ${pairs} pairs of a new trial and an old one, the new one was surely better in ${better} and surely worse in ${worse}`;
  switch (word) {
    case "too few to tell":
      return saying`Too few trials to tell: ${seen}. A few more of each would do.`;
    case "cannot tell yet":
      return saying`You cannot tell these two apart yet: ${seen}.`;
    default:
      return `${what} ${said(word)}: ${seen}.`;
  }
}

/** What rungs say of a change, the answer first; `at`: the setting they were compared at, in words. */
export function rungWords(what: string, { word, share, pairs, p }: RungTest, at: string | null): string {
  const where = at === null ? "" : saying` at ${at}`;
  const seen = saying`a new trial beats an old one${where} in ${Math.round(100 * share)} of 100 (${pairs} pairs, half of the ties counted)`;
  if (word === "too few to tell") return saying`Too few trials${where} to tell. A few more of each would do.`;
  if (word === "cannot tell yet") return saying`You cannot tell these two apart yet: ${seen}.`;
  return saying`${what} ${said(word)}: ${seen}; by chance alone in ${p < 0.01 ? said("less than 1") : Math.round(100 * p)} of 100.`;
}
