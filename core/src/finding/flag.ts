import type { Bounds, Range } from "../family/bounds.ts";
import { median } from "../numeric/summary.ts";
import { type Dimension, units } from "../quantity/units.ts";

/** What is odd about a value; null when nothing is. */
export type Flag = "impossible" | "rare" | "odd one out" | null;

/** What is known about one typed value. */
export interface Checked {
  readonly dimension: Dimension;
  /** The number as typed, in `unit`. */
  readonly typed: number;
  /** The one unit typed or defaulted; null for mixed, clock and count forms. */
  readonly unit: string | null;
  /** What was read, SI. */
  readonly value: number;
  readonly bounds: Bounds;
  /** The other trials of the same version, SI. */
  readonly peers?: readonly number[] | undefined;
  /** The prediction's central estimate, SI. */
  readonly expected?: number | null | undefined;
  /** Mass of one token, kg. */
  readonly tokenKg?: number | null | undefined;
  /** True for a measure where diameter and radius get mixed up. */
  readonly round?: boolean | undefined;
}

/** A value the person may have meant, with every reason that leads to it. */
export interface Offer {
  readonly value: number;
  readonly reasons: readonly string[];
}

/** The flag of one value and, at most, three slips to offer, nearest first. */
export interface Verdict {
  readonly flag: Flag;
  readonly offers: readonly Offer[];
}

const near = 1e-9;

const within = (value: number, [low, high]: Range): boolean => value >= low - Math.abs(low) * near && value <= high + Math.abs(high) * near;

/**
 * Is this number possible, and if not, which slip would explain it? Never changes the number: it asks.
 * Flags and candidates in the order of docs/models.md, "Is the number possible?".
 */
export function checkValue(checked: Checked): Verdict {
  const peers = (checked.peers ?? []).filter((peer) => within(peer, checked.bounds.soft));
  const flag = flagOf(checked.value, checked.bounds, peers);
  if (flag === null || checked.value <= 0) return { flag, offers: [] };
  const merged = mergeEqual(candidates(checked)).filter(
    (offer) => within(offer.value, checked.bounds.soft) && !(peers.length >= 2 && isOddOne(offer.value, peers)),
  );
  return { flag, offers: nearestFirst(merged, reference(checked, peers)).slice(0, 3) };
}

function flagOf(value: number, bounds: Bounds, peers: readonly number[]): Flag {
  if (!within(value, bounds.hard)) return "impossible";
  if (!within(value, bounds.soft)) return "rare";
  return isOddOne(value, peers) ? "odd one out" : null;
}

function isOddOne(value: number, peers: readonly number[]): boolean {
  if (peers.length < 2 || peers.some((peer) => peer <= 0)) return false;
  return value > 2 * Math.max(...peers) || value < Math.min(...peers) / 2;
}

function candidates(checked: Checked): Offer[] {
  const { dimension, typed, unit, value, tokenKg } = checked;
  const found: Offer[] = [];
  const add = (y: number, reason: string): void => {
    if (dimension !== "count") found.push({ value: y, reasons: [reason] });
    else if (Math.abs(y - Math.round(y)) <= 0.02) found.push({ value: Math.round(y), reasons: [reason] });
  };
  if (dimension !== "count" && unit !== null) {
    const swaps = units.filter((u) => u.dimension === dimension && u.id !== unit && !["h", "yd"].includes(u.id));
    for (const other of swaps) add(typed * other.factor, `unit ${other.id}`);
  }
  for (const shift of [10, 100, 0.1, 0.01]) add(value * shift, "decimal");
  if (tokenKg) {
    if (dimension === "mass") add(typed * tokenKg, "count for mass");
    if (dimension === "count") add(typed / (tokenKg * 1000), "mass for count");
  }
  if (checked.round && dimension !== "count") {
    add(value * 2, "diameter");
    add(value / 2, "radius");
  }
  return found;
}

function mergeEqual(offers: readonly Offer[]): Offer[] {
  const merged: Offer[] = [];
  for (const offer of offers) {
    const at = merged.findIndex((kept) => Math.abs(kept.value - offer.value) <= near * Math.abs(kept.value));
    const kept = merged[at];
    if (!kept) merged.push(offer);
    else if (!kept.reasons.includes(offer.reasons[0] ?? "")) {
      merged[at] = { value: kept.value, reasons: [...kept.reasons, ...offer.reasons] };
    }
  }
  return merged;
}

function reference(checked: Checked, peers: readonly number[]): number | null {
  const [low, high] = checked.bounds.soft;
  let ref: number | null = null;
  if (peers.length >= 2) ref = median(peers);
  else if (checked.expected !== undefined && checked.expected !== null) ref = checked.expected;
  else if (low > 0 && high > 0 && Number.isFinite(high)) ref = Math.sqrt(low * high);
  return ref !== null && ref > 0 ? ref : null;
}

function nearestFirst(offers: readonly Offer[], ref: number | null): Offer[] {
  if (ref === null) return [...offers];
  const distance = (offer: Offer): number => Math.abs(Math.log(offer.value / ref));
  return [...offers].sort((a, b) => {
    const apart = distance(a) - distance(b);
    return Math.abs(apart) <= 1e-12 ? 0 : apart;
  });
}
