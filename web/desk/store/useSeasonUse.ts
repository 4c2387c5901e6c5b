import { buyProblem } from "@lampcrate/contract";
import { type SeasonUse, seasonUseOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSeasonCrates } from "../buying/useSeasonCrates.ts";
import { buyingQuery } from "../queries.ts";

/** What the season asks of each material; null while its crates are being sized. */
export function useSeasonUse(): ReadonlyMap<string, SeasonUse> | null {
  const doc = useQuery(buyingQuery).data;
  const { crates } = useSeasonCrates(doc);
  return useMemo(() => {
    if (!doc || !crates) return null;
    const problem = buyProblem(doc, crates);
    return new Map(problem.materials.map((material) => [material.id, seasonUseOf(material, problem.crates)]));
  }, [doc, crates]);
}
