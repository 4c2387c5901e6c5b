import type { Demand, Placing } from "./placing.ts";
import { type SlotTerm, type Term, times } from "./terms.ts";

/** What can be, once the demands that hold have ruled out what they rule out. */
export interface CanBe {
  readonly names: readonly string[];
  readonly slots: readonly number[];
  /** A session held: a term for each slot it may have. */
  readonly held: (session: number, where?: (slot: number) => boolean) => readonly SlotTerm[];
  /** A session in a room: a term for each slot and room. */
  readonly at: (session: number, where: (slot: number, room: number) => boolean, factor?: number) => readonly Term[];
  /** A person at a session: a term for each slot. */
  readonly withPerson: (session: number, person: number, where?: (slot: number) => boolean) => readonly SlotTerm[];
}

export function canBe({ slots, sessions, rooms, people, demands, gapAt, taken = {} }: Placing, hard: readonly Demand[]): CanBe {
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
