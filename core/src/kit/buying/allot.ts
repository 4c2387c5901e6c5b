import { type BuyCrate, type BuyMaterial, type BuyProblem, comesBefore, nothing, outTogether, stockBy } from "./problem.ts";
import type { Purchase } from "./purchase.ts";

/** Where what a crate needs of a material comes from; in the material's unit. need = stock + bought + lent + lacks. */
export interface Allotted {
  readonly crate: string;
  readonly need: number;
  /** On hand, or on its way and due by the day it is needed. */
  readonly stock: number;
  /** Bought for this crate first. */
  readonly bought: number;
  /** Bought for an earlier crate, come back from it. */
  readonly lent: number;
  /** Nobody brings it in time. */
  readonly lacks: number;
  /** What others have of the stock when this one is served. */
  readonly taken: number;
}

/** What of one pack's whole count goes to which crate, and what of it is left over. */
export interface PackShare {
  readonly pack: string;
  readonly crates: Readonly<Record<string, number>>;
  readonly left: number;
}

/** What becomes of a material in a season. */
export interface Allotment {
  readonly material: string;
  readonly crates: readonly Allotted[];
  readonly packs: readonly PackShare[];
  /** What must be bought, of an order's packs what is used. */
  readonly bought: number;
  /** What is ordered beyond that. */
  readonly left: number;
  /** Of what comes back, the most that is missing at once; of what is used up, all that is. */
  readonly lacks: number;
}

/** Something that material comes from, and how much of it is there by a day. */
interface Source {
  readonly by: (day: number) => number;
}

/** A crate that has been served: what it took of each source, and what of that never comes back. */
interface Served {
  readonly crate: BuyCrate;
  readonly took: readonly number[];
  readonly lost: readonly number[];
}

/**
 * What each crate gets of a material from the stock and from packs that are ordered, first needed first served. `wanted`
 * are the same crates less what has been let go. Without packs, all that they lack of the stock is bought.
 */
export function allotted(
  material: BuyMaterial,
  crates: readonly BuyCrate[],
  wanted: readonly BuyCrate[] = crates,
  packs: readonly { readonly id: string; readonly amount: number; readonly day: number }[] | null = null,
): Allotment {
  const byDay = packs === null ? null : [...packs].sort((a, b) => a.day - b.day);
  const orders: readonly Source[] = byDay?.map(({ amount, day }) => ({ by: (until) => (day <= until ? amount : 0) })) ?? [endless];
  const sources: readonly Source[] = [{ by: (day) => stockBy(material, day) }, ...orders];
  const needs = new Map(crates.map((crate) => [crate.id, crate.needs[material.id] ?? 0]));
  const served: Served[] = [];
  const found: Allotted[] = [];
  const mostOf = orders.map(() => 0);
  let most = 0;
  for (const crate of inTurn(material, wanted)) {
    const need = needs.get(crate.id) ?? 0;
    if (need <= 0) continue;
    const held = sources.map((_, s) => heldBy(material, served, crate, s));
    const took = takeInTurn(crate, sources, held, crate.needs[material.id] ?? 0);
    served.push({ crate, took, lost: lostOf(crate, material.id, took) });
    for (const [i] of orders.entries()) mostOf[i] = Math.max(mostOf[i] ?? 0, (held[i + 1] ?? 0) + (took[i + 1] ?? 0));
    const [stock = 0, ...ordered] = took;
    const used = sum(ordered) + sum(held.slice(1));
    const bought = Math.min(sum(ordered), Math.max(0, used - most));
    most = Math.max(most, used);
    found.push({
      crate: crate.id,
      need,
      stock,
      bought,
      lent: sum(ordered) - bought,
      lacks: cleared(need - sum(took)),
      taken: held[0] ?? 0,
    });
  }
  const ordered = sum(byDay?.map(({ amount }) => amount) ?? [most]);
  return {
    material: material.id,
    crates: found,
    packs: (byDay ?? []).map(({ id, amount }, i) => ({
      pack: id,
      crates: Object.fromEntries(served.flatMap(({ crate, took }) => ((took[i + 1] ?? 0) > 0 ? [[crate.id, took[i + 1] ?? 0]] : []))),
      left: amount - (mostOf[i] ?? 0),
    })),
    bought: most,
    left: ordered - most,
    lacks: lackingOf(material, crates, found),
  };
}

