import type { BriefDoc, MaterialDoc } from "@lampcrate/contract";
import { type KitLine, usualLine } from "@lampcrate/core";

/** A new line of a material in a brief, with the usual numbers. */
export function newLine(id: string, material: MaterialDoc, brief: Pick<BriefDoc, "buildBy" | "shareAtOnce">): KitLine {
  return {
    ...usualLine(id, material.id),
    per: brief.buildBy,
    kind: material.unit === "piece" ? "counted" : "measured",
    amount: material.unit === "mm" ? 600 : 1,
    share: brief.shareAtOnce,
  };
}
