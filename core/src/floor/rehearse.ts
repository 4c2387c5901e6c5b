import type { DropIn } from "./dropIn.ts";
import { type DropInReport, reportOf } from "./report.ts";
import { DropInDays } from "./simulate.ts";
import { Tally } from "./tally.ts";

/** Simulates so many days of one seed. */
export function tallyOf(day: DropIn, days: number, seed: number): Tally {
  const tally = new Tally(day);
  const all = new DropInDays(day, tally);
  for (let number = 0; number < days; number += 1) all.run(seed, number);
  return tally;
}

/** Rehearses a drop-in day so many times over, and tells what it comes to. */
export const rehearse = (day: DropIn, days: number, seed: number): DropInReport => reportOf(day, tallyOf(day, days, seed));
