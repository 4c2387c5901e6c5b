import { sumText } from "../../numeric/solver.ts";
import { joined, type Term, times } from "./terms.ts";

/** What may give. Slots are places in time order, from 0; a demand about sessions that are not held asks nothing. */
export type Demand = { readonly id: string } & (
  | { readonly kind: "held"; readonly session: string }
  | { readonly kind: "slots"; readonly session: string; readonly slots: readonly number[] }
  | { readonly kind: "room"; readonly session: string; readonly rooms: readonly string[] }
  | { readonly kind: "people"; readonly session: string; readonly n: number; readonly of: readonly string[] }
  | { readonly kind: "away"; readonly person: string; readonly slots: readonly number[] }
  | { readonly kind: "most"; readonly person: string; readonly n: number }
  | { readonly kind: "before"; readonly a: string; readonly b: string }
  | { readonly kind: "sameRoom"; readonly a: string; readonly b: string }
  | { readonly kind: "gap"; readonly a: string; readonly b: string; readonly least?: number; readonly most?: number }
);

/** What is wished; it never makes a plan impossible. */
export interface Wish {
  readonly session: string;
  readonly slot?: number | undefined;
  readonly room?: string | undefined;
  readonly person?: string | undefined;
  readonly weight: number;
}

/** Sessions to be placed. What never gives: one slot, one room a session; a room or a person has one session at a time. */
export interface Placing {
  readonly slots: number;
  readonly sessions: readonly string[];
  readonly rooms: readonly string[];
  readonly people: readonly string[];
  readonly demands: readonly Demand[];
  readonly wishes: readonly Wish[];
  /** What gaps are counted in, such as the day of each slot; never falling. The slot's own place unless given. */
  readonly gapAt?: readonly number[];
  /** Slots at which a room or a person (by id) is taken already; this never gives. */
  readonly taken?: Readonly<Record<string, readonly number[]>>;
}

interface Asking {
  /** "best": wishes before all, then early slots, in one; it wants wishes of whole weights. */
  readonly goal: "best" | "wishes" | "slots" | "gifts";
  /** Demands that may not be dropped though others may. */
  readonly fixed: ReadonlySet<string>;
  /** Gifts found before: not these again. */
  readonly before?: readonly (readonly string[])[];
  /** Weight of wishes that the plan keeps. */
  readonly wishes?: number;
}

/**
 * A placing as a mixed-integer program in the solver's text format: z, a session at a slot; x, in a room there; y, a
 * person at it there; d, a demand dropped. What a demand that holds rules out is not written at all, and order and gaps
 * are told slot by slot (a session no earlier than t and one that must follow it no later than t: not both), which
 * leaves the solver far less to guess than one row of large factors would.
 */
export function programText(placing: Placing, { goal, fixed, before = [], wishes: weight }: Asking): string {
  const { sessions, demands, wishes, people } = placing;
  const isHard = ({ id }: Demand): boolean => goal !== "gifts" || fixed.has(id);
  const holding = demands.filter(isHard);
  const can = canBe(placing, holding);
  const rows: string[] = [];
  const row: Row = (terms, sign, right) => {
    const real = joined(terms);
    const isKept = real.length === 0 && (sign === "<=" ? right >= 0 : sign === ">=" ? right <= 0 : right === 0);
    if (!isKept) rows.push(` c${rows.length}: ${sumText(real)} ${sign} ${right}`);
  };
  structure(placing, can, row);
  for (const [i, demand] of demands.entries()) ask(placing, can, demand, isHard(demand) ? null : `d${i}`, holding, row);
  for (const gift of before) {
    const terms = demands.flatMap(({ id }, i): readonly Term[] => (gift.includes(id) ? [[1, `d${i}`]] : []));
    row(terms, "<=", terms.length - 1);
  }
  const wished = wishes.flatMap(({ session, slot, room, person, weight: worth }): readonly Term[] => {
    const s = sessions.indexOf(session);
    if (person !== undefined) return can.withPerson(s, people.indexOf(person)).map(([, name]) => [worth, name]);
    return can.at(s, (t, r) => (slot === undefined || t === slot) && (room === undefined || placing.rooms[r] === room), worth);
  });
  if (weight !== undefined && wished.length > 0) row(wished, ">=", weight);
  const drops = demands.flatMap((demand, i): readonly Term[] => (isHard(demand) ? [] : [[1, `d${i}`]]));
  const sumOfSlots = sessions.flatMap((_, s) => can.held(s).map(([, name, t]): Term => [t, name]));
  const best = [...wished.map(([by, name]): Term => [-by * wishOverSlots(placing), name]), ...sumOfSlots];
  const objective = joined({ best, wishes: wished, slots: sumOfSlots, gifts: drops }[goal]);
  return [
    goal === "wishes" ? "Maximize" : "Minimize",
    ` obj: ${sumText(objective)}`,
    "Subject To",
    ...rows,
    "Binary",
    ...[...can.names, ...drops.map(([, name]) => name), "none"].map((name) => ` ${name}`),
    "End",
    "",
  ].join("\n");
}

/** What one wish is worth in slot places: more than all sessions can lose of them. */
const wishOverSlots = ({ slots, sessions }: Placing): number => 1 + slots * sessions.length;

/** A term that also says its slot. */
type SlotTerm = readonly [factor: number, name: string, slot: number];

/** What can be, once the demands that hold have ruled out what they rule out. */
interface CanBe {
  readonly names: readonly string[];
  readonly slots: readonly number[];
  /** A session held: a term for each slot it may have. */
  readonly held: (session: number, where?: (slot: number) => boolean) => readonly SlotTerm[];
  /** A session in a room: a term for each slot and room. */
  readonly at: (session: number, where: (slot: number, room: number) => boolean, factor?: number) => readonly Term[];
  /** A person at a session: a term for each slot. */
  readonly withPerson: (session: number, person: number, where?: (slot: number) => boolean) => readonly SlotTerm[];
}