/** The same for every material of a season, from one purchase that covers `rest`: what is wanted less what was let go. */
export function allotments(whole: BuyProblem, rest: BuyProblem, purchase: Pick<Purchase, "packs"> | null): readonly Allotment[] {
  const leads = new Map(whole.suppliers.map((supplier) => [supplier.id, supplier.lead]));
  const packs = purchase?.packs.flatMap(({ id, count }) => {
    const pack = whole.packs.find((p) => p.id === id);
    return pack ? [{ id, material: pack.material, amount: count * pack.size, day: leads.get(pack.supplier) ?? 0 }] : [];
  });
  const planned = new Set(rest.materials.map(({ id }) => id));
  return whole.materials.map((material) => {
    // What nobody sells and people bring is in no plan: all that is lacking is collected.
    if (!planned.has(material.id)) return allotted(material, whole.crates);
    return allotted(material, whole.crates, rest.crates, packs?.filter((pack) => pack.material === material.id) ?? null);
  });
}

/** What others have of a material's stock when a crate is served, whether it needs any by now or not. */
export function takenBefore(material: BuyMaterial, crate: BuyCrate, crates: readonly BuyCrate[]): number {
  const need = Math.max(1, crate.needs[material.id] ?? 0);
  const asking = crates.map((one) => (one.id === crate.id ? { ...one, needs: { ...one.needs, [material.id]: need } } : one));
  return allotted(material, asking).crates.find((one) => one.crate === crate.id)?.taken ?? 0;
}

const endless: Source = { by: () => Number.POSITIVE_INFINITY };

/** Nothing for what rounding leaves. */
const cleared = (amount: number): number => (amount > nothing ? amount : 0);

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** What is used up goes to the crates by the day they need it, what comes back as they go out. */
function inTurn({ reusable }: BuyMaterial, crates: readonly BuyCrate[]): readonly BuyCrate[] {
  const when = (crate: BuyCrate): number => (reusable && crate.out ? crate.out.from : crate.needBy);
  return [...crates].sort((a, b) => when(a) - when(b));
}

/** What of a source is not there for a crate: all that others took before; of what comes back, what is out with it or lost. */
function heldBy({ reusable }: BuyMaterial, served: readonly Served[], crate: BuyCrate, source: number): number {
  return served.reduce((held, { crate: other, took, lost }) => {
    if (!reusable || outTogether(other, crate)) return held + (took[source] ?? 0);
    return comesBefore(other, crate) ? held + (lost[source] ?? 0) : held;
  }, 0);
}

function takeInTurn({ needBy }: BuyCrate, sources: readonly Source[], held: readonly number[], need: number): readonly number[] {
  let left = need;
  return sources.map((source, s) => {
    const takes = Math.min(left, Math.max(0, source.by(needBy) - (held[s] ?? 0)));
    left = cleared(left - takes);
    return takes;
  });
}

/** What is lost of each source's part: the house's own first. */
function lostOf(crate: BuyCrate, material: string, took: readonly number[]): readonly number[] {
  let left = crate.losses?.[material] ?? 0;
  return took.map((amount) => {
    const lost = Math.min(left, amount);
    left -= lost;
    return lost;
  });
}

function lackingOf(material: BuyMaterial, crates: readonly BuyCrate[], found: readonly Allotted[]): number {
  const lacks = new Map(found.map((one) => [one.crate, one.lacks]));
  if (!material.reusable) return sum([...lacks.values()]);
  return Math.max(
    0,
    ...crates.map((crate) => sum(crates.filter((other) => outTogether(other, crate)).map((other) => lacks.get(other.id) ?? 0))),
  );
}
