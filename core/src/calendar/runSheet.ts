import type { RunKind } from "./runKinds.ts";

/** What a session goes through, in this order. */
export const phases = ["welcome", "cautions", "look", "sketch", "build", "test", "improve", "share", "tidy"] as const;
export type Phase = (typeof phases)[number];

export const phaseWords: Readonly<Record<Phase, string>> = {
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

export interface SheetPhase {
  readonly phase: Phase;
  readonly minutes: number;
  /** From the session's start, min. */
  readonly from: number;
}

export type RunSheet =
  | { readonly ok: true; readonly phases: readonly SheetPhase[] }
  | { readonly ok: false; readonly least: number; readonly message: string };

/**
 * A session's phases scaled to its slot: welcome, cautions and tidy keep their minutes, the rest share what is left in
 * proportion, in whole minutes by largest remainder (ties: the earlier), none below 1. Their sum is the slot.
 */
export function runSheet(kind: RunKind, slotMin: number, { sketchFirst }: { readonly sketchFirst: boolean }): RunSheet {
  const base = usual[kind];
  const held = phases.filter((phase) => base[phase] > 0 && (phase !== "sketch" || sketchFirst));
  const fixed = held.filter((phase) => kept.includes(phase)).reduce((sum, phase) => sum + base[phase], 0);
  const shared = held.filter((phase) => !kept.includes(phase));
  const least = fixed + shared.length;
  if (slotMin < least) return { ok: false, least, message: `${slotMin} min is too short: ${least} min at least, a minute for each part.` };
  const minutes = shares(
    shared.map((phase) => base[phase]),
    slotMin - fixed,
  );
  let from = 0;
  return {
    ok: true,
    phases: held.map((phase) => {
      const long = kept.includes(phase) ? base[phase] : (minutes[shared.indexOf(phase)] ?? 0);
      from += long;
      return { phase, minutes: long, from: from - long };
    }),
  };
}

/** Whole parts of a total in proportion to weights, by largest remainder, each at least 1; what would come below 1 gets 1 and the others share the rest. */
function shares(weights: readonly number[], total: number): readonly number[] {
  const given: (number | null)[] = weights.map(() => null);
  for (;;) {
    const open = weights.flatMap((weight, i) => (given[i] === null ? [{ i, weight }] : []));
    const left = total - given.reduce<number>((sum, one) => sum + (one ?? 0), 0);
    const sum = open.reduce((all, { weight }) => all + weight, 0);
    const quotas = open.map(({ i, weight }) => ({ i, quota: (weight * left) / sum }));
    const small = quotas.filter(({ quota }) => quota < 1);
    if (small.length > 0 && small.length < open.length) {
      for (const { i } of small) given[i] = 1;
      continue;
    }
    const floors = quotas.map(({ i, quota }) => ({ i, floor: Math.floor(quota + 1e-9), rest: quota - Math.floor(quota + 1e-9) }));
    let more = left - floors.reduce((all, { floor }) => all + floor, 0);
    // Rests that differ by a rounding alone are equal: the earlier goes first.
    for (const one of [...floors].sort((a, b) => (Math.abs(a.rest - b.rest) < 1e-9 ? a.i - b.i : b.rest - a.rest))) {
      given[one.i] = one.floor + (more > 0 ? 1 : 0);
      more -= 1;
    }
    return given.map((one) => one ?? 0);
  }
}
