import { keptUntil, startOfDay } from "@lampcrate/core";
import type { RunRow } from "../runs/runs.ts";

/** The instant from which a run's entries go, ms; null while it has neither reveal nor closing day. */
export function goFrom(row: Pick<RunRow, "revealOn" | "closesOn">, keepingDays: number, zone: string): number | null {
  const day = keptUntil(row, keepingDays);
  return day === null ? null : startOfDay(day, zone);
}
