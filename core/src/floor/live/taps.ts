/** How a test at a rig came out. */
export const tapOutcomes = ["number", "atLeast", "failed", "passed", "rung"] as const;
export type TapOutcome = (typeof tapOutcomes)[number];

/** What is tapped on a floor. A unit is a builder alone or a party as one team; its id is its party's, and its place in it. */
export type TapBody =
  /** A party comes in; `number` is the tablet's own count of them. */
  | { readonly kind: "in"; readonly heads: number; readonly number: number }
  /** A party that waited or looked in goes away again. */
  | { readonly kind: "turned away"; readonly heads: number }
  /** A unit joins the line for the rigs. */
  | { readonly kind: "line"; readonly unit: string }
  /** A unit takes a rig. */
  | { readonly kind: "rig"; readonly unit: string; readonly rig: number }
  /** What its test showed, as typed and in SI, of rungs its words and its place; its rig is free again. */
  | { readonly kind: "result"; readonly unit: string; readonly raw: string; readonly value: number | null; readonly outcome: TapOutcome }
  /** A unit builds again; it takes no kit. */
  | { readonly kind: "again"; readonly unit: string }
  /** A unit goes home. */
  | { readonly kind: "home"; readonly unit: string }
  /** A paper consent to the photo of its build was seen, or is taken back. */
  | { readonly kind: "photo"; readonly unit: string; readonly yes: boolean }
  | { readonly kind: "near miss"; readonly words: string }
  | { readonly kind: "ran short"; readonly words: string }
  | { readonly kind: "note"; readonly words: string }
  /** So many kits were on the floor at the start. */
  | { readonly kind: "kits"; readonly count: number }
  /** Takes another tap back. */
  | { readonly kind: "undo"; readonly tap: string };

/** One tap, kept by its random id: sent twice, it counts once. */
export interface Tap {
  readonly id: string;
  /** The tablet's own time, ms since 1970. */
  readonly at: number;
  /** The tablet, a letter or two. */
  readonly by: string;
  readonly body: TapBody;
}

export type TapKind = TapBody["kind"];
export const tapKinds: readonly TapKind[] = [
  "in",
  "turned away",
  "line",
  "rig",
  "result",
  "again",
  "home",
  "photo",
  "near miss",
  "ran short",
  "note",
  "kits",
  "undo",
];

/** A tablet's clock may be this far from the session, ms: one that is days off would put its taps out of order. */
const mostOffMs = 36 * 3_600_000;

/** From when until when a session's floor takes taps, ms since 1970: 36 h around it. */
export function tapsTaken({ startAt, minutes }: { readonly startAt: number; readonly minutes: number }): {
  readonly from: number;
  readonly until: number;
} {
  return { from: startAt - mostOffMs, until: startAt + minutes * 60_000 + mostOffMs };
}
