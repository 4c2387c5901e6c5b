import type { Solve } from "../solver.ts";
import { type BuyProblem, type Demand, demandsOf, unmetBy } from "./problem.ts";
import { purchaseProgram } from "./program.ts";

/** Packs to order, what the suppliers take, and what it costs; cents. */
export interface Purchase {
  readonly cost: number;
  readonly suppliers: readonly { readonly id: string; readonly goods: number; readonly fee: number }[];
  readonly packs: readonly { readonly id: string; readonly count: number }[];
  /** True when the solver has shown that nothing is cheaper. */
  readonly proven: boolean;
}

/** The cheapest purchase that arrives in time, or what no supplier can bring: materials and days, or least orders out of reach. */
export type PurchasePlan =
  | { readonly feasible: true; readonly best: Purchase; readonly next: Purchase | null }
  | { readonly feasible: false; readonly unmet: readonly Demand[]; readonly leastOutOfReach: readonly string[] };

/**
 * Packs at least total cost over all crates, each arriving in time, one order a supplier today; of equal cost fewer
 * suppliers, then fewer packs. `next` is the best that does without at least one of the best one's suppliers.
 */
export function purchasePlan(problem: BuyProblem, solve: Solve): PurchasePlan {
  const demands = demandsOf(problem);
  const unmet = unmetBy(problem, demands);
  if (unmet.length > 0) return { feasible: false, unmet, leastOutOfReach: [] };
  if (demands.length === 0) return { feasible: true, best: { cost: 0, suppliers: [], packs: [], proven: true }, next: null };
  const best = purchased(problem, demands, [], solve);
  if (!best) return { feasible: false, unmet: [], leastOutOfReach: problem.suppliers.filter((s) => s.least > 0).map((s) => s.id) };
  const next = purchased(
    problem,
    demands,
    best.suppliers.map((supplier) => supplier.id),
    solve,
  );
  return { feasible: true, best, next };
}

/** The cheapest purchase; of `notAll` at least one supplier is left out. null when there is none. */
function purchased(problem: BuyProblem, demands: readonly Demand[], notAll: readonly string[], solve: Solve): Purchase | null {
  const { optimal, values } = solve(purchaseProgram(problem, demands, notAll));
  if (!optimal && Object.keys(values).length === 0) return null;
  const packs = problem.packs.flatMap((pack, j) => {
    const count = Math.round(values[`x${j}`] ?? 0);
    return count > 0 ? [{ id: pack.id, count }] : [];
  });
  if (packs.length === 0) return null;
  const suppliers = problem.suppliers.flatMap((supplier) => {
    const goods = packs.reduce((sum, { id, count }) => {
      const pack = problem.packs.find((p) => p.id === id);
      return pack?.supplier === supplier.id ? sum + pack.price * count : sum;
    }, 0);
    if (goods === 0) return [];
    const free = supplier.freeFrom !== null && goods >= supplier.freeFrom;
    return [{ id: supplier.id, goods, fee: free ? 0 : supplier.fee }];
  });
  return { cost: suppliers.reduce((sum, { goods, fee }) => sum + goods + fee, 0), suppliers, packs, proven: optimal };
}

/** What of each pack bought goes to which crate, first needed first served, and what is left over; in the material's unit. */
export function sharedOut(
  problem: BuyProblem,
  best: Purchase,
): readonly { readonly material: string; readonly crates: Readonly<Record<string, number>>; readonly left: number }[] {
  return problem.materials.flatMap((material) => {
    const bought = best.packs.reduce((sum, { id, count }) => {
      const pack = problem.packs.find((p) => p.id === id);
      return pack?.material === material.id ? sum + pack.size * count : sum;
    }, 0);
    if (bought === 0) return [];
    let stock = Math.max(0, (material.onHand ?? 0) + (material.onOrder ?? 0) - (material.promised ?? 0));
    let left = bought;
    const crates: Record<string, number> = {};
    for (const crate of [...problem.crates].sort((a, b) => a.needBy - b.needBy)) {
      const need = crate.needs[material.id] ?? 0;
      const fromStock = Math.min(stock, need);
      const fromNew = Math.min(left, need - fromStock);
      if (fromNew > 0) crates[crate.id] = fromNew;
      // What comes back serves the next crate again; what is used does not.
      if (!material.reusable) [stock, left] = [stock - fromStock, left - fromNew];
    }
    return [
      { material: material.id, crates, left: material.reusable ? Math.max(0, bought - Math.max(0, ...Object.values(crates))) : left },
    ];
  });
}
