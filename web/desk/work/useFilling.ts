import type { Filling } from "@lampcrate/core";
import { useCallback, useMemo } from "react";
import { useRested } from "../../shared/useRested.ts";
import { useBriefWork, useCrateWork } from "./RunContext.ts";

/** What a material is called. */
export function useNameOf(): (materialId: string) => string {
  const { materials } = useCrateWork();
  return useCallback((id) => materials.find((material) => material.id === id)?.name ?? "gone from the store room", [materials]);
}

/** How long a dial rests before words follow it, ms. */
export const restMs = 150;

/** What the places of the brief's texts are filled from, as it is being worked on. */
export function useFilling(): Filling {
  const { run, brief: now } = useBriefWork();
  const { materials } = useCrateWork();
  // Words follow a dragged dial once it rests: the drawing and the crate have the time until then.
  const brief = useRested(now, restMs);
  const { units, opensOn, closesOn, revealOn } = run;
  return useMemo(
    () => ({
      brief,
      units,
      unitOf: (id: string) => materials.find((material) => material.id === id)?.unit ?? null,
      dates: { opens: opensOn, closes: closesOn, reveal: revealOn },
    }),
    [brief, units, materials, opensOn, closesOn, revealOn],
  );
}
