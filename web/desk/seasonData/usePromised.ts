import { buyProblem, stockBy, takenBefore } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { buyingQuery } from "../queries.ts";
import { useSeasonCrates } from "./useSeasonCrates.ts";

/** What is promised of a material: others before this crate have some, and orders bring some in time for it. */
export interface Promising {
  readonly taken: number;
  readonly due: number;
  /** What earlier crates leave over and this one packs again, where the season is bought for as one. */
  readonly again: number;
}

export const nothingPromised: Promising = { taken: 0, due: 0, again: 0 };

const none: ReadonlyMap<string, Promising> = new Map();

/** What other crates of the season have of each material when this session's goes out, and what is on its way; nothing while that is being reckoned. */
export function usePromised(sessionId: string | null): ReadonlyMap<string, Promising> {
  const doc = useQuery(buyingQuery).data;
  const { crates, asked } = useSeasonCrates(doc);
  return useMemo(() => {
    if (!doc || !crates || !asked || sessionId === null) return none;
    const problem = buyProblem(doc, asked);
    const whole = crates.find((c) => c.id === sessionId)?.needs ?? [];
    const crate = problem.crates.find((c) => c.id === sessionId);
    if (!crate) return none;
    return new Map(
      problem.materials.map((material) => [
        material.id,
        {
          taken: takenBefore(material, crate, problem.crates),
          due: stockBy(material, crate.needBy) - (material.onHand ?? 0),
          again: Math.max(0, (whole.find((need) => need.material === material.id)?.amount ?? 0) - (crate.needs[material.id] ?? 0)),
        },
      ]),
    );
  }, [doc, crates, asked, sessionId]);
}
