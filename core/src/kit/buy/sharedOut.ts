import { type BuyProblem, stockBy } from "./problem.ts";
import type { Purchase } from "./purchase.ts";

/** What of a material bought goes to which crate, and what is left over; in the material's unit. */
export interface SharedOut {
  readonly material: string;
  readonly crates: Readonly<Record<string, number>>;
  readonly left: number;
}

/** What of each pack bought goes to which crate, first needed first served, and what is left over. */
export function sharedOut(problem: BuyProblem, best: Purchase): readonly SharedOut[] {
  return problem.materials.flatMap((material) => {
    const bought = best.packs.reduce((sum, { id, count }) => {
      const pack = problem.packs.find((p) => p.id === id);
      return pack?.material === material.id ? sum + pack.size * count : sum;
    }, 0);
    if (bought === 0) return [];
    let used = 0;
    let left = bought;
    const crates: Record<string, number> = {};
    for (const crate of [...problem.crates].sort((a, b) => a.needBy - b.needBy)) {
      const need = crate.needs[material.id] ?? 0;
      const fromStock = Math.min(Math.max(0, stockBy(material, crate.needBy) - used), need);
      const fromNew = Math.min(left, need - fromStock);
      if (fromNew > 0) crates[crate.id] = fromNew;
      // What comes back serves the next crate again; what is used does not.
      if (!material.reusable) [used, left] = [used + fromStock, left - fromNew];
    }
    return [
      { material: material.id, crates, left: material.reusable ? Math.max(0, bought - Math.max(0, ...Object.values(crates))) : left },
    ];
  });
}

/** What of one pack's whole count goes to which crate, and what of it is left over. */
export interface PackShare {
  readonly pack: string;
  readonly crates: Readonly<Record<string, number>>;
  readonly left: number;
}

/** The same pack by pack: crates take first from what is there first. What comes back is lent on, so each crate takes its need anew. */
export function sharedByPack(problem: BuyProblem, best: Purchase): readonly PackShare[] {
  const lead = (id: string): number => problem.suppliers.find((s) => s.id === problem.packs.find((p) => p.id === id)?.supplier)?.lead ?? 0;
  return sharedOut(problem, best).flatMap(({ material: id, crates }) => {
    const reusable = problem.materials.find((m) => m.id === id)?.reusable === true;
    const bought = best.packs
      .filter((pack) => problem.packs.find((p) => p.id === pack.id)?.material === id)
      .sort((a, b) => lead(a.id) - lead(b.id))
      .map((pack) => ({ pack: pack.id, amount: pack.count * (problem.packs.find((p) => p.id === pack.id)?.size ?? 0) }));
    const taken = bought.map(() => 0);
    const shares = bought.map((): Record<string, number> => ({}));
    for (const [crate, amount] of Object.entries(crates)) {
      let want = amount;
      for (const [i, pack] of bought.entries()) {
        const gets = Math.min(want, pack.amount - (reusable ? 0 : (taken[i] ?? 0)));
        if (gets <= 0) continue;
        want -= gets;
        taken[i] = reusable ? Math.max(taken[i] ?? 0, gets) : (taken[i] ?? 0) + gets;
        const share = shares[i];
        if (share) share[crate] = gets;
      }
    }
    return bought.map(({ pack, amount }, i) => ({ pack, crates: shares[i] ?? {}, left: amount - (taken[i] ?? 0) }));
  });
}
