import { dateOf, shortDate } from "@lampcrate/core";
import { useQuery } from "@tanstack/react-query";
import { houseQuery, meQuery } from "../queries.ts";

/** What day it is at the house, and how its days are said. */
export interface HouseDay {
  readonly now: number;
  readonly zone: string;
  /** The house's own date, such as "2026-11-25". */
  readonly today: string;
  /** A date in a few letters; with its year where that isn't plain. */
  readonly day: (date: string) => string;
  /** The same of an instant, by the house's clock. */
  readonly dayOf: (instant: number) => string;
}

/** The house's clock: never the machine's own zone, never UTC. */
export function useHouseDay(): HouseDay {
  const now = useQuery(meQuery).data?.now ?? 0;
  const zone = useQuery(houseQuery).data?.zone ?? "UTC";
  const today = dateOf(now, zone);
  const day = (date: string): string => shortDate(date, today);
  return { now, zone, today, day, dayOf: (instant) => day(dateOf(instant, zone)) };
}
