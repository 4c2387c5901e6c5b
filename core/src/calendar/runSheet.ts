import { wholeShares } from "../numeric/largestRemainder.ts";
import type { RunKind, SessionKind } from "./runKinds.ts";

/** What a session goes through, in this order. */
export const phases = ["welcome", "cautions", "look", "sketch", "build", "test", "improve", "share", "tidy"] as const;
export type Phase = (typeof phases)[number];

const phaseWords: Readonly<Record<Phase, string>> = {
  welcome: "Welcome",
  cautions: "Cautions",
  look: "Look at examples",
  sketch: "Sketch",
  build: "Build",
  test: "Test",
  improve: "Improve and test again",
  share: "Share what was found",
  tidy: "Tidy up",
};

/** Minutes of an ordinary session of each kind; 0: it has no such part. */
const usual: Readonly<Record<RunKind, Readonly<Record<Phase, number>>>> = {
  "drop-in": { welcome: 4, cautions: 2, look: 4, sketch: 0, build: 20, test: 8, improve: 12, share: 0, tidy: 2 },
  workshop: { welcome: 5, cautions: 4, look: 6, sketch: 8, build: 30, test: 12, improve: 20, share: 8, tidy: 7 },
  "visiting group": { welcome: 6, cautions: 5, look: 5, sketch: 6, build: 25, test: 14, improve: 15, share: 8, tidy: 8 },
  series: { welcome: 4, cautions: 3, look: 5, sketch: 10, build: 35, test: 12, improve: 20, share: 10, tidy: 6 },
  "at-home": { welcome: 2, cautions: 3, look: 5, sketch: 8, build: 25, test: 10, improve: 20, share: 5, tidy: 5 },
};

/** These keep their minutes however long the slot is. */
const kept: readonly Phase[] = ["welcome", "cautions", "tidy"];

/** A part of a session as it is planned, before it is scaled to a slot. */
export interface SheetPart {
  readonly id: string;
  readonly words: string;
  readonly minutes: number;
  /** It keeps its minutes; the others share what is left in proportion. */
  readonly keeps: boolean;
  /** What whoever leads says or does; may be empty. */
  readonly say: string;
}

/** The parts of an ordinary session of a kind. */
export function usualParts(kind: RunKind, { sketchFirst }: { readonly sketchFirst: boolean }): readonly SheetPart[] {
  return phases
    .filter((phase) => usual[kind][phase] > 0 && (phase !== "sketch" || sketchFirst))
    .map((id) => ({ id, words: phaseWords[id], minutes: usual[kind][id], keeps: kept.includes(id), say: "" }));
}

/** Where kits are handed out, and on line: nobody tests there. */
const apart: Readonly<Record<Exclude<SessionKind, "as the run">, readonly SheetPart[]>> = {
  "pick-up": [
    { id: "set-out", words: "Set the bags out by name", minutes: 10, keeps: true, say: "" },
    { id: "hand-out", words: "Hand out the kits, with the sheet and its cautions", minutes: 60, keeps: false, say: "" },
    { id: "tidy", words: phaseWords.tidy, minutes: 10, keeps: true, say: "" },
  ],
  "on line": [
    { id: "welcome", words: phaseWords.welcome, minutes: 5, keeps: true, say: "" },
    { id: "cautions", words: phaseWords.cautions, minutes: 3, keeps: true, say: "" },
    { id: "look", words: phaseWords.look, minutes: 7, keeps: false, say: "" },
    { id: "build", words: "Build along", minutes: 25, keeps: false, say: "" },
    { id: "share", words: phaseWords.share, minutes: 10, keeps: false, say: "" },
  ],
};

/** A part on its session's clock. */
export interface TimedPart extends SheetPart {
  /** From the session's start, min. */
  readonly from: number;
}

export type RunSheet =
  | { readonly ok: true; readonly parts: readonly TimedPart[] }
  | { readonly ok: false; readonly least: number; readonly message: string };

/**
 * Parts scaled to a slot: those that keep their minutes do, the rest share what is left in proportion, in whole minutes
 * by largest remainder (ties: the earlier), none below 1. Their sum is the slot. A slot that is too short is refused; so
 * is one of parts that all keep their minutes and don't fill it.
 */
export function scaledSheet(parts: readonly SheetPart[], slotMin: number): RunSheet {
  const fixed = parts.filter(({ keeps }) => keeps).reduce((sum, { minutes }) => sum + minutes, 0);
  const shared = parts.filter(({ keeps }) => !keeps);
  const least = fixed + shared.length;
  if (slotMin < least) return { ok: false, least, message: `${slotMin} min is too short: ${least} min at least, a minute for each part.` };
  if (shared.length === 0 && slotMin > fixed)
    return {
      ok: false,
      least,
      message: `All parts keep their minutes and take ${fixed} of ${slotMin}: let one of them share what is left.`,
    };
  const minutes = wholeShares(
    shared.map((part) => part.minutes),
    slotMin - fixed,
  );
  let from = 0;
  return {
    ok: true,
    parts: parts.map((part) => {
      const long = part.keeps ? part.minutes : (minutes[shared.indexOf(part)] ?? 0);
      from += long;
      return { ...part, minutes: long, from: from - long };
    }),
  };
}

/** What a run sheet is made of besides its run's kind and the slot. */
export interface SheetOf {
  readonly sketchFirst: boolean;
  /** The run's own parts; null: the usual ones. */
  readonly own?: readonly SheetPart[] | null;
  readonly held?: SessionKind;
}

/** A run's own parts, else the usual ones of its kind, scaled to a slot; where kits are picked up and on line, always theirs. */
export function runSheet(kind: RunKind, slotMin: number, { sketchFirst, own = null, held = "as the run" }: SheetOf): RunSheet {
  return scaledSheet(held === "as the run" ? (own ?? usualParts(kind, { sketchFirst })) : apart[held], slotMin);
}
