import { type CutPlan, jointJob, type KitLine, type Manifest } from "@lampcrate/core";
import type { CutJob } from "../../../shared/compute/cuttingDoor.ts";

/** A line's pieces to cut; `count` of pieces, two triangles to a rectangle. */
export interface ToCut {
  readonly line: KitLine;
  readonly plan: CutPlan;
  readonly pieces: number;
  readonly parents: number;
}

/** Sizes cut from one material in one go: the sheets each would take alone, and the job of cutting them together. */
export interface CutTogetherJob {
  readonly materialId: string;
  readonly parts: readonly ToCut[];
  readonly apart: number;
  readonly job: CutJob;
}

/** Lines that are cut, with what of each the manifest asks for. */
export function toCut(lines: readonly KitLine[], plans: ReadonlyMap<string, CutPlan>, manifest: Manifest | null): readonly ToCut[] {
  return lines.flatMap((line) => {
    const plan = plans.get(line.id);
    const found = manifest?.lines.find((l) => l.id === line.id);
    return plan && found?.parents ? [{ line, plan, pieces: found.quantity, parents: found.parents }] : [];
  });
}

/** Materials from which more than one size is cut. */
export function cutTogether(parts: readonly ToCut[]): readonly CutTogetherJob[] {
  const materials = [...new Set(parts.map((part) => part.line.materialId))];
  return materials.flatMap((materialId) => {
    const own = parts.filter((part) => part.line.materialId === materialId);
    const [first] = own;
    if (!first || own.length < 2) return [];
    const lengths = own.every((part) => part.line.cut?.shape === "length");
    const kerf = Math.max(...own.map((part) => part.plan.kerf));
    const trimH = Math.max(...own.map((part) => part.plan.trimH));
    const sheets = jointJob(own);
    const job: CutJob | null = lengths
      ? {
          of: "rolls",
          job: {
            rollLength: first.plan.parentH - trimH,
            kerf,
            pieces: own.map((part) => ({ length: part.plan.pieceH, count: part.pieces })),
          },
        }
      : sheets && { of: "sheets", job: sheets };
    if (!job) return [];
    return [{ materialId, parts: own, apart: own.reduce((sum, part) => sum + part.parents, 0), job }];
  });
}
