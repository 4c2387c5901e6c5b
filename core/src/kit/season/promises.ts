import { type BuyCrate, type BuyMaterial, needAtOnce, stockBy } from "../buy/problem.ts";

/** What a crate gets of a material when earlier ones are served first; in the material's unit. */
export interface Promised {
  readonly crate: string;
  readonly need: number;
  /** There for it: on hand, or due by the day it is needed, and not promised to an earlier one. */
  readonly covered: number;
  readonly short: number;
}

/** Promises a material in date order. What comes back is there again for the next crate, less what is lost; crates out together share it. */
export function promisesOf(material: BuyMaterial, crates: readonly BuyCrate[]): readonly Promised[] {
  const wanted = crates.filter((crate) => (crate.needs[material.id] ?? 0) > 0);
  return wanted.map((crate) => {
    const need = crate.needs[material.id] ?? 0;
    const covered = Math.min(need, Math.max(0, stockBy(material, crate.needBy) - takenBefore(material, crate, crates)));
    return { crate: crate.id, need, covered, short: need - covered };
  });
}

/** What other crates have of a material when this one goes out: all that earlier ones use up; of what comes back, what is out with it or was lost. */
export function takenBefore({ id, reusable }: BuyMaterial, crate: BuyCrate, crates: readonly BuyCrate[]): number {
  if (reusable) return needAtOnce(id, crate, crates) - (crate.needs[id] ?? 0);
  const earlier = crates.slice(
    0,
    crates.findIndex((other) => other.id === crate.id),
  );
  return earlier.reduce((sum, other) => sum + (other.needs[id] ?? 0), 0);
}

/** What a season asks of a material; in its unit. */
export interface SeasonUse {
  /** On its way. */
  readonly due: number;
  /** All that its crates use up; of what comes back, the most that is out at once or lost by then. */
  readonly asked: number;
  /** What some crate would lack. */
  readonly short: number;
}

/** What a season's crates ask of a material, and how much of it is neither there nor due in time. */
export function seasonUseOf(material: BuyMaterial, crates: readonly BuyCrate[]): SeasonUse {
  const promises = promisesOf(material, crates);
  const together = (amounts: readonly number[]): number =>
    material.reusable ? Math.max(0, ...amounts) : amounts.reduce((sum, amount) => sum + amount, 0);
  return {
    due: (material.arrivals ?? []).reduce((sum, arrival) => sum + arrival.amount, 0),
    asked: together(
      promises.map(({ crate: id, need }) => {
        const crate = crates.find((c) => c.id === id);
        return material.reusable && crate ? needAtOnce(material.id, crate, crates) : need;
      }),
    ),
    short: together(promises.map((promise) => promise.short)),
  };
}
