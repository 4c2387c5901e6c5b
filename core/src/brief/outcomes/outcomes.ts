import type { FailedCountsAs } from "../../family/shape.ts";
import type { Token } from "../../quantity/parse.ts";

/** What a trial is judged by: the family's own number; passed or not, so many passes asked for; or rungs, the best first, and the least that will do. */
export type MainOutcome =
  | { readonly kind: "number" }
  | { readonly kind: "passes"; readonly passed: string; readonly not: string; readonly asked: number }
  | { readonly kind: "rungs"; readonly steps: readonly string[]; readonly asked: number };

/** What a failed test counts as: as the family has it, nothing at all, or no value. */
export const failedKinds = ["family", "nothing", "no value"] as const;
export type FailedKind = (typeof failedKinds)[number];

/** A thing that loads are counted in, by whatever name; its mass, kg, where it is known, and what it was found from. */
export interface NamedToken {
  readonly name: string;
  readonly massKg: number | null;
  readonly weighed: Weighing | null;
}

/** Several weighed together: kg; `stepKg` is the scale's smallest step. */
export interface Weighing {
  readonly count: number;
  readonly togetherKg: number;
  readonly stepKg: number;
}

/** Questions to ask each other; nobody writes an answer. */
export interface AskedQuestions {
  readonly before: readonly string[];
  readonly during: readonly string[];
  readonly after: readonly string[];
}

/** What a brief asks of its trials, where that isn't just what its family does. */
export interface Outcomes {
  readonly main: MainOutcome;
  readonly failed: FailedKind;
  /** Measures asked for beside the main one, by id; optional to families. */
  readonly further: readonly string[];
  /** The field that varies from trial to trial; null: none does. */
  readonly setting: string | null;
  /** Versions asked for; fewer are fine to send. */
  readonly versions: number;
  /** Rules of the family and the brief that families answer yes or no. */
  readonly answered: boolean;
  /** Questions instead of the family's; null: the family's. */
  readonly questions: AskedQuestions | null;
  readonly tokens: readonly NamedToken[];
}

/** Trials as the family has them, nothing beside. */
export const asFamily: Outcomes = {
  main: { kind: "number" },
  failed: "family",
  further: [],
  setting: null,
  versions: 2,
  answered: false,
  questions: null,
  tokens: [],
};

/** What was weighed together comes to, each: kg, and how far off the scale's step leaves it. */
export function weighedEach({ count, togetherKg, stepKg }: Weighing): { readonly massKg: number; readonly offKg: number } {
  return { massKg: togetherKg / count, offKg: stepKg / count };
}

/** A named token as quantities are read by it. */
export const tokenOfName = ({ name, massKg }: NamedToken): Token => ({ names: [name], massKg: massKg ?? undefined });

/** What a kind of failure counts as; `usual` is the family's own. */
export const failedValue = (kind: FailedKind, usual: FailedCountsAs): FailedCountsAs =>
  kind === "family" ? usual : kind === "nothing" ? 0 : null;

/** What a brief asks, with what an entry named itself: its own names come first. */
export const withTokens = (outcomes: Outcomes, tokens: readonly NamedToken[]): Outcomes =>
  tokens.length === 0 ? outcomes : { ...outcomes, tokens: [...tokens, ...outcomes.tokens] };
