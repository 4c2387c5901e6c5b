import type { Band } from "../family/band.ts";
import { type Bounds, isOutside, type Place, tightest } from "../family/bounds.ts";
import type { TestPlace, VersionRole } from "../family/choices.ts";
import type { Family, Measure, Values } from "../family/shape.ts";
import { instrumentById } from "../quantity/instruments.ts";
import type { Read } from "../quantity/parse.ts";
import { unitById } from "../quantity/units.ts";
import { checkValue, type Offer, type Verdict } from "./flag.ts";
import { readSetting, readTrial } from "./readTrial.ts";
import { handTimer, type Timer } from "./timer.ts";

/** What one typed trial says, held against the brief. */
export interface CheckedTrial {
  readonly read: Read;
  /** What it gave way at, where that was typed. */
  readonly broke: Read;
  readonly verdict: Verdict;
}

/** What a version was, as far as bounds depend on it. */
export interface CheckedVersion {
  readonly role: VersionRole;
  readonly variables: Readonly<Record<string, number | string>>;
  readonly place: TestPlace | null;
  /** The room it was tested in, where that is known, as on a floor; nobody measures the rooms at home. */
  readonly room?: TestRoom | null;
  readonly trials: readonly CheckedWords[];
}

/** What of a room bounds a result, m. */
export type TestRoom = Pick<Place, "roomLengthM" | "ceilingM">;

/** A trial's words, as far as it is checked by them. */
interface CheckedWords {
  readonly raw: string | null;
  readonly broke?: string | null | undefined;
  readonly setting?: string | null | undefined;
  readonly instrument: string;
}

const quiet: Verdict = { flag: null, offers: [] };

/** The brief's plain build with what this version declares laid over it. */
function designOf(design: Values, version: Pick<CheckedVersion, "variables">): Values {
  return { ...design, ...version.variables };
}

/**
 * Bounds of the family's first measure for one version and instrument, SI, for values as they are logged. What is
 * impossible is never merely unusual: soft lies inside hard. Times by hand yield by the person's own spread, where that
 * is known from practice, and are expected so much late as theirs are.
 */
export function versionBounds(
  family: Family,
  spec: Values,
  design: Values,
  version: Omit<CheckedVersion, "trials">,
  instrument: string,
  timer: Timer | null = null,
): Bounds {
  const own = instrument === handTimer ? timer : null;
  const { hard, soft } = familyBounds(family, spec, designOf(design, version), version, own?.spread ?? boundSdOf(instrument));
  const late = own?.bias ?? 0;
  return { hard: shifted(hard, late), soft: shifted(tightest(soft, hard), late) };
}

/** Bounds of values that are logged so much late: a value less its bias is held against the bounds themselves. */
const shifted = ([low, high]: Bounds["hard"], by: number): Bounds["hard"] => [low + by, high + by];

const boundSdOf = (instrument: string): number => instrumentById(instrument)?.boundSd ?? 0;

/** What a version was predicted to give of the family's first measure, SI; null for a bare test. */
export function versionPrediction(family: Family, spec: Values, design: Values, version: Omit<CheckedVersion, "trials">): Band | null {
  if (version.role === "control") return null;
  const [measure] = family.measures(spec);
  return family.predict(spec, designOf(design, version)).find((p) => p.id === measure.id)?.band ?? null;
}

function familyBounds(family: Family, spec: Values, built: Values, version: Omit<CheckedVersion, "trials">, sd: number): Bounds {
  if (version.role === "control" && family.controlBounds) return family.controlBounds(spec, built, sd);
  const place = { ...version.room, ...(version.place === null ? {} : { indoors: version.place === "indoors" }) };
  return family.bounds(family.measures(spec)[0].id, spec, built, sd, place);
}

/** Reads and checks every trial of a version; a trial without a number is never flagged. */
export function checkVersion(
  family: Family,
  spec: Values,
  design: Values,
  version: CheckedVersion,
  timer: Timer | null = null,
): readonly CheckedTrial[] {
  const [measure] = family.measures(spec);
  const reads = version.trials.map((trial) => readTrial(trial.raw, measure));
  // Asked for only where a value is odd: some predictions cost a simulation.
  const expected = once(() => versionPrediction(family, spec, design, version)?.mid ?? null);
  const boundsBy = new Map<string, Bounds>();
  const boundsOf = ({ instrument, setting }: CheckedWords): Bounds => {
    const key = `${instrument} ${setting ?? ""}`;
    const bounds = boundsBy.get(key) ?? versionBounds(family, specAt(spec, measure, setting ?? null), design, version, instrument, timer);
    boundsBy.set(key, bounds);
    return bounds;
  };
  return version.trials.map((trial, index) => {
    const read = reads[index] ?? { ok: false, reason: "empty" };
    const broke = readTrial(trial.broke ?? null, measure);
    if (!read.ok) return { read, broke, verdict: quiet };
    const bounds = boundsOf(trial);
    const slip = largerUnit(read, trial.raw ?? "", measure, bounds, expected);
    if (slip) return { read, broke, verdict: { flag: null, offers: [slip] } };
    const peers = reads.flatMap((other, i) =>
      i !== index && other.ok && isAtSame(trial, version.trials[i]) && !isOutside(other.si, bounds.hard) ? [other.si] : [],
    );
    const verdict = checkValue({
      dimension: measure.dimension,
      typed: read.typed,
      unit: read.unit,
      value: read.si,
      bounds,
      peers,
      get expected() {
        return expected();
      },
      tokenKg: measure.token?.massKg ?? null,
    });
    return { read, broke, verdict };
  });
}

/** The goal's numbers as a trial was set: what varies stands at what it was tried at. */
export function specAt(spec: Values, { setting }: Measure, tried: string | null): Values {
  const { at } = readSetting(tried, setting);
  return at === null || !setting || spec[setting.id] === undefined ? spec : { ...spec, [setting.id]: at };
}

/** What a bare small number is in the larger unit that people think in: "0,4" where grams are asked. */
const largerUnits: Readonly<Record<string, string>> = { g: "kg", mm: "m", cm: "m" };

/** A bare number far below what is expected, that would be an ordinary one in the larger unit; null where nothing speaks for it. */
function largerUnit(
  read: Extract<Read, { readonly ok: true }>,
  raw: string,
  { better, unit }: Measure,
  { soft }: Bounds,
  expected: () => number | null,
): Offer | null {
  const larger = largerUnits[unit ?? ""];
  if (larger === undefined || better !== "more" || read.typed <= 0 || read.typed >= 10 || /[a-z"']/i.test(raw)) return null;
  const value = read.typed * unitById(larger).factor;
  const usual = expected();
  const far = usual !== null && read.si < usual / 20 && value > usual / 10 && value < usual * 5 && !isOutside(value, soft);
  return far ? { value, reasons: [`unit ${larger}`] } : null;
}

const isAtSame = (a: CheckedWords, b: CheckedWords | undefined): boolean => (a.setting ?? null) === (b?.setting ?? null);

function once<T>(reckon: () => T): () => T {
  let known: { readonly value: T } | null = null;
  return () => {
    known ??= { value: reckon() };
    return known.value;
  };
}
