import { type Allotment, type BuyProblem, orderedPacks, type Purchase } from "@lampcrate/core";
import { useMemo, useState } from "react";

/** A purchase as the planner has changed it. */
export interface Edits {
  readonly purchase: Purchase;
  readonly changed: boolean;
  readonly countOf: (pack: string) => number;
  /** So many packs; 0 leaves it out. */
  readonly setCount: (pack: string, count: number) => void;
  readonly asPlanned: () => void;
  /** What a crate lacked of a material already in the purchase as it was planned. */
  readonly lackedBefore: (material: string, crate: string) => number;
}

const none: Purchase = { cost: 0, suppliers: [], packs: [], proven: true, bound: 0 };

type Counts = Readonly<Record<string, number>>;
const noCounts: Counts = {};

/** Changes to a planned purchase; they are dropped when another one is planned. */
export function useEdits(problem: BuyProblem, planned: Purchase | null, given: readonly Allotment[]): Edits {
  const plan = planned ?? none;
  const key = JSON.stringify(plan.packs);
  const [edited, setEdited] = useState<{ readonly of: string; readonly counts: Counts }>({ of: key, counts: noCounts });
  const counts = edited.of === key ? edited.counts : noCounts;
  const changed = plan.packs.some(({ id, count }) => (counts[id] ?? count) !== count);
  const purchase = useMemo(
    () =>
      changed
        ? orderedPacks(
            problem,
            plan.packs.map(({ id, count }) => ({ id, count: counts[id] ?? count })),
          )
        : plan,
    [problem, plan, changed, counts],
  );
  return {
    purchase,
    changed,
    countOf: (pack) => counts[pack] ?? plan.packs.find(({ id }) => id === pack)?.count ?? 0,
    setCount: (pack, count) => setEdited({ of: key, counts: { ...counts, [pack]: count } }),
    asPlanned: () => setEdited({ of: key, counts: noCounts }),
    lackedBefore: (material, crate) =>
      given.find((one) => one.material === material)?.crates.find((one) => one.crate === crate)?.lacks ?? 0,
  };
}
