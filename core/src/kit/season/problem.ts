import { arrivalDay } from "../../calendar/backPlan.ts";
import { daysBetween } from "../../calendar/wallClock.ts";
import type { WorkingDays } from "../../calendar/workingDays.ts";
import type { BuyCrate, BuyMaterial, BuyPack, BuyProblem, BuySupplier } from "../buying/problem.ts";
import type { SeasonCrate } from "./crates.ts";

/** What a season's buying depends on beside its crates. Money in cents, `leadDays` in calendar days. */
export interface SeasonStore {
  readonly materials: readonly { readonly id: string; readonly onHand: number }[];
  readonly suppliers: readonly (Omit<BuySupplier, "lead"> & { readonly leadDays: number })[];
  readonly packs: readonly BuyPack[];
  /** Orders on their way, by the day they are due. */
  readonly due: readonly { readonly material: string; readonly amount: number; readonly date: string }[];
}

/** The season as a purchase problem: days counted from today; an order due on a closed day arrives on the next working day. */
export function seasonProblem(crates: readonly SeasonCrate[], store: SeasonStore, today: string, days: WorkingDays): BuyProblem {
  const dayOf = (date: string): number => daysBetween(today, date);
  const needed = new Map<string, boolean>();
  for (const { needs } of crates) for (const need of needs) needed.set(need.material, need.reusable && (needed.get(need.material) ?? true));
  const materials: BuyMaterial[] = store.materials
    .filter((material) => needed.has(material.id))
    .map(({ id, onHand }) => ({
      id,
      onHand,
      reusable: needed.get(id) ?? false,
      // Late already: it may come any day, so it counts from today.
      arrivals: store.due.filter((d) => d.material === id).map((d) => ({ day: Math.max(0, dayOf(d.date)), amount: d.amount })),
    }));
  const suppliers = store.suppliers.map(({ leadDays, ...supplier }) => ({
    ...supplier,
    lead: dayOf(arrivalDay(today, leadDays, days)),
  }));
  return { materials, suppliers, packs: store.packs.filter((pack) => needed.has(pack.material)), crates: crates.map(buyCrate(dayOf)) };
}

const buyCrate =
  (dayOf: (date: string) => number) =>
  ({ id, arriveBy, from, to, needs }: SeasonCrate): BuyCrate => ({
    id,
    needBy: dayOf(arriveBy),
    needs: Object.fromEntries(needs.map((need) => [need.material, need.amount])),
    losses: Object.fromEntries(needs.map((need) => [need.material, need.lost])),
    out: { from, to },
  });
