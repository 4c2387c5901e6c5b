import { buyProblem, type SeasonUse, seasonUseOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { buyingQuery } from "../queries.ts";
import { useSeasonCrates } from "./useSeasonCrates.ts";

/** What the season asks of each material; null while its crates are being sized. */
export function useSeasonUse(): ReadonlyMap<string, SeasonUse> | null {
  const doc = useQuery(buyingQuery).data;
  const { asked } = useSeasonCrates(doc);
  return useMemo(() => {
    if (!doc || !asked) return null;
    const problem = buyProblem(doc, asked);
    return new Map(problem.materials.map((material) => [material.id, seasonUseOf(material, problem.crates)]));
  }, [doc, asked]);
}