function canBe({ slots, sessions, rooms, people, demands, gapAt, taken = {} }: Placing, hard: readonly Demand[]): CanBe {
  const all = times(slots, (t) => t);
  const isTaken = (id: string, t: number): boolean => taken[id]?.includes(t) ?? false;
  const of = (session: string) => hard.filter((demand) => "session" in demand && demand.session === session);
  const places = reachable(
    sessions,
    sessions.map((session) => {
      const mine = of(session);
      return all.filter((t) => mine.every((demand) => demand.kind !== "slots" || demand.slots.includes(t)));
    }),
    hard,
    (t) => gapAt?.[t] ?? t,
  );
  const roomsOf = sessions.map((session, s) => {
    const fit = rooms.filter((room) => of(session).every((demand) => demand.kind !== "room" || demand.rooms.includes(room)));
    return (places[s] ?? []).map((t): readonly [number, readonly number[]] => [
      t,
      fit.filter((room) => !isTaken(room, t)).map((room) => rooms.indexOf(room)),
    ]);
  });
  const isAway = (person: string, t: number): boolean =>
    hard.some((demand) => demand.kind === "away" && demand.person === person && demand.slots.includes(t));
  const peopleOf = sessions.map((session, s) => {
    const asked = demands.filter((demand) => demand.kind === "people" && demand.session === session);
    const mine = of(session);
    return people.map((person): readonly number[] => {
      // Nobody goes where nobody is asked for.
      const isAsked = asked.some((demand) => demand.kind === "people" && demand.of.includes(person));
      if (!(isAsked && mine.every((demand) => demand.kind !== "people" || demand.of.includes(person)))) return [];
      return (places[s] ?? []).filter((t) => !isTaken(person, t) && !isAway(person, t));
    });
  });
  const held: CanBe["held"] = (s, where = () => true) =>
    (roomsOf[s] ?? []).flatMap(([t, free]): readonly SlotTerm[] => (free.length > 0 && where(t) ? [[1, `z${s}_${t}`, t]] : []));
  const at: CanBe["at"] = (s, where, factor = 1) =>
    (roomsOf[s] ?? []).flatMap(([t, free]) => free.filter((r) => where(t, r)).map((r): Term => [factor, `x${s}_${t}_${r}`]));
  const withPerson: CanBe["withPerson"] = (s, p, where = () => true) =>
    (peopleOf[s]?.[p] ?? []).filter(where).map((t): SlotTerm => [1, `y${s}_${p}_${t}`, t]);
  const names = sessions.flatMap((_, s) => [
    ...held(s).map(([, name]) => name),
    ...at(s, () => true).map(([, name]) => name),
    ...people.flatMap((__, p) => withPerson(s, p).map(([, name]) => name)),
  ]);
  return { names, slots: all, held, at, withPerson };
}

/**
 * Slots of each session, less those that leave a session it is bound to by order or gap no slot at all; both must be held.
 * The last of three Wednesdays in turn is none of the first two.
 */
function reachable(
  sessions: readonly string[],
  places: readonly (readonly number[])[],
  hard: readonly Demand[],
  when: (slot: number) => number,
): readonly (readonly number[])[] {
  const isHeld = (id: string): boolean => hard.some((demand) => demand.kind === "held" && demand.session === id);
  const binding = hard.flatMap((demand) => {
    if ((demand.kind !== "before" && demand.kind !== "gap") || !isHeld(demand.a) || !isHeld(demand.b)) return [];
    const fits = (a: number, b: number): boolean => {
      if (demand.kind === "before") return a < b;
      const apart = Math.abs(when(a) - when(b));
      return apart >= (demand.least ?? 0) && apart <= (demand.most ?? Number.POSITIVE_INFINITY);
    };
    return [{ a: sessions.indexOf(demand.a), b: sessions.indexOf(demand.b), fits }];
  });
  const left = [...places];
  for (let before = -1, now = sum(left); before !== now; ) {
    for (const { a, b, fits } of binding) {
      const [ofA = [], ofB = []] = [left[a], left[b]];
      left[a] = ofA.filter((t) => ofB.some((other) => fits(t, other)));
      left[b] = ofB.filter((other) => (left[a] ?? []).some((t) => fits(t, other)));
    }
    before = now;
    now = sum(left);
  }
  return left;
}

const sum = (all: readonly (readonly number[])[]): number => all.reduce((n, { length }) => n + length, 0);

type Row = (terms: readonly (Term | SlotTerm)[], sign: "<=" | ">=" | "=", right: number) => void;

const negative = (terms: readonly (Term | SlotTerm)[], factor = 1): readonly Term[] => terms.map(([by, name]) => [-by * factor, name]);

/** What never gives. */
function structure({ sessions, rooms, people }: Placing, can: CanBe, row: Row): void {
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
function ask(placing: Placing, can: CanBe, demand: Demand, d: string | null, holding: readonly Demand[], row: Row): void {
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

/** Where a solution's sessions are, those that are held. */
export function planOf({ slots, sessions, rooms, people }: Placing, values: Readonly<Record<string, number>>) {
  const is = (name: string): boolean => (values[name] ?? 0) > 0.5;
  return sessions.flatMap((session, s) => {
    for (const t of times(slots, (slot) => slot))
      for (const [r, room] of rooms.entries())
        if (is(`x${s}_${t}_${r}`)) return [{ session, slot: t, room, people: people.filter((_, p) => is(`y${s}_${p}_${t}`)) }];
    return [];
  });
}
