import { type BuyingDoc, preparingOf, seasonRuns } from "@lampcrate/contract";
import type { SeasonCrate } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { sizeSeason } from "../../shared/compute/seasonDoor.ts";

const numbers = new WeakMap<BuyingDoc, number>();
let last = 0;

/** A number for each document: its whole text would be a long key to compare at every render. */
function numberOf(doc: BuyingDoc): number {
  const known = numbers.get(doc);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(doc, last);
  return last;
}

/** Every crate of the season that is still to come, sized beside the interface; null until they are there. */
export function useSeasonCrates(doc: BuyingDoc | undefined): readonly SeasonCrate[] | null {
  const sized = useQuery({
    queryKey: ["season crates", doc ? numberOf(doc) : 0],
    enabled: doc !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    queryFn: async ({ signal }) => {
      if (!doc) return [];
      const input = { runs: seasonRuns(doc), now: doc.now, today: doc.today, preparing: preparingOf(doc) };
      return (await sizeSeason(input, signal)).crates;
    },
  });
  return sized.data ?? null;
}
