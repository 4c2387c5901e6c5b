import type { BuyingDoc } from "@lampcrate/contract";
import { boughtAsOne, lastOver, preparingOf, type SeasonCertainty, type SeasonCrate, seasonRuns } from "@lampcrate/core";
import { replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { SeasonInput } from "../../shared/compute/season.worker.ts";
import { seasonSureness, sizeSeason } from "../../shared/compute/seasonDoor.ts";

/** The season's crates, and how their sizing stands. */
export interface SeasonCrates {
  /** Every crate that is still to come; null until they are there. */
  readonly crates: readonly SeasonCrate[] | null;
  /** The same as they are bought for: less what is packed again when the season is bought for as one. */
  readonly asked: readonly SeasonCrate[] | null;
  readonly trouble: string | null;
  readonly again: () => void;
}

interface Numbered {
  readonly input: SeasonInput;
  readonly number: number;
}

const numbered = new WeakMap<BuyingDoc, Numbered>();
let newest: Numbered | null = null;

/**
 * What a document's crates are sized from, with a number that is another only when something in it is: the time of day
 * alone changes nothing until a session is over. The whole input would be a long key to compare at every rendering.
 */
export function sizedFrom(doc: BuyingDoc): Numbered {
  const known = numbered.get(doc);
  if (known) return known;
  const runs = seasonRuns(doc);
  const input: SeasonInput = { runs, now: lastOver(runs, doc.now), today: doc.today, preparing: preparingOf(doc) };
  if (newest === null || replaceEqualDeep(newest.input, input) !== newest.input) newest = { input, number: (newest?.number ?? 0) + 1 };
  numbered.set(doc, newest);
  return newest;
}

const asLongAsItHolds = { staleTime: Number.POSITIVE_INFINITY, gcTime: 60_000, retry: false, networkMode: "always" } as const;

/** Every crate of the season, sized beside the interface. */
export function useSeasonCrates(doc: BuyingDoc | undefined): SeasonCrates {
  const from = doc ? sizedFrom(doc) : null;
  const sized = useQuery({
    ...asLongAsItHolds,
    queryKey: ["season crates", from?.number ?? 0],
    enabled: from !== null,
    queryFn: async ({ signal }) => (from === null ? [] : await sizeSeason(from.input, signal)),
  });
  const crates = sized.data ?? null;
  const asOne = doc?.asOne ?? null;
  const { certainty, trouble: unsure } = useCertainty(doc, crates !== null && asOne !== null);
  const asked = useMemo(
    () => (asOne === null || crates === null ? crates : certainty && askedOf(crates, certainty, asOne)),
    [crates, certainty, asOne],
  );
  return { crates, asked, trouble: sized.error?.message ?? unsure, again: () => void sized.refetch() };
}

/** How sure the season is as a whole; reckoned when it is wanted, after its crates. */
export function useCertainty(doc: BuyingDoc | undefined, wanted: boolean) {
  const from = doc ? sizedFrom(doc) : null;
  const found = useQuery({
    ...asLongAsItHolds,
    queryKey: ["season certainty", from?.number ?? 0],
    enabled: from !== null && wanted,
    queryFn: ({ signal }) => (from === null ? null : seasonSureness(from.input, signal)),
  });
  return { certainty: found.data ?? null, trouble: found.error?.message ?? null };
}

function askedOf(crates: readonly SeasonCrate[], { pooled }: SeasonCertainty, asOne: number | null): readonly SeasonCrate[] {
  const at = pooled.find(({ level }) => level === asOne);
  return at ? boughtAsOne(crates, at) : crates;
}
