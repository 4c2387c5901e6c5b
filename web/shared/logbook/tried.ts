import type { Family, Outcomes, Timer, UnitChoice, Values } from "@lampcrate/core";

/** What is tried: a family's challenge with its numbers. */
export interface Tried {
  readonly family: Family;
  readonly spec: Values;
  readonly design: Values;
  readonly units: UnitChoice;
  readonly outcomes: Outcomes;
  /** How whoever times by hand times, from practice. */
  readonly timer?: Timer | null;
}
