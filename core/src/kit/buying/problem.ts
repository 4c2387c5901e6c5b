/** A material to buy; amounts in its own unit. */
export interface BuyMaterial {
  readonly id: string;
  readonly onHand?: number | undefined;
  /** On its way and due in time for every crate. */
  readonly onOrder?: number | undefined;
  /** On its way, with the day it is due: in time for crates that need it no sooner. */
  readonly arrivals?: readonly { readonly day: number; readonly amount: number }[] | undefined;
  /** Promised to sessions outside this plan. */
  readonly promised?: number | undefined;
  /** It comes back after each crate, less what is lost. */
  readonly reusable?: boolean | undefined;
}

/** Days from today, cents; `freeFrom` null: delivery is never free. */
export interface BuySupplier {
  readonly id: string;
  readonly lead: number;
  readonly fee: number;
  readonly freeFrom: number | null;
  readonly least: number;
}

export interface BuyPack {
  readonly id: string;
  readonly material: string;
  readonly supplier: string;
  readonly size: number;
  readonly price: number;
  /** Most that the supplier has. */
  readonly max?: number | undefined;
}

/** A crate's needs by material, and the last day on which an order for it may arrive. */
export interface BuyCrate {
  readonly id: string;
  readonly needBy: number;
  readonly needs: Readonly<Record<string, number>>;
  readonly losses?: Readonly<Record<string, number>> | undefined;
  /** From when to when it is out, any clock: crates out together need their own; without it, crates of one day do. */
  readonly out?: { readonly from: number; readonly to: number } | undefined;
}

/** Everything a season's buying depends on. */
export interface BuyProblem {
  readonly materials: readonly BuyMaterial[];
  readonly suppliers: readonly BuySupplier[];
  readonly packs: readonly BuyPack[];
  readonly crates: readonly BuyCrate[];
}

/** What must have arrived of a material by a day. */
export interface Demand {
  readonly material: string;
  readonly needBy: number;
  readonly amount: number;
}

/** Losses are expected values: sums of them may leave this much of rounding. */
export const nothing = 1e-9;

/** What must be bought of each material by each of its days: more than nothing, days ascending. */
export function demandsOf({ materials, crates }: Pick<BuyProblem, "materials" | "crates">): readonly Demand[] {
  return materials.flatMap((material) => demandsFor(material, crates));
}

/** The same for one material. */
export function demandsFor(material: BuyMaterial, crates: readonly BuyCrate[]): readonly Demand[] {
  const wanted = crates.filter((crate) => (crate.needs[material.id] ?? 0) > 0).sort((a, b) => a.needBy - b.needBy);
  const demands: Demand[] = [];
  let need = 0;
  for (const [i, crate] of wanted.entries()) {
    const { needBy } = crate;
    need = material.reusable ? Math.max(need, needAtOnce(material.id, crate, crates)) : need + (crate.needs[material.id] ?? 0);
    if (wanted[i + 1]?.needBy === needBy) continue;
    const amount = Math.max(0, need - stockBy(material, needBy));
    if (amount > nothing) demands.push({ material: material.id, needBy, amount });
  }
  return demands;
}

/** What there is of a material on a day without buying: on hand, and on its way and due by then, less what is promised elsewhere. */
export function stockBy({ onHand = 0, onOrder = 0, arrivals = [], promised = 0 }: BuyMaterial, day: number): number {
  return onHand + onOrder + arrivals.reduce((sum, arrival) => (arrival.day <= day ? sum + arrival.amount : sum), 0) - promised;
}

/** What is wanted of a reusable on the day a crate goes out: its own need, that of crates out with it, and what was lost before. */
export function needAtOnce(id: string, crate: BuyCrate, crates: readonly BuyCrate[]): number {
  return crates.reduce((sum, other) => {
    if (outTogether(other, crate)) return sum + (other.needs[id] ?? 0);
    return comesBefore(other, crate) ? sum + (other.losses?.[id] ?? 0) : sum;
  }, 0);
}

/** True when one is still out as the other goes out. */
export function outTogether(other: BuyCrate, crate: BuyCrate): boolean {
  if (!other.out || !crate.out) return other.needBy === crate.needBy;
  return other.out.from <= crate.out.from && crate.out.from < other.out.to;
}

export function comesBefore(other: BuyCrate, crate: BuyCrate): boolean {
  if (!other.out || !crate.out) return other.needBy < crate.needBy;
  return other.out.to <= crate.out.from;
}

/** The most that can be bought of a material and be there by a day. */
export function inTimeFor({ suppliers, packs }: Pick<BuyProblem, "suppliers" | "packs">, material: string, day: number): number {
  const leads = new Map(suppliers.map((supplier) => [supplier.id, supplier.lead]));
  return packs.reduce(
    (sum, pack) =>
      pack.material === material && (leads.get(pack.supplier) ?? Number.POSITIVE_INFINITY) <= day
        ? sum + pack.size * (pack.max ?? Number.POSITIVE_INFINITY)
        : sum,
    0,
  );
}

/** Demands that all packs arriving by their day together cannot cover. */
export function unmetBy(problem: BuyProblem, demands: readonly Demand[]): readonly Demand[] {
  return demands.filter(({ material, needBy, amount }) => inTimeFor(problem, material, needBy) < amount - nothing);
}

/**
 * Never more packs than would cover all that is wanted, with room to reach a threshold or a least order: also with what the
 * season uses and has enough of.
 */
export function mostPacks(pack: BuyPack, supplier: BuySupplier | undefined, demands: readonly Demand[], used: ReadonlySet<string>): number {
  if (!used.has(pack.material)) return 0;
  const wanted = Math.max(0, ...demands.filter((demand) => demand.material === pack.material).map((demand) => demand.amount));
  const room = Math.max(supplier?.freeFrom ?? 0, supplier?.least ?? 0);
  const useful = Math.ceil(wanted / pack.size) + (pack.price > 0 ? Math.ceil(room / pack.price) : 0);
  return Math.min(pack.max ?? Number.POSITIVE_INFINITY, useful);
}

/** Materials that some crate of a season takes. */
export function usedIn({ crates }: Pick<BuyProblem, "crates">): ReadonlySet<string> {
  return new Set(crates.flatMap(({ needs }) => Object.entries(needs).flatMap(([id, need]) => (need > 0 ? [id] : []))));
}

/** Suppliers whose least order can be reached by what is wanted of them, and as much more of it as they have. */
export function reachableSuppliers(problem: BuyProblem, demands: readonly Demand[]): ReadonlySet<string> {
  const { suppliers, packs } = problem;
  const used = usedIn(problem);
  return new Set(
    suppliers.flatMap((supplier) => {
      const own = packs.filter((pack) => pack.supplier === supplier.id);
      const most = own.reduce((sum, pack) => sum + pack.price * mostPacks(pack, supplier, demands, used), 0);
      return most >= supplier.least ? [supplier.id] : [];
    }),
  );
}
