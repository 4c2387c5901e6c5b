import { type BriefDoc, type BriefLine, type MaterialDoc, usualLine } from "@lampcrate/contract";

/** A new line of a material in a brief, with the usual numbers. */
export function newLine(id: string, material: MaterialDoc, brief: Pick<BriefDoc, "buildBy" | "shareAtOnce">): BriefLine {
  return {
    ...usualLine(id, material.id),
    per: brief.buildBy,
    kind: material.unit === "piece" ? "counted" : "measured",
    amount: material.unit === "mm" ? 600 : 1,
    share: brief.shareAtOnce,
  };
}
