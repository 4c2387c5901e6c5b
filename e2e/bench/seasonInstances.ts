import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { type BuyPack, type BuyProblem, seedOf, uniformAt } from "@lampcrate/core";
import { root } from "../harness.ts";

/** How many seasons are published for timing, in docs/instances. */
export const instanceCount = 5;
export const instanceFile = (number: number): string => join(root, `docs/instances/season-${number}.json`);

/** A made-up season of 30 crates, 40 materials and 6 suppliers; the same at every run. */
function seasonOf(number: number): BuyProblem {
  const seed = seedOf("published season", String(number));
  let drawn = 0;
  const u = (): number => {
    drawn += 1;
    return uniformAt(seed, drawn);
  };
  const whole = (low: number, high: number): number => low + Math.floor(u() * (high - low + 1));
  const suppliers = Array.from({ length: 6 }, (_, v) => ({
    id: `supplier-${v + 1}`,
    lead: whole(1, 14),
    fee: 100 * whole(3, 12),
    freeFrom: u() < 0.7 ? 100 * whole(40, 150) : null,
    least: u() < 0.5 ? 100 * whole(10, 40) : 0,
  }));
  const materials = Array.from({ length: 40 }, (_, m) => ({ id: `material-${m + 1}`, onHand: whole(0, 60), reusable: m >= 34 }));
  const packs = materials.flatMap(({ id }, m): readonly BuyPack[] => {
    const unit = whole(3, 60);
    const sellers = suppliers.map((supplier) => ({ supplier, at: u() })).sort((a, b) => a.at - b.at);
    return sellers.slice(0, whole(2, 4)).flatMap(({ supplier }) =>
      Array.from({ length: whole(1, 2) }, (_, k) => {
        const size = [10, 12, 25, 50, 100][whole(0, 4)] ?? 10;
        const price = Math.round(size * unit * (0.8 + 0.5 * u()) * (size >= 50 ? 0.85 : 1));
        return { id: `pack-${m + 1}-${supplier.id}-${k + 1}`, material: id, supplier: supplier.id, size, price };
      }),
    );
  });
  const crates = Array.from({ length: 30 }, (_, c) => ({
    id: `crate-${c + 1}`,
    needBy: 14 + whole(0, 60),
    needs: Object.fromEntries(Array.from({ length: 8 }, () => [`material-${whole(1, 40)}`, whole(5, 160)])),
  }));
  return { materials, suppliers, packs, crates };
}

/** Writes the published seasons anew. */
export function writeInstances(): void {
  mkdirSync(join(root, "docs/instances"), { recursive: true });
  for (let number = 1; number <= instanceCount; number += 1) writeFileSync(instanceFile(number), `${JSON.stringify(seasonOf(number))}\n`);
}
