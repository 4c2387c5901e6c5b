import { backPlan } from "../../calendar/backPlan.ts";
import { addDays } from "../../calendar/wallClock.ts";
import { type WorkingDays, workingDayOnOrAfter, workingDayOnOrBefore, workingDaysBetween } from "../../calendar/workingDays.ts";
import { allotted } from "../buying/allot.ts";
import type { BuyProblem } from "../buying/problem.ts";
import type { SeasonCrate } from "./crates.ts";
import type { SeasonStore } from "./problem.ts";

/** Something that must begin for a crate, planned back from its session over working days. */
export interface Start {
  readonly kind: "prepare" | "order" | "collect";
  readonly crate: SeasonCrate;
  /** Latest day to begin, local date. */
  readonly by: string;
  /** Working days from today; below 0: late. */
  readonly slack: number;
  /** What is ordered or collected: amounts in the material's unit. */
  readonly materials: readonly { readonly id: string; readonly amount: number }[];
}

/** What people bring in a week of the materials that are collected. */
export type PerWeek = ReadonlyMap<string, number>;

/**
 * Everything of a season that has a latest day: preparing each crate, ordering what it lacks from the quickest supplier
 * that sells it, collecting what is donated (what earlier crates lack is collected first). In order of date.
 */
export function startsOf(
  crates: readonly SeasonCrate[],
  problem: BuyProblem,
  store: SeasonStore,
  perWeek: PerWeek,
  today: string,
  days: WorkingDays,
): readonly Start[] {
  const slackOf = (by: string): number => workingDaysBetween(workingDayOnOrAfter(today, days), by, days);
  const prepare = crates
    .filter((crate) => crate.tasks.length > 0)
    .map((crate): Start => ({ kind: "prepare", crate, by: crate.prepareFrom, slack: slackOf(crate.prepareFrom), materials: [] }));
  const lacking = problem.materials.flatMap((material) =>
    allotted(material, problem.crates).crates.flatMap(({ crate: id, bought }) => {
      const crate = crates.find((c) => c.id === id);
      return crate && bought > 1e-9 ? [{ id: material.id, crate, amount: bought }] : [];
    }),
  );
  // What a supplier sells is in the plan, whoever else may bring it.
  const collected = [...perWeek].filter(([id]) => leadOf(id, store) === null);
  const order = crates.flatMap((crate): readonly Start[] => {
    const bought = lacking.filter((item) => item.crate === crate && leadOf(item.id, store) !== null);
    if (bought.length === 0) return [];
    const by = bought.map((item) => workingDayOnOrBefore(addDays(crate.arriveBy, -(leadOf(item.id, store) ?? 0)), days)).sort()[0] ?? today;
    return [{ kind: "order", crate, by, slack: slackOf(by), materials: bought.map(({ id, amount }) => ({ id, amount })) }];
  });
  const collect = collected.flatMap(([id, ratePerWeek]) => {
    let pieces = 0;
    return lacking
      .filter((item) => item.id === id)
      .map(({ crate, amount }): Start => {
        pieces += amount;
        const ready = addDays(crate.arriveBy, 1);
        const [step] = backPlan(ready, today, [{ id: "collect", after: [], pieces, ratePerWeek }], days).steps;
        const by = step?.latestStart ?? today;
        return { kind: "collect", crate, by, slack: slackOf(by), materials: [{ id, amount: pieces }] };
      });
  });
  return [...prepare, ...order, ...collect].sort((a, b) => a.by.localeCompare(b.by) || a.crate.from - b.crate.from);
}

/** Days of the quickest supplier that sells a material; null when none does. */
function leadOf(id: string, { suppliers, packs }: SeasonStore): number | null {
  const leads = packs.flatMap((pack) =>
    pack.material === id ? suppliers.flatMap((supplier) => (supplier.id === pack.supplier ? [supplier.leadDays] : [])) : [],
  );
  return leads.length === 0 ? null : Math.min(...leads);
}
