import type { Filling } from "@lampcrate/core";
import { useCallback, useMemo } from "react";
import { useBriefWork, useCrateWork } from "./RunContext.ts";

/** What a material is called. */
export function useNameOf(): (materialId: string) => string {
  const { materials } = useCrateWork();
  return useCallback((id) => materials.find((material) => material.id === id)?.name ?? "gone from the store room", [materials]);
}

/** What the places of the brief's texts are filled from, as it is being worked on. */
export function useFilling(): Filling {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
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
