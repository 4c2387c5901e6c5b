import { allotted } from "./allot.ts";
import { type BuyCrate, type BuyMaterial, needAtOnce } from "./problem.ts";

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
  const wanted = crates.filter((crate) => (crate.needs[material.id] ?? 0) > 0);
  const asked = material.reusable
    ? Math.max(0, ...wanted.map((crate) => needAtOnce(material.id, crate, crates)))
    : wanted.reduce((sum, crate) => sum + (crate.needs[material.id] ?? 0), 0);
  const due = (material.arrivals ?? []).reduce((sum, arrival) => sum + arrival.amount, 0);
  return { due, asked, short: allotted(material, crates).bought };
}
