import type { Solve, SolveLimits } from "../../numeric/solver.ts";
import { type BuyProblem, type Demand, demandsOf, unmetBy } from "./problem.ts";
import { type ProgramWish, purchaseProgram } from "./program.ts";

/** Packs to order, what the suppliers take, and what it costs; cents. */
export interface Purchase {
  readonly cost: number;
  readonly suppliers: readonly { readonly id: string; readonly goods: number; readonly fee: number }[];
  readonly packs: readonly { readonly id: string; readonly count: number }[];
  /** True when the solver has shown that nothing is cheaper. */
  readonly proven: boolean;
  /** What the solver has shown that no purchase can beat, cents; 0 where it has shown nothing. */
  readonly bound: number;
}

/** The cheapest purchase that arrives in time, or what no supplier can bring: materials and days, or least orders out of reach. */
export type PurchasePlan =
  | { readonly feasible: true; readonly best: Purchase; readonly next: Purchase | null }
  | { readonly feasible: false; readonly unmet: readonly Demand[]; readonly leastOutOfReach: readonly string[] };

const nothing: Purchase = { cost: 0, suppliers: [], packs: [], proven: true, bound: 0 };

/**
 * Packs at least total cost over all crates, each arriving in time, one order a supplier today; of equal cost fewer
 * suppliers, then fewer packs. `next` is the best that does without at least one of the best one's suppliers.
 */
export function purchasePlan(problem: BuyProblem, solve: Solve): PurchasePlan {
  const demands = demandsOf(problem);
  const unmet = unmetBy(problem, demands);
  if (unmet.length > 0) return { feasible: false, unmet, leastOutOfReach: [] };
  const best = cheapest(problem, solve);
  if (!best) return { feasible: false, unmet: [], leastOutOfReach: problem.suppliers.filter((s) => s.least > 0).map((s) => s.id) };
  return { feasible: true, best, next: demands.length === 0 ? null : nextCheapest(problem, best, solve) };
}

/** The cheapest purchase; null when there is none. With limits it may be a little dearer: then it isn't proven. */
export function cheapest(problem: BuyProblem, solve: Solve, limits: SolveLimits = {}): Purchase | null {
  return purchased(problem, {}, solve, limits);
}

/** The best purchase that does without at least one of another's suppliers; null when there is none. */
export function nextCheapest(problem: BuyProblem, best: Purchase, solve: Solve): Purchase | null {
  return purchased(problem, { notAll: best.suppliers.map((supplier) => supplier.id) }, solve);
}

/** The cheapest purchase among those from as few suppliers as can be; null when there is none. */
export function fewestSuppliers(problem: BuyProblem, solve: Solve): Purchase | null {
  const fewest = purchased(problem, { countSuppliers: true }, solve);
  return fewest && purchased(problem, { mostSuppliers: fewest.suppliers.length }, solve);
}

/** The cheapest purchase among those that are all there soonest, with that day; null when there is none. */
export function soonest(problem: BuyProblem, solve: Solve): { readonly purchase: Purchase; readonly day: number } | null {
  const leads = [...new Set(problem.suppliers.map((supplier) => supplier.lead))].sort((a, b) => a - b);
  const demands = demandsOf(problem);
  for (const day of leads) {
    const within = { ...problem, ...suppliersWithin(problem, day) };
    if (unmetBy(within, demands).length > 0) continue;
    const purchase = cheapest(within, solve);
    if (purchase) return { purchase, day };
  }
  return null;
}

function suppliersWithin({ suppliers, packs }: BuyProblem, day: number): Pick<BuyProblem, "suppliers" | "packs"> {
  const quick = suppliers.filter((supplier) => supplier.lead <= day);
  return { suppliers: quick, packs: packs.filter((pack) => quick.some((supplier) => supplier.id === pack.supplier)) };
}

/** What no purchase can beat, cents: the program with its whole numbers let go. 0 when there is nothing to buy. */
export function costBound(problem: BuyProblem, solve: Solve): number {
  const demands = demandsOf(problem);
  if (demands.length === 0) return 0;
  return Math.max(0, Math.floor(solve(purchaseProgram(problem, demands, { relaxed: true })).objective));
}

function purchased(problem: BuyProblem, wish: ProgramWish, solve: Solve, limits: SolveLimits = {}): Purchase | null {
  const demands = demandsOf(problem);
  if (demands.length === 0) return wish.notAll ? null : nothing;
  const { optimal, objective, values } = solve(purchaseProgram(problem, demands, wish), limits);
  if (!optimal && Object.keys(values).length === 0) return null;
  const packs = problem.packs.flatMap((pack, j) => {
    const count = Math.round(values[`x${j}`] ?? 0);
    return count > 0 ? [{ id: pack.id, count }] : [];
  });
  if (packs.length === 0) return null;
  const { gap = 0 } = limits;
  const ordered = orderedPacks(problem, packs);
  // What breaks ties is below a cent together. An order of no packs that was paid for is not in the cost.
  const bound = !optimal ? 0 : gap === 0 ? ordered.cost : Math.max(0, Math.floor(objective * (1 - gap)) - 1);
  return { ...ordered, proven: optimal && gap === 0, bound };
}

/** What so many packs cost, and what each supplier takes for them; whoever gets no order takes nothing. */
export function orderedPacks(problem: BuyProblem, counts: Purchase["packs"]): Purchase {
  const packs = counts.filter(({ count }) => count > 0);
  const suppliers = problem.suppliers.flatMap(({ id, fee, freeFrom }) => {
    const own = packs.flatMap((ordered) => {
      const pack = problem.packs.find((p) => p.id === ordered.id);
      return pack?.supplier === id ? [pack.price * ordered.count] : [];
    });
    const goods = own.reduce((sum, price) => sum + price, 0);
    return own.length === 0 ? [] : [{ id, goods, fee: freeFrom !== null && goods >= freeFrom ? 0 : fee }];
  });
  return { cost: suppliers.reduce((sum, { goods, fee }) => sum + goods + fee, 0), suppliers, packs, proven: false, bound: 0 };
}
