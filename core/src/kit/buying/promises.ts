import { type BuyCrate, type BuyMaterial, needAtOnce, stockBy } from "./problem.ts";

/** What a crate gets of a material when earlier ones are served first; in the material's unit. */
export interface Promised {
  readonly crate: string;
  readonly need: number;
  /** There for it: on hand, or due by the day it is needed, and not promised to an earlier one. */
  readonly covered: number;
  readonly short: number;
}

/**
 * Promises a material in date order; what an earlier crate lacks is bought for it, so it takes nothing from the stock of
 * later ones. What comes back is there again for the next crate, bought ones too, less what is lost; crates out together share it.
 */
export function promisesOf(material: BuyMaterial, crates: readonly BuyCrate[]): readonly Promised[] {
  let bought = 0;
  return crates
    .filter((crate) => (crate.needs[material.id] ?? 0) > 0)
    .map((crate) => {
      const need = crate.needs[material.id] ?? 0;
      const there = stockBy(material, crate.needBy) + bought - claimedBefore(material, crate, crates);
      const covered = Math.min(need, Math.max(0, there));
      bought += need - covered;
      return { crate: crate.id, need, covered, short: need - covered };
    });
}

/** What other crates have of a material's stock when this one goes out; of what comes back, what is out with it or was lost. */
export function takenBefore(material: BuyMaterial, crate: BuyCrate, crates: readonly BuyCrate[]): number {
  const claimed = claimedBefore(material, crate, crates);
  if (material.reusable) return claimed;
  const earlier = crates.slice(0, placeOf(crate, crates));
  return claimed - promisesOf(material, earlier).reduce((sum, promised) => sum + promised.short, 0);
}

/** What other crates need of a material when this one goes out: all of the earlier ones; of what comes back, what is out with it or was lost. */
function claimedBefore({ id, reusable }: BuyMaterial, crate: BuyCrate, crates: readonly BuyCrate[]): number {
  if (reusable) return needAtOnce(id, crate, crates) - (crate.needs[id] ?? 0);
  return crates.slice(0, placeOf(crate, crates)).reduce((sum, other) => sum + (other.needs[id] ?? 0), 0);
}

const placeOf = (crate: BuyCrate, crates: readonly BuyCrate[]): number =>
  Math.max(
    0,
    crates.findIndex((other) => other.id === crate.id),
  );

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
  const sum = (amounts: readonly number[]): number => amounts.reduce((total, amount) => total + amount, 0);
  const wanted = crates.filter((crate) => (crate.needs[material.id] ?? 0) > 0);
  return {
    due: sum((material.arrivals ?? []).map((arrival) => arrival.amount)),
    asked: material.reusable
      ? Math.max(0, ...wanted.map((crate) => needAtOnce(material.id, crate, crates)))
      : sum(promises.map((promise) => promise.need)),
    short: sum(promises.map((promise) => promise.short)),
  };
}
