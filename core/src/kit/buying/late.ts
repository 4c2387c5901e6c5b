import { type BuyProblem, type Demand, demandsOf, unmetBy } from "./problem.ts";
import { promisesOf } from "./promises.ts";

/** A material that no supplier can bring in time for a crate, and the last day on which the quickest could have been ordered from; days from today. */
export interface TooLate extends Demand {
  readonly crates: readonly string[];
  /** null when nobody carries it, or not enough of it. */
  readonly latestOrder: number | null;
}

/** What can't be brought in time, and the problem without it: those crates get what there is, the rest is planned. */
export function withoutLate(problem: BuyProblem): { readonly late: readonly TooLate[]; readonly rest: BuyProblem } {
  const late: TooLate[] = [];
  let rest = problem;
  // Letting one crate's need go changes what its later days ask for, so each is looked at anew.
  for (let round = 0; round <= problem.crates.length * problem.materials.length; round += 1) {
    const [unmet] = [...unmetBy(rest, demandsOf(rest))].sort((a, b) => a.needBy - b.needBy);
    if (!unmet) break;
    const { material, needBy } = unmet;
    const crates = rest.crates.filter((crate) => crate.needBy === needBy && (crate.needs[material] ?? 0) > 0).map((crate) => crate.id);
    late.push({ ...unmet, crates, latestOrder: latestOrder(problem, unmet) });
    rest = withWhatThereIs(rest, material, needBy);
  }
  return { late, rest };
}

function latestOrder({ suppliers, packs }: BuyProblem, { material, needBy }: Demand): number | null {
  const leads = packs.flatMap((pack) =>
    pack.material === material ? suppliers.flatMap((supplier) => (supplier.id === pack.supplier ? [supplier.lead] : [])) : [],
  );
  const quickest = Math.min(...leads);
  return leads.length > 0 && quickest > needBy ? needBy - quickest : null;
}

/** Crates of that day get what there is for them, and what was bought for earlier ones; the rest of their need is let go. */
function withWhatThereIs(problem: BuyProblem, id: string, day: number): BuyProblem {
  const material = problem.materials.find((m) => m.id === id);
  if (!material) return problem;
  const covered = new Map(promisesOf(material, problem.crates).map((promise) => [promise.crate, promise.covered]));
  const crates = problem.crates.map((crate) =>
    crate.needBy === day ? { ...crate, needs: { ...crate.needs, [id]: covered.get(crate.id) ?? 0 } } : crate,
  );
  return { ...problem, crates };
}
