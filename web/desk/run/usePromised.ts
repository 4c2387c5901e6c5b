import { preparingOf, seasonStore } from "@lampcrate/contract";
import { seasonProblem, takenBefore } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useSeasonCrates } from "../buying/useSeasonCrates.ts";
import { buyingQuery } from "../queries.ts";

const none: ReadonlyMap<string, number> = new Map();

/** What other crates of the season have of each material when this session's goes out; nothing while that is being reckoned. */
export function usePromised(sessionId: string | null): ReadonlyMap<string, number> {
  const doc = useQuery(buyingQuery).data;
  const crates = useSeasonCrates(doc);
  return useMemo(() => {
    if (!doc || !crates || sessionId === null) return none;
    const problem = seasonProblem(crates, seasonStore(doc), doc.today, preparingOf(doc));
    const crate = problem.crates.find((c) => c.id === sessionId);
    if (!crate) return none;
    return new Map(problem.materials.map((material) => [material.id, takenBefore(material, crate, problem.crates)]));
  }, [doc, crates, sessionId]);
}
