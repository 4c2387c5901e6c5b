import type { BriefDoc, MaterialDoc, RunSettings } from "@lampcrate/contract";
import type { Filling } from "@lampcrate/core";

/** What the places of a brief's texts are filled from, in the run's own units. */
export function fillingOf(
  brief: BriefDoc,
  { units, opensOn, closesOn, revealOn }: Pick<RunSettings, "units" | "opensOn" | "closesOn" | "revealOn">,
  materials: readonly Pick<MaterialDoc, "id" | "unit">[],
): Filling {
  return {
    brief,
    units,
    unitOf: (id) => materials.find((material) => material.id === id)?.unit ?? null,
    dates: { opens: opensOn, closes: closesOn, reveal: revealOn },
  };
}
