import type { VersionRole } from "../family/choices.ts";
import type { Family, Field, Measure, Values } from "../family/shape.ts";
import { mayApply } from "../family/values.ts";
import { instrumentById } from "../quantity/instruments.ts";
import { type FairTest, fairTest, type TestedVersion } from "./fairTest.ts";
import { countedAs, failedAs } from "./outcome/counted.ts";
import type { Interval, TrialOutcome } from "./outcome/trialOutcome.ts";
import { bestOf, type FirstLastWord, firstAndLast, versionOutcome } from "./outcome/versionOutcome.ts";

/** One version of an accepted entry, with what came out of its trials but what is impossible. */
export interface FindingVersion {
  readonly number: number;
  readonly role: VersionRole;
  readonly variables: Readonly<Record<string, number | string>>;
  readonly place: string | null;
  readonly instrument: string;
  readonly trials: readonly TrialOutcome[];
  /** What else was measured, SI, by the measure's id: the mean of its trials. */
  readonly further?: Readonly<Record<string, number>> | undefined;
  /** What was guessed of it: SI, or more or less than the last one; and when. */
  readonly guess?: Guessed | undefined;
  /** Symptoms seen with it. */
  readonly seen?: readonly string[] | undefined;
}

/** A guess as it was made. */
export interface Guessed {
  readonly value: number | null;
  readonly compared: "more" | "less" | null;
  readonly made: "before" | "after" | null;
}

export interface FindingEntry {
  readonly id: string;
  readonly alias: string;
  readonly versions: readonly FindingVersion[];
}

/** A comparison of two versions of one entry. */
export interface FairTestFound {
  readonly entryId: string;
  readonly alias: string;
  readonly from: number;
  readonly to: number;
  /** Words of the variable that changed; null unless exactly one did. */
  readonly variable: string | null;
  /** That variable's field, to show its values by. */
  readonly field: Field | null;
  readonly fromValue: string | number | null;
  readonly toValue: string | number | null;
  readonly oldTrials: readonly TrialOutcome[];
  readonly newTrials: readonly TrialOutcome[];
  readonly control: boolean;
  /** What its numbers are. */
  readonly measure: Measure;
  readonly result: FairTest;
}

/** One builder's line: SI values. */
export interface BuilderFound {
  readonly entryId: string;
  readonly alias: string;
  readonly metGoal: boolean;
  /** Means of the first and the last version with a value; both are the one version there is. */
  readonly first: Interval | null;
  readonly last: Interval | null;
  readonly best: Interval | null;
  /** How the best later version did beside the first, by mean; null with one version. */
  readonly change: FirstLastWord | null;
  /** Best later mean ÷ first mean, upside down where less is better; null where not both are known exactly and above nothing. */
  readonly improved: number | null;
  /** What else was measured of the version with the best result, else of the last: SI, by the measure's id. */
  readonly further?: Readonly<Record<string, number>> | undefined;
  /** What its numbers are, where that isn't the run's measure: the sheet they built from asked for another. */
  readonly measure: Measure | null;
}

/** What a run's accepted entries show. */
export interface RunFindings {
  readonly measure: Measure;
  readonly goal: number;
  readonly entries: number;
  /** Each by the goal of the sheet it was built from. */
  readonly goalMet: number;
  /** Entries judged by another goal than the run's of today. */
  readonly otherGoals: number;
  /** Entries counted in things that nobody weighed: each compares with itself alone. */
  readonly unweighed: number;
  readonly builders: readonly BuilderFound[];
  readonly comparisons: readonly FairTestFound[];
}

/** Who met the goal, first version against last, and every comparison of a version with the one before. */
export function runFindings(family: Family, spec: Values, entries: readonly FindingEntry[]): RunFindings {
  return joinFindings(
    family,
    spec,
    entries.map((entry) => entryFindings(family, spec, entry)),
  );
}

/** What one accepted entry shows by itself, against the goal of the sheet it was built from. */
export interface EntryFound {
  /** Its numbers are of a class of their own, that no goal speaks of. */
  readonly isOwnClass: boolean;
  readonly measure: Measure;
  readonly goal: number;
  readonly builder: BuilderFound;
  readonly comparisons: readonly FairTestFound[];
}

/** What one accepted entry shows, its numbers of the family's measure or of a class of their `own`: it depends on no other one, so that it need not be reckoned again when others come in. */
export function entryFindings(family: Family, spec: Values, entry: FindingEntry, own: Measure | null = null): EntryFound {
  const measure = own ?? family.measures(spec)[0];
  const goal = own ? Number.POSITIVE_INFINITY : goalValue(family, spec);
  return {
    isOwnClass: own !== null,
    measure,
    goal,
    builder: builderOf(entry, goal, measure),
    comparisons: comparisonsOf(entry, family, spec, measure),
  };
}

/** What a run shows, from what each of its entries shows; `spec` is the run's of today. */
export function joinFindings(family: Family, spec: Values, found: readonly EntryFound[]): RunFindings {
  const [measure] = family.measures(spec);
  const goal = goalValue(family, spec);
  const builders = found.map((one) => (isAlike(one.measure, measure) ? one.builder : { ...one.builder, measure: one.measure }));
  return {
    measure,
    goal,
    entries: found.length,
    otherGoals: found.filter((one) => !one.isOwnClass && (one.goal !== goal || !isAlike(one.measure, measure))).length,
    unweighed: found.filter((one) => one.isOwnClass).length,
    goalMet: builders.filter((builder) => builder.metGoal).length,
    builders,
    comparisons: found.flatMap(({ comparisons }) => comparisons),
  };
}

