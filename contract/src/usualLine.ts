import type { BriefLine } from "./brief.ts";

/** A line with the usual numbers. */
export function usualLine(id: string, materialId: string): BriefLine {
  return {
    id,
    materialId,
    per: "builder",
    kind: "counted",
    amount: 1,
    perRebuild: 0.5,
    spoilRate: 0.04,
    spread: 0.35,
    share: 0.6,
    unitsPerItem: 1,
    loss: 0.3,
    source: "packed",
    standIn: "",
    standInRatio: 1,
    tier: null,
    cut: null,
  };
}
