import type { EntryDoc } from "@lampcrate/contract";
import { askWords, showQuantity, type UnitChoice } from "@lampcrate/core";

/** What an entry's family could be asked of its odd values; empty where nothing is odd. */
export function askFor({ versions, dimension }: EntryDoc, units: UnitChoice): string {
  const show = (si: number): string => showQuantity(si, dimension, units);
  return versions
    .flatMap(({ role, number, trials }) =>
      trials.flatMap(({ number: trial, value, flag, offers }) => {
        if (flag === null || value === null) return [];
        const where = `Trial ${trial} of ${role === "control" ? "the bare test" : `version ${number}`}`;
        return [askWords({ where, shown: show(value), offered: offers[0] ? show(offers[0].value) : null })];
      }),
    )
    .join(" ");
}
