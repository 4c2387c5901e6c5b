import { type DropIn, quarterMin } from "./dropIn.ts";

/** What a run's brief says of a day. */
export interface BriefDay {
  /** From opening to closing. */
  readonly minutes: number;
  /** Builders likely to come. */
  readonly builders: number;
  readonly unit: DropIn["unit"];
  readonly seats: number | null;
  readonly kits: number | null;
  readonly rigs: number;
  readonly buildMinutes: number;
  readonly trials: number;
  readonly minutesPerTrial: number;
  readonly rebuildChance: number;
  readonly mostRebuilds: number;
}

/** Parties of one to six, until a house knows its own. */
const usualParties = [0.15, 0.35, 0.25, 0.17, 0.05, 0.03] as const;
/** Nobody is let in so shortly before closing, min. */
const lastMin = 30;

/** A drop-in day as a brief suggests it: two humps of arrivals, the rest the usual until days have been counted. */
export function usualDay(brief: BriefDay): DropIn {
  const closingMin = Math.max(quarterMin * 2, Math.round(brief.minutes));
  const lastEntryMin = Math.max(quarterMin, closingMin - lastMin);
  const bins = Math.ceil(lastEntryMin / quarterMin);
  const mean = usualParties.reduce((sum, share, i) => sum + share * (i + 1), 0);
  return {
    expectedParties: Math.max(1, Math.round(brief.builders / mean)),
    weights: Array.from({ length: bins }, (_, bin) => hump((bin + 0.5) / bins)),
    partySizeShares: usualParties,
    unit: brief.unit,
    lastEntryMin,
    closingMin,
    graceMin: 15,
    seats: brief.seats,
    kits: brief.kits,
    hosts: 2,
    rigs: brief.rigs,
    patienceMeanMin: 12,
    welcome: { meanMin: 4, cv: 0.4, shape: "log-normal" },
    build: { meanMin: brief.buildMinutes, cv: 0.35, shape: "log-normal" },
    trials: brief.trials,
    trial: { meanMin: brief.minutesPerTrial, cv: 0.5, shape: "log-normal" },
    rebuildChance: brief.rebuildChance,
    mostRebuilds: brief.mostRebuilds,
    rebuildFraction: 0.4,
  };
}

/** Few at first, most after a third of the day, a second lesser wave after three quarters. */
function hump(part: number): number {
  const wave = (at: number, wide: number): number => Math.exp(-(((part - at) / wide) ** 2));
  return 1 + Math.round(16 * (wave(0.35, 0.22) + 0.75 * wave(0.75, 0.16))) / 2;
}
