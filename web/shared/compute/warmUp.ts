import { type BuyProblem, cheapest, type Solve, seedOf, uniformAt } from "@lampcrate/core";

/**
 * Plans made-up seasons: what the solver compiles on the way, the first real plan finds ready. They must be of the same
 * make as real ones (packs of two sizes, thresholds, fees), or the parts of the solver that search are left cold.
 */
export function warmUp(solve: Solve): void {
  cheapest(madeUp("one"), solve, { seconds: 0.3 });
}

function madeUp(name: string): BuyProblem {
  const seed = seedOf("warming up", name);
  let drawn = 0;
  const whole = (low: number, high: number): number => {
    drawn += 1;
    return low + Math.floor(uniformAt(seed, drawn) * (high - low + 1));
  };
  const suppliers = Array.from({ length: 5 }, (_, s) => ({
    id: `${s}`,
    lead: whole(1, 9),
    fee: 100 * whole(3, 12),
    freeFrom: s % 2 === 0 ? 100 * whole(40, 120) : null,
    least: s % 2 === 0 ? 0 : 100 * whole(10, 30),
  }));
  const materials = Array.from({ length: 28 }, (_, m) => ({ id: `${m}`, onHand: whole(0, 60) }));
  const packs = materials.flatMap(({ id }) => {
    const unit = whole(3, 60);
    return suppliers
      .filter(() => whole(0, 1) === 1)
      .flatMap((supplier) =>
        [12, 50].map((size) => ({
          id: `${id} ${supplier.id} ${size}`,
          material: id,
          supplier: supplier.id,
          size,
          price: Math.round(size * unit * (whole(80, 130) / 100) * (size === 50 ? 0.85 : 1)),
        })),
      );
  });
  const crates = Array.from({ length: 20 }, (_, c) => ({
    id: `${c}`,
    needBy: whole(10, 60),
    needs: Object.fromEntries(Array.from({ length: 6 }, () => [`${whole(0, 27)}`, whole(5, 160)])),
  }));
  const sold = new Set(packs.map((pack) => pack.material));
  return { materials: materials.filter(({ id }) => sold.has(id)), suppliers, packs, crates };
}