/** What meets the goal: where a test is passed or not, one that was. */
const goalValue = (family: Family, spec: Values): number => (family.measures(spec)[0].passes ? 1 : family.goal(spec).value);

const isAlike = (a: Measure, b: Measure): boolean =>
  a.id === b.id && a.dimension === b.dimension && a.better === b.better && judgedBy(a) === judgedBy(b);

/** What two sheets must share for their answers to be held together: a list of rungs with its least, passed or not, a number. */
const judgedBy = ({ passes, rungs, setting }: Measure): string =>
  rungs && setting?.kind !== "number" ? JSON.stringify(rungs) : passes ? "passes" : "number";

/** Whether a version met the goal: by one trial, or by as many passes as are asked for. */
function meetsGoal(trials: readonly TrialOutcome[], goal: number, measure: Measure): boolean {
  const counted = countedAs(measure, trials);
  if (measure.passes) return counted.filter((one) => one.kind === "number" && one.value > 0).length >= (measure.passes.asked ?? 1);
  return versionOutcome(counted, measure.better, failedAs(measure), goal).goalMet;
}

function builderOf(entry: FindingEntry, goal: number, measure: Measure): BuilderFound {
  const { better } = measure;
  const failed = failedAs(measure);
  const builds = entry.versions.filter((version) => version.role === "build");
  const tested = builds
    .map((version) => ({ ...versionOutcome(countedAs(measure, version.trials), better, failed, goal), version }))
    .filter(({ counted }) => counted > 0);
  const [first = null, ...later] = tested.flatMap(({ mean }) => mean ?? []);
  const change = later.length === 0 ? null : firstAndLast(first, bestOf(later, better), better);
  const ratio = change?.ratio ?? 0;
  return {
    entryId: entry.id,
    alias: entry.alias,
    metGoal: builds.some((version) => meetsGoal(version.trials, goal, measure)),
    first,
    last: later.at(-1) ?? first,
    best: bestOf(
      tested.flatMap((one) => one.best ?? []),
      better,
    ),
    ...furtherIn(entry, tested, measure),
    change: change?.word ?? null,
    improved: ratio > 0 ? (better === "more" ? ratio : 1 / ratio) : null,
    measure: null,
  };
}

/** What else was measured of the version with the best result, else of the last one built. */
function furtherIn(
  { versions }: FindingEntry,
  tested: readonly { readonly best: Interval | null; readonly version: FindingVersion }[],
  { better }: Measure,
): Pick<BuilderFound, "further"> {
  if (!versions.some(({ further }) => further)) return {};
  const best = bestOf(
    tested.flatMap((one) => one.best ?? []),
    better,
  );
  const of = tested.find((one) => one.best === best)?.version ?? versions.at(-1);
  return of?.further ? { further: of.further } : {};
}

function comparisonsOf(entry: FindingEntry, family: Family, spec: Values, measure: Measure): FairTestFound[] {
  const control = entry.versions.find((version) => version.role === "control");
  const builds = entry.versions.filter((version) => version.role === "build");
  const found = builds.slice(1).flatMap((fresh, i) => {
    const old = builds[i];
    return old ? [compare(entry, old, fresh, family, spec, measure, false)] : [];
  });
  const [first] = builds;
  return control && first ? [compare(entry, control, first, family, spec, measure, true), ...found] : found;
}

function compare(
  entry: FindingEntry,
  old: FindingVersion,
  fresh: FindingVersion,
  family: Family,
  spec: Values,
  measure: Measure,
  control: boolean,
): FairTestFound {
  const as = (version: FindingVersion): TestedVersion => ({
    trials: version.trials,
    as: {
      measure: measure.id,
      instrument: version.instrument,
      spec,
      place: version.place,
      variables: control
        ? { canopy: version.role === "control" ? "without" : "with" }
        : standing(version.variables, family.variables, spec),
    },
  });
  const result = fairTest(as(old), as(fresh), measure, instrumentById(fresh.instrument)?.resolution ?? 0);
  const [id] = result.comparison.changed;
  const one = result.comparison.kind === "fair test" && id !== undefined && !control ? id : null;
  const field = family.variables.find((f) => f.id === one) ?? null;
  return {
    entryId: entry.id,
    alias: entry.alias,
    from: old.number,
    to: fresh.number,
    variable: one === null ? null : (field?.words ?? one),
    field,
    fromValue: one === null ? null : (old.variables[one] ?? null),
    toValue: one === null ? null : (fresh.variables[one] ?? null),
    oldTrials: old.trials,
    newTrials: fresh.trials,
    control,
    measure,
    result,
  };
}

/** Declared variables without those that the form chosen rules out. */
function standing(
  variables: Readonly<Record<string, number | string>>,
  fields: readonly Field[],
  spec: Values,
): Readonly<Record<string, number | string>> {
  return Object.fromEntries(
    Object.entries(variables).filter(([id]) => mayApply(fields.find((field) => field.id === id)?.when, { ...spec, ...variables })),
  );
}
