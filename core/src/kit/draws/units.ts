import { ceiling } from "./rounding.ts";

/** What a line counts by. */
export const pers = ["builder", "team", "table", "rig", "session", "series"] as const;
export type Per = (typeof pers)[number];

/** How builders are grouped and seated. */
export interface Grouping {
  readonly teamSize: number;
  readonly seats: number;
  /** Part of the builders there at once, before the day has been simulated. */
  readonly share: number;
  /** Builders that one rig serves in a session. */
  readonly rigServes: number;
}

/** Units of a line for N builders: teams ⌈N/k⌉, tables ⌈N · share / seats⌉, rigs ⌈N · share / rigServes⌉; 1 for a session with anybody in it. */
export function unitsFor(per: Per, builders: number, grouping: Grouping): number {
  switch (per) {
    case "builder":
      return builders;
    case "team":
      return ceiling(builders / grouping.teamSize);
    case "table":
      return ceiling((builders * grouping.share) / grouping.seats);
    case "rig":
      return ceiling((builders * grouping.share) / grouping.rigServes);
    case "session":
    case "series":
      return builders > 0 ? 1 : 0;
  }
}
