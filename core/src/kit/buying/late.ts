import {
  type BuyCrate,
  type BuyMaterial,
  type BuyProblem,
  type Demand,
  demandsFor,
  demandsOf,
  inTimeFor,
  needAtOnce,
  nothing,
  reachableSuppliers,
} from "./problem.ts";

/** What of a material no order can bring in time for some crates; the amount is what is missing, no more. */
export interface TooLate extends Demand {
  readonly crates: readonly string[];
  /** The last day on which the quickest supplier could have been ordered from; days from today. null when nobody carries it, or not enough of it. */
  readonly latestOrder: number | null;
  /** A supplier who carries it and would be in time, but whose least order is out of reach; null usually. */
  readonly leastOf: string | null;
}

/** What can't be brought in time, and the problem without it: exactly that is let go, the rest is planned. */
export function withoutLate(problem: BuyProblem): { readonly late: readonly TooLate[]; readonly rest: BuyProblem } {
  const late: TooLate[] = [];
  let rest = problem;
  // Letting go of a need may put a least order out of reach, and what only that supplier has is late then too.
  for (;;) {
    const before: BuyProblem = { ...rest, ...withinReach(rest) };
    rest = before.materials.reduce((left, material) => letGo(problem, left, material, late), before);
    if (rest === before) return { late, rest };
  }
}

/** Lets go of a material until what is left of it can come; notes what that was. */
function letGo(problem: BuyProblem, from: BuyProblem, material: BuyMaterial, late: TooLate[]): BuyProblem {
  let rest = from;
  // Letting go of a need lets later days ask for less: each is looked at anew.
  for (;;) {
    const missing = firstMissing(rest, material);
    if (!missing) return rest;
    const { needBy, crate, amount } = missing;
    const known = late.findIndex((item) => item.material === material.id && item.needBy === needBy);
    const before = late[known];
    const item = {
      material: material.id,
      needBy,
      amount: (before?.amount ?? 0) + amount,
      crates: [...new Set([...(before?.crates ?? []), crate.id])],
      latestOrder: latestOrder(problem, missing),
      leastOf: leastOf(problem, rest, missing),
    };
    late.splice(known < 0 ? late.length : known, 1, item);
    rest = { ...rest, crates: rest.crates.map((one) => (one.id === crate.id ? withLess(one, material.id, amount) : one)) };
  }
}

function withinReach(problem: BuyProblem): Pick<BuyProblem, "suppliers" | "packs"> {
  const reachable = reachableSuppliers(problem, demandsOf(problem));
  return {
    suppliers: problem.suppliers.filter(({ id }) => reachable.has(id)),
    packs: problem.packs.filter(({ supplier }) => reachable.has(supplier)),
  };
}

interface Missing {
  readonly material: string;
  readonly needBy: number;
  /** The crate that goes without: of those that ask for too much together, the one that is served last. */
  readonly crate: BuyCrate;
  readonly amount: number;
}

/** The earliest day on which some of a material is missing, and how much of whose need it is. */
function firstMissing(problem: BuyProblem, material: BuyMaterial): Missing | null {
  for (const { needBy, amount } of demandsFor(material, problem.crates)) {
    const short = amount - inTimeFor(problem, material.id, needBy);
    const crate = short > nothing ? servedLast(problem, material, needBy) : undefined;
    if (crate) return { material: material.id, needBy, crate, amount: Math.min(short, crate.needs[material.id] ?? 0) };
  }
  return null;
}

/** Of the crates of that day, the one that asks last; of what comes back, the one that goes out while most is out. */
function servedLast({ crates }: BuyProblem, { id, reusable }: BuyMaterial, day: number): BuyCrate | undefined {
  const asking = crates.filter((crate) => crate.needBy <= day && (crate.needs[id] ?? 0) > 0);
  if (!reusable) return asking.findLast((crate) => crate.needBy === day);
  return [...asking].sort((a, b) => needAtOnce(id, b, crates) - needAtOnce(id, a, crates))[0];
}

/** A crate with less of something, and as much less of it to lose. */
function withLess(crate: BuyCrate, id: string, amount: number): BuyCrate {
  const need = crate.needs[id] ?? 0;
  const left = Math.max(0, need - amount);
  const loss = crate.losses?.[id];
  const losses = loss === undefined ? crate.losses : { ...crate.losses, [id]: need > 0 ? (loss * left) / need : 0 };
  return { ...crate, needs: { ...crate.needs, [id]: left }, losses };
}

function latestOrder({ suppliers, packs }: BuyProblem, { material, needBy }: Missing): number | null {
  const leads = packs.flatMap((pack) =>
    pack.material === material ? suppliers.flatMap((supplier) => (supplier.id === pack.supplier ? [supplier.lead] : [])) : [],
  );
  const quickest = Math.min(...leads);
  return leads.length > 0 && quickest > needBy ? needBy - quickest : null;
}

/** Who would bring it in time, had one's least order been within reach. */
function leastOf(whole: BuyProblem, rest: BuyProblem, { material, needBy }: Missing): string | null {
  const left = new Set(rest.suppliers.map(({ id }) => id));
  const found = whole.suppliers.find(
    ({ id, lead }) => !left.has(id) && lead <= needBy && whole.packs.some((pack) => pack.supplier === id && pack.material === material),
  );
  return found?.id ?? null;
}
