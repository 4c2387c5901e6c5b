import type { DropIn } from "./dropIn.ts";
import { DropInDays } from "./simulate.ts";
import { type Standing, type Target, TargetWatch } from "./targets.ts";

/** From and to, both tried; null is endless. */
export interface Tries {
  readonly from: number | null;
  readonly to: number | null;
  readonly step?: number | undefined;
}

export interface RoomBounds {
  readonly seats: Tries;
  readonly rigs: Tries;
  readonly hosts: Tries;
}

export interface Prices {
  readonly seat: number;
  readonly rig: number;
  readonly host: number;
}

export const usualPrices: Prices = { seat: 1, rig: 5, host: 10 };

/** How many there are of what a room has. */
export type Equipped = Pick<DropIn, "seats" | "rigs" | "hosts">;

/** What would lessen a miss, tried by itself. */
export type Change = "one rig more" | "one host more" | "more seats" | "one trial fewer" | "one rebuild fewer" | "a tenth fewer parties";

/** The cheapest room that meets all targets; where none in bounds does, the one that comes nearest, and what would help it most. */
export type Advice =
  | { readonly room: Equipped; readonly price: number; readonly values: readonly number[]; readonly nearest: null; readonly helps: null }
  | {
      readonly room: null;
      readonly nearest: { readonly room: Equipped; readonly values: readonly number[]; readonly missedBy: number };
      readonly helps: { readonly change: Change; readonly missedBy: number } | null;
    };

/** What is asked of the adviser. The days' own seats, rigs and hosts don't count. */
export interface AdviceAsked {
  readonly day: DropIn;
  readonly bounds: RoomBounds;
  readonly prices: Prices;
  readonly targets: readonly Target[];
}

/** Days at which it is looked whether a room is decided, and by how many errors. */
const looks = [
  { days: 100, errors: 4 },
  { days: 400, errors: 4 },
  { days: 1600, errors: 4 },
] as const;
const last = { days: 4000, errors: 1.645 } as const;

/** Days that nearest rooms and what would help them are held against. */
const nearDays = 400;

/** How far the search is. */
export interface Progress {
  readonly tried: number;
  readonly of: number;
}

/**
 * The cheapest room that meets all targets, ties to fewer hosts, then fewer rigs: every one is tried, cheapest first,
 * on the same days. Yields how far it is, so that it can be told, and ended.
 */
export function* advising({ day, bounds, prices, targets }: AdviceAsked, seed: number): Generator<Progress, Advice> {
  const rooms = roomsIn(bounds, prices);
  let nearest: { room: Equipped; values: readonly number[]; missedBy: number } | null = null;
  for (const [tried, { room, price }] of rooms.entries()) {
    yield { tried, of: rooms.length };
    const { meets, standings } = tryRoom({ ...day, ...room }, targets, seed);
    const values = standings.map(({ value }) => value);
    if (meets) return { room, price, values, nearest: null, helps: null };
    const missedBy = missOf(standings);
    if (nearest === null || missedBy < nearest.missedBy) nearest = { room, values, missedBy };
  }
  if (nearest === null) throw new Error("there is a room within the bounds");
  return { room: null, nearest, helps: yield* helping(day, nearest.room, bounds, targets, seed) };
}

/** Asks the adviser to the end. */
export function advise(asked: AdviceAsked, seed: number): Advice {
  const search = advising(asked, seed);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

function roomsIn({ seats, rigs, hosts }: RoomBounds, prices: Prices): readonly { readonly room: Equipped; readonly price: number }[] {
  const all = listed(seats).flatMap((s) =>
    listed(rigs).flatMap((r) => listed(hosts).map((h): Equipped => ({ seats: s, rigs: r, hosts: h }))),
  );
  return all
    .map((room) => ({
      room,
      price: prices.seat * (room.seats ?? 0) + prices.rig * (room.rigs ?? 0) + prices.host * (room.hosts ?? 0),
    }))
    .sort((a, b) => a.price - b.price || (a.room.hosts ?? 0) - (b.room.hosts ?? 0) || (a.room.rigs ?? 0) - (b.room.rigs ?? 0));
}

function listed({ from, to, step = 1 }: Tries): readonly (number | null)[] {
  if (from === null || to === null) return [null];
  return Array.from({ length: Math.floor((to - from) / step + 1e-9) + 1 }, (_, i) => from + i * step);
}

interface Tried {
  readonly meets: boolean;
  readonly standings: readonly Standing[];
}

/** Tries a room on as many days as decide it; undecided at the last counts as missed. */
function tryRoom(day: DropIn, targets: readonly Target[], seed: number): Tried {
  const watch = new TargetWatch(targets);
  const days = new DropInDays(day, watch);
  const upTo = (wanted: number): readonly Standing[] => {
    while (watch.days < wanted) days.run(seed, watch.days);
    return watch.standings();
  };
  for (const look of looks) {
    const standings = upTo(look.days);
    if (standings.some(({ inside, error }) => inside < -look.errors * error)) return { meets: false, standings };
    if (standings.every(({ inside, error }) => inside >= look.errors * error)) return { meets: true, standings };
  }
  const standings = upTo(last.days);
  return { meets: standings.every(({ inside, error }) => inside >= last.errors * error), standings };
}

/** By how much the worst target misses, as a share; 0 where none does. */
const missOf = (standings: readonly Standing[]): number => Math.max(0, ...standings.map(({ inside }) => -inside));

/** The single change beyond the bounds that lessens a room's miss most; null where none does. */
function* helping(
  day: DropIn,
  room: Equipped,
  { seats }: RoomBounds,
  targets: readonly Target[],
  seed: number,
): Generator<Progress, { readonly change: Change; readonly missedBy: number } | null> {
  const base = { ...day, ...room };
  const more = (n: number | null, by = 1): number | null => (n === null ? null : n + by);
  const changes: readonly (readonly [Change, DropIn | null])[] = [
    ["one rig more", base.rigs === null ? null : { ...base, rigs: more(base.rigs) }],
    ["one host more", base.hosts === null ? null : { ...base, hosts: more(base.hosts) }],
    ["more seats", base.seats === null ? null : { ...base, seats: more(base.seats, seats.step) }],
    ["one trial fewer", base.trials > 1 ? { ...base, trials: base.trials - 1 } : null],
    ["one rebuild fewer", base.mostRebuilds > 0 ? { ...base, mostRebuilds: base.mostRebuilds - 1 } : null],
    ["a tenth fewer parties", { ...base, expectedParties: base.expectedParties * 0.9 }],
  ];
  const miss = (changed: DropIn): number => {
    const watch = new TargetWatch(targets);
    const days = new DropInDays(changed, watch);
    for (let number = 0; number < nearDays; number += 1) days.run(seed, number);
    return missOf(watch.standings());
  };
  const now = miss(base);
  let best: { readonly change: Change; readonly missedBy: number } | null = null;
  for (const [i, [change, changed]] of changes.entries()) {
    yield { tried: i, of: changes.length };
    if (!changed) continue;
    const missedBy = miss(changed);
    if (missedBy < (best?.missedBy ?? now)) best = { change, missedBy };
  }
  return best;
}
