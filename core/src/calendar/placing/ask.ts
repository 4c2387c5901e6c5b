import type { CanBe } from "./canBe.ts";
import type { Demand, Placing } from "./placing.ts";
import type { SlotTerm, Term } from "./terms.ts";

/** Puts a row into the program. */
export type Row = (terms: readonly (Term | SlotTerm)[], sign: "<=" | ">=" | "=", right: number) => void;

const negative = (terms: readonly (Term | SlotTerm)[], factor = 1): readonly Term[] => terms.map(([by, name]) => [-by * factor, name]);

/** What never gives. */
export function structure({ sessions, rooms, people }: Placing, can: CanBe, row: Row): void {
  for (const [s] of sessions.entries()) {
    row(can.held(s), "<=", 1);
    for (const [, z, t] of can.held(s)) row([...can.at(s, (slot) => slot === t), [-1, z]], "=", 0);
  }
  for (const t of can.slots) {
    const now = (slot: number): boolean => slot === t;
    for (const [r] of rooms.entries())
      row(
        sessions.flatMap((_, s) => can.at(s, (slot, room) => slot === t && room === r)),
        "<=",
        1,
      );
    for (const [p] of people.entries()) {
      row(
        sessions.flatMap((_, s) => can.withPerson(s, p, now)),
        "<=",
        1,
      );
      for (const [s] of sessions.entries()) for (const y of can.withPerson(s, p, now)) row([y, ...negative(can.held(s, now))], "<=", 0);
    }
  }
}

/** A demand's rows; `d` is its being dropped, null where it holds. */
export function ask(placing: Placing, can: CanBe, demand: Demand, d: string | null, holding: readonly Demand[], row: Row): void {
  const { sessions, rooms, people } = placing;
  const dropped = (factor: number): readonly Term[] => (d === null ? [] : [[factor, d]]);
  const placeOf = (id: string): number => sessions.indexOf(id);
  switch (demand.kind) {
    case "held":
      return row([...can.held(placeOf(demand.session)), ...dropped(1)], ">=", 1);
    case "slots":
      return row([...can.held(placeOf(demand.session), (t) => !demand.slots.includes(t)), ...dropped(-1)], "<=", 0);
    case "room":
      return row([...can.at(placeOf(demand.session), (_, r) => !demand.rooms.includes(rooms[r] ?? "")), ...dropped(-1)], "<=", 0);
    case "people": {
      const s = placeOf(demand.session);
      for (const [, z, t] of can.held(s)) {
        const now = (slot: number): boolean => slot === t;
        const all = people.flatMap((_, p) => can.withPerson(s, p, now));
        const of = demand.of.flatMap((name) => can.withPerson(s, people.indexOf(name), now));
        if (d === null && of.length === all.length) {
          row([...all, [-demand.n, z]], "=", 0);
          continue;
        }
        row([...of, [-demand.n, z], ...dropped(demand.n)], ">=", 0);
        row([...all, [-demand.n, z], ...dropped(-people.length)], "<=", 0);
        if (d !== null) row([...all.filter(([, name]) => !of.some((one) => one[1] === name)), ...dropped(-people.length)], "<=", 0);
      }
      return;
    }
    case "away": {
      const p = people.indexOf(demand.person);
      for (const t of demand.slots)
        row([...sessions.flatMap((_, s) => can.withPerson(s, p, (slot) => slot === t)), ...dropped(-1)], "<=", 0);
      return;
    }
    case "most": {
      const p = people.indexOf(demand.person);
      return row([...sessions.flatMap((_, s) => can.withPerson(s, p)), ...dropped(-sessions.length)], "<=", demand.n);
    }
    case "before": {
      const [a, b] = [placeOf(demand.a), placeOf(demand.b)];
      for (const t of can.slots) row([...can.held(a, (slot) => slot >= t), ...can.held(b, (slot) => slot <= t), ...dropped(-1)], "<=", 1);
      return;
    }
    case "sameRoom": {
      const [a, b] = [placeOf(demand.a), placeOf(demand.b)];
      for (const [r] of rooms.entries())
        row([...can.at(a, (_, room) => room === r), ...can.at(b, (_, room) => room !== r), ...dropped(-1)], "<=", 1);
      return;
    }
    case "gap":
      return d === null && holding.some((other) => other.kind === "before" && other.a === demand.a && other.b === demand.b)
        ? askOrderedGap(placing, can, demand, row)
        : askGap(placing, can, demand, dropped(-1), row);
  }
}

type Gap = Extract<Demand, { kind: "gap" }>;

/** The second of two in order: never the first at t or later with the second less than the least after t; nor more than the most after. */
function askOrderedGap(
  { sessions, gapAt }: Placing,
  can: CanBe,
  { a, b, least = 0, most = Number.POSITIVE_INFINITY }: Gap,
  row: Row,
): void {
  const [first, second] = [sessions.indexOf(a), sessions.indexOf(b)];
  const when = (t: number): number => gapAt?.[t] ?? t;
  for (const t of can.slots) {
    const soon = can.held(second, (slot) => slot <= t || when(slot) - when(t) < least);
    if (soon.length > 0) row([...can.held(first, (slot) => slot >= t), ...soon], "<=", 1);
    const late = can.held(second, (slot) => when(slot) - when(t) > most);
    if (late.length > 0) row([...can.held(first, (slot) => slot <= t), ...late], "<=", 1);
  }
}

/** Sessions a gap apart, either way round: never both in a stretch shorter than the least, nor one before and one after a stretch longer than the most. */
function askGap(
  { sessions, gapAt }: Placing,
  can: CanBe,
  { a, b, least = 0, most = Number.POSITIVE_INFINITY }: Gap,
  dropped: readonly Term[],
  row: Row,
): void {
  const pair = [sessions.indexOf(a), sessions.indexOf(b)] as const;
  const when = (t: number): number => gapAt?.[t] ?? t;
  for (const t of can.slots) {
    const isNear = (slot: number): boolean => slot >= t && when(slot) - when(t) < least;
    row([...pair.flatMap((s) => can.held(s, isNear)), ...dropped], "<=", 1);
    for (const [first, second] of [pair, [pair[1], pair[0]] as const]) {
      const late = can.held(second, (slot) => when(slot) - when(t) > most);
      if (late.length > 0) row([...can.held(first, (slot) => slot <= t), ...late, ...dropped], "<=", 1);
    }
  }
}
