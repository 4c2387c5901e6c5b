import type { Family, Measure, NumberField, Values } from "../family/shape.ts";
import { type Instrument, instrumentById } from "../quantity/instruments.ts";
import { leastDifference, power, trialSigma, trialsNeeded } from "./power.ts";

/** A brief's test of one design against another. */
export interface TestedBrief {
  readonly family: Family;
  readonly spec: Values;
  readonly design: Values;
  readonly rival: Values;
  readonly trials: number;
  readonly instrument: string;
  /** Pooled standard deviation within versions of the brief's own trials; null until there are any. */
  readonly seen: number | null;
}

/** A way to make the test a fair judge: what to change, to what, and the trials it then takes. */
export interface Cure {
  readonly kind: "trials" | "instrument" | "lever";
  /** Field of the goal, or the instrument's id; empty for trials. */
  readonly what: string;
  readonly words: string;
  readonly field: NumberField | null;
  readonly to: number;
  readonly trials: number;
}

/** What a test can tell. SI. */
export interface Measurability {
  readonly measure: Measure;
  readonly expected: readonly [plain: number, rival: number];
  readonly difference: number;
  readonly sigma: number;
  readonly sigmaDesign: number;
  readonly sigmaInstrument: number;
  /** Chance that the test shows the predicted difference; null with one trial, which tells nothing. */
  readonly chance: number | null;
  /** Smallest difference that these trials show four times in five; null with one trial. */
  readonly least: number | null;
  /** Trials of each that would show the predicted one; null above 1,000. */
  readonly needed: number | null;
  /** Smallest changes first in the order trials, instrument, the brief's own numbers. */
  readonly cures: readonly Cure[];
}

const wanted = 0.8;
/** More trials than this nobody makes of one version. */
const mostTrials = 12;
const usualScatter = 0.1;

/** Whether a brief's test can tell its plain build from another; null when its measure is not predicted, or not for both. */
export function measurability(brief: TestedBrief): Measurability | null {
  const [measure] = brief.family.measures(brief.spec);
  const instrument = instrumentById(brief.instrument) ?? instrumentById(measure.instruments[0] ?? "");
  const told = tellWith(brief, brief.spec, instrument);
  if (!told) return null;
  const { trials } = brief;
  const { difference, sigma } = told;
  return {
    measure,
    ...told,
    chance: trials >= 2 ? (difference > 0 ? power(trials, difference, sigma) : 0.05) : null,
    least: trials >= 2 ? leastDifference(trials, sigma) : null,
    needed: trialsNeeded(difference, sigma),
    cures: curesOf(brief, measure, instrument),
  };
}

type Told = Pick<Measurability, "expected" | "difference" | "sigma" | "sigmaDesign" | "sigmaInstrument">;

function tellWith(brief: TestedBrief, spec: Values, instrument: Instrument | null): Told | null {
  const [measure] = brief.family.measures(spec);
  const mid = (design: Values): number | null => brief.family.predict(spec, design).find((p) => p.id === measure.id)?.band.mid ?? null;
  const [plain, rival] = [mid(brief.design), mid(brief.rival)];
  if (plain === null || rival === null) return null;
  const resolution = measure.dimension === "count" ? 1 : (instrument?.resolution ?? 0);
  const sigmaInstrument = instrument?.sigma ?? 0;
  const sigmaDesign =
    brief.seen === null
      ? usualScatter * Math.abs(plain)
      : Math.sqrt(Math.max(0, brief.seen ** 2 - sigmaInstrument ** 2 - resolution ** 2 / 12));
  return {
    expected: [plain, rival],
    difference: Math.abs(rival - plain),
    sigmaDesign,
    sigmaInstrument,
    sigma: trialSigma(sigmaDesign, sigmaInstrument, resolution),
  };
}

/** What would make the test tell the predicted difference four times in five. */
function curesOf(brief: TestedBrief, measure: Measure, instrument: Instrument | null): readonly Cure[] {
  const needed = (spec: Values, by: Instrument | null): number | null => {
    const told = tellWith(brief, spec, by);
    return told && told.sigma > 0 ? trialsNeeded(told.difference, told.sigma) : null;
  };
  const now = needed(brief.spec, instrument);
  if (now !== null && now <= brief.trials) return [];
  const cures: Cure[] = [];
  if (now !== null && now <= mostTrials) cures.push({ kind: "trials", what: "", words: "", field: null, to: now, trials: now });
  for (const id of measure.instruments) {
    if (id === instrument?.id) continue;
    const trials = needed(brief.spec, instrumentById(id));
    if (trials !== null && trials <= Math.max(brief.trials, 2) && (now === null || trials < now))
      cures.push({ kind: "instrument", what: id, words: instrumentById(id)?.words ?? id, field: null, to: 0, trials });
  }
  for (const lever of brief.family.levers(brief.spec)) {
    const field = brief.family.spec.find((f) => f.id === lever.field);
    if (field?.kind !== "number") continue;
    const to = leastTurn(brief, field, lever.tellsMore, (spec) => {
      const told = tellWith(brief, spec, instrument);
      return told !== null && told.sigma > 0 && power(Math.max(brief.trials, 2), told.difference, told.sigma) >= wanted;
    });
    if (to !== null)
      cures.push({
        kind: "lever",
        what: lever.field,
        words: lever.words,
        field,
        to,
        trials: needed({ ...brief.spec, [lever.field]: to }, instrument) ?? brief.trials,
      });
  }
  return cures;
}

/** The nearest value of a number, in 40 steps toward its end, at which the test tells; null when none does. */
function leastTurn(brief: TestedBrief, field: NumberField, way: "up" | "down", tells: (spec: Values) => boolean): number | null {
  const from = typeof brief.spec[field.id] === "number" ? Number(brief.spec[field.id]) : field.start;
  const end = way === "up" ? field.max : field.min;
  for (let i = 1; i <= 40; i += 1) {
    const wish = from + ((end - from) * i) / 40;
    const value = Math.min(field.max, Math.max(field.min, Math.round(wish / field.step) * field.step));
    if (value !== from && tells({ ...brief.spec, [field.id]: value })) return value;
  }
  return null;
}
