import { type Check, checksOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useRested } from "../../shared/useRested.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { learnedQuery } from "../queries.ts";
import { useBriefWork, useCrateWork } from "./RunContext.ts";
import { restMs } from "./useFilling.ts";

/** What doesn't fit in the brief as it is being worked on; once a dial that is dragged rests. */
export function useChecks(): readonly Check[] {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { today } = useHouseDay();
  const learned = useQuery(learnedQuery(run.id)).data;
  const { kind, units, opensOn, closesOn, revealOn } = run;
  const rested = useRested(brief, restMs);
  return useMemo(
    () =>
      checksOf(rested, {
        kind,
        units,
        today,
        materials,
        dates: { opens: opensOn, closes: closesOn, reveal: revealOn },
        ratios: (learned?.checked ?? []).map(({ ratio }) => ratio),
      }),
    [rested, kind, units, today, materials, opensOn, closesOn, revealOn, learned],
  );
}
