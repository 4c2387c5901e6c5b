import { type Check, checksOf } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { useRested } from "../../shared/useRested.ts";
import { useHouseDay } from "../pieces/useHouseDay.ts";
import { houseQuery, learnedQuery } from "../queries.ts";
import { useBriefWork, useCrateWork } from "./RunContext.ts";
import { restMs } from "./useFilling.ts";

/** What doesn't fit in the brief as it is being worked on; once a dial that is dragged rests. */
export function useChecks(): readonly Check[] {
  const { run, brief } = useBriefWork();
  const { materials } = useCrateWork();
  const { today, now } = useHouseDay();
  const learned = useQuery(learnedQuery(run.id)).data;
  const { kind, units, opensOn, closesOn, revealOn, sessions } = run;
  const house = useQuery(houseQuery).data;
  const rooms = useMemo(() => {
    const used = new Set(sessions.filter((s) => !s.cancelled && s.kind === "as the run" && s.endAt > now).map((s) => s.roomId));
    return (house?.rooms ?? []).filter(({ id }) => used.has(id));
  }, [house, sessions, now]);
  const rested = useRested(brief, restMs);
  return useMemo(
    () =>
      checksOf(rested, {
        kind,
        units,
        today,
        materials,
        rooms,
        dates: { opens: opensOn, closes: closesOn, reveal: revealOn },
        ratios: learned?.checked ?? [],
      }),
    [rested, kind, units, today, materials, rooms, opensOn, closesOn, revealOn, learned],
  );
}
