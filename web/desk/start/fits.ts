import type { StarterLine } from "@lampcrate/contract";
import { families } from "@lampcrate/core";

/** What a planner has: everything on the shelf that asks for more is left out. */
export interface Wish {
  readonly words: string;
  readonly family: StarterLine["family"] | null;
  /** Age of the youngest who come, years. */
  readonly age: number | null;
  /** Time for a build, minutes. */
  readonly minutes: number | null;
  /** Longest free side of the room, m. */
  readonly roomM: number | null;
  /** There is no water at hand. */
  readonly dry: boolean;
}

export const anything: Wish = { words: "", family: null, age: null, minutes: null, roomM: null, dry: false };

/** What a starter asks of the room. */
export const needsOf = ({ family, spec }: StarterLine) => families[family].needs(spec);

/** True where a starter can be held with what there is, and every word asked for stands somewhere in what is said of it. */
export function fits(starter: StarterLine, { words, family, age, minutes, roomM, dry }: Wish): boolean {
  const { lengthM, widthM, water } = needsOf(starter);
  if (family !== null && starter.family !== family) return false;
  if (age !== null && starter.youngestAge > age) return false;
  if (minutes !== null && starter.minutes > minutes) return false;
  if (roomM !== null && Math.max(lengthM, widthM) > roomM + 1e-9) return false;
  if (dry && water) return false;
  const said = [starter.title, starter.goal, starter.told, families[starter.family].words, families[starter.family].ask]
    .join(" ")
    .toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => said.includes(word));
}
