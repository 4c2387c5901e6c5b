import { type BuyCrate, type BuyMaterial, type BuyProblem, stockBy } from "./problem.ts";
import { promisesOf, takenBefore } from "./promises.ts";
import type { Purchase } from "./purchase.ts";

/** What of a material bought goes to which crate, and what is left over; in the material's unit. */
export interface SharedOut {
  readonly material: string;
  readonly crates: Readonly<Record<string, number>>;
  readonly left: number;
}

/** What of each material bought goes to which crate, first needed first served, and what is left over. */
export function sharedOut(problem: BuyProblem, best: Purchase): readonly SharedOut[] {
  const crates = [...problem.crates].sort((a, b) => a.needBy - b.needBy);
  return problem.materials.flatMap((material) => {
    const bought = best.packs.reduce((sum, { id, count }) => {
      const pack = problem.packs.find((p) => p.id === id);
      return pack?.material === material.id ? sum + pack.size * count : sum;
    }, 0);
    if (bought === 0) return [];
    const given = material.reusable ? lent(material, crates, bought) : handedOut(material, crates, bought);
    const used = material.reusable ? Math.max(0, ...given.map(([, amount]) => amount)) : given.reduce((sum, [, amount]) => sum + amount, 0);
    return [{ material: material.id, crates: Object.fromEntries(given), left: bought - used }];
  });
}

type Given = readonly (readonly [crate: string, amount: number])[];

/** What is used up: each crate gets what it lacks while there is any. */
function handedOut(material: BuyMaterial, crates: readonly BuyCrate[], bought: number): Given {
  let left = bought;
  return promisesOf(material, crates).flatMap(({ crate, short }) => {
    const gets = Math.min(left, short);
    left -= gets;
    return gets > 0 ? [[crate, gets] as const] : [];
  });
}

/** What comes back: every crate gets what the stock alone would not give it, and what was bought is lent on. */
function lent(material: BuyMaterial, crates: readonly BuyCrate[], bought: number): Given {
  return crates.flatMap((crate) => {
    const need = crate.needs[material.id] ?? 0;
    const there = Math.max(0, stockBy(material, crate.needBy) - takenBefore(material, crate, crates));
    const gets = Math.min(bought, Math.max(0, need - there));
    return gets > 0 ? [[crate.id, gets] as const] : [];
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
