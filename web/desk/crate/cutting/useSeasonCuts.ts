import type { BriefDoc, MaterialDoc } from "@lampcrate/contract";
import type { OtherCut } from "@lampcrate/core";
import { crateBase, type KitCut } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { buyingQuery } from "../../queries.ts";
import { useBriefWork, useCrateWork } from "../../work/RunContext.ts";

/** A piece that this crate or another of the season cuts from a material. */
export interface SeasonCut extends OtherCut {
  readonly materialId: string;
  readonly shape: KitCut["shape"];
  /** The run that cuts it; null for the run at hand. */
  readonly runTitle: string | null;
}

/** Everything that is cut in the season: by the brief at hand, and by the other runs still to come. */
export function useSeasonCuts(): readonly SeasonCut[] {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const season = useQuery(buyingQuery).data;
  return useMemo(
    () => [
      ...cutsOf(brief, materials, null),
      ...(season?.runs ?? []).flatMap((other) =>
        other.id === run.id || other.sessions.every((s) => s.cancelled) ? [] : cutsOf(other.brief, materials, other.title),
      ),
    ],
    [brief, materials, run.id, season],
  );
}

function cutsOf(brief: BriefDoc, materials: readonly MaterialDoc[], runTitle: string | null): readonly SeasonCut[] {
  return crateBase(brief, materials).lines.flatMap(({ id, cut }) => {
    const line = brief.lines.find((l) => l.id === id);
    return cut && line?.cut
      ? [{ id: `${runTitle ?? ""} ${id}`, plan: cut, materialId: line.materialId, shape: line.cut.shape, runTitle }]
      : [];
  });
}
