import type { BriefDoc, BriefLine, MaterialDoc } from "@lampcrate/contract";

/** A new line of a material, with the usual numbers. */
export function usualLine(id: string, material: MaterialDoc, brief: Pick<BriefDoc, "buildBy" | "shareAtOnce">): BriefLine {
  return {
    id,
    materialId: material.id,
    per: brief.buildBy,
    kind: material.unit === "piece" ? "counted" : "measured",
    amount: material.unit === "mm" ? 600 : 1,
    perRebuild: 0.5,
    spoilRate: 0.04,
    spread: 0.35,
    share: brief.shareAtOnce,
    unitsPerItem: 1,
    loss: 0.3,
    source: "packed",
    standIn: "",
    standInRatio: 1,
    tier: null,
    cut: null,
  };
}
