import { type BuyingDoc, preparingOf, seasonRuns } from "@lampcrate/contract";
import type { SeasonCrate } from "@lampcrate/core";
import { useMemo } from "react";
import type { SeasonInput } from "../../shared/compute/season.worker.ts";
import { seasonDoor } from "../../shared/compute/seasonDoor.ts";
import { useLatest } from "../../shared/compute/useLatest.ts";

const nothing: SeasonInput = {
  runs: [],
  now: 0,
  today: "2000-01-01",
  preparing: {
    weekdays: [1],
    closures: [],
    people: 1,
    hours: 1,
    times: { cut: { setup: 0, batch: 1, each: 0, stack: 1 }, count: { setup: 0, batch: 1, each: 0 }, bag: { setup: 0, batch: 1, each: 0 } },
  },
};

/** Every crate of the season that is still to come, sized beside the interface; null until they are there. */
export function useSeasonCrates(doc: BuyingDoc | undefined): readonly SeasonCrate[] | null {
  const input = useMemo(
    () => (doc ? { runs: seasonRuns(doc), now: doc.now, today: doc.today, preparing: preparingOf(doc) } : nothing),
    [doc],
  );
  const { output } = useLatest(seasonDoor, input, "season");
  return doc && output ? output.crates : null;
}
