import { sumText } from "../numeric/solver.ts";

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
}

type Term = readonly [factor: number, name: string];

interface Asking {
  readonly goal: "wishes" | "slots" | "gifts";
  readonly kept: readonly Demand[];
  /** Demands that may not be dropped though others may. */
  readonly fixed: ReadonlySet<string>;
  /** Gifts found before: not these again. */
  readonly before?: readonly (readonly string[])[];
  /** Weight of wishes that the plan keeps. */
  readonly wishes?: number;
}

const times = <T>(n: number, of: (i: number) => T): readonly T[] => Array.from({ length: n }, (_, i) => of(i));

/** Terms with each name once: a reader of programs takes a name given twice for one of the two. */
function joined(terms: readonly Term[]): readonly Term[] {
  const sums = new Map<string, number>();
  for (const [factor, name] of terms) sums.set(name, (sums.get(name) ?? 0) + factor);
  return [...sums].flatMap(([name, factor]): readonly Term[] => (factor === 0 ? [] : [[factor, name]]));
}

/** A placing as a mixed-integer program: x, a session at a slot in a room; y, a person at a session in a slot; d, a demand dropped. */
export function programOf(placing: Placing) {
  const { slots, sessions, rooms, people, demands, wishes } = placing;
  const s = new Map(sessions.map((id, i) => [id, i]));
  const p = new Map(people.map((id, i) => [id, i]));
  const x = (session: number, slot: number, room: number): string => `x${session}_${slot}_${room}`;
  const y = (session: number, person: number, slot: number): string => `y${session}_${person}_${slot}`;
  const at = (session: number, where: (slot: number, room: number) => boolean = () => true): readonly Term[] =>
    times(slots, (t) => t).flatMap((t) => rooms.flatMap((_, r): readonly Term[] => (where(t, r) ? [[1, x(session, t, r)]] : [])));
  const slotOf = (session: number, factor: number): readonly Term[] =>
    times(slots, (t) => t).flatMap((t) => rooms.map((_, r): Term => [factor * t, x(session, t, r)]));
  const with_ = (session: number, persons: readonly number[]): readonly Term[] =>
    persons.flatMap((person) => times(slots, (t): Term => [1, y(session, person, t)]));
  const scaled = (terms: readonly Term[], factor: number): readonly Term[] => terms.map(([by, name]) => [by * factor, name]);
  const everybody = people.map((_, i) => i);
  const big = slots + 1;

  const structure: string[] = [];
  const row = (terms: readonly Term[], sign: "<=" | ">=" | "=", right: number): void => {
    const real = joined(terms);
    if (real.length > 0) structure.push(` c${structure.length}: ${sumText(real)} ${sign} ${right}`);
  };
  for (const [session] of sessions.entries()) row(at(session), "<=", 1);
  for (const t of times(slots, (i) => i))
    for (const [r] of rooms.entries())
      row(
        sessions.map((_, session): Term => [1, x(session, t, r)]),
        "<=",
        1,
      );
  for (const t of times(slots, (i) => i))
    for (const person of everybody)
      row(
        sessions.map((_, session): Term => [1, y(session, person, t)]),
        "<=",
        1,
      );
  for (const [session] of sessions.entries())
    for (const person of everybody)
      for (const t of times(slots, (i) => i))
        row(
          [
            [1, y(session, person, t)],
            ...scaled(
              at(session, (slot) => slot === t),
              -1,
            ),
          ],
          "<=",
          0,
        );
  // Nobody goes where nobody is asked for.
  for (const [id, session] of s)
    if (!demands.some((demand) => demand.kind === "people" && demand.session === id)) row(with_(session, everybody), "<=", 0);
  for (const [i, demand] of demands.entries()) ask(demand, `d${i}`);

  function ask(demand: Demand, d: string): void {
    const session = "session" in demand ? (s.get(demand.session) ?? -1) : -1;
    const [a, b] = "a" in demand ? [s.get(demand.a) ?? -1, s.get(demand.b) ?? -1] : [-1, -1];
    switch (demand.kind) {
      case "held":
        return row([...at(session), [1, d]], ">=", 1);
      case "slots":
        return row([...at(session, (t) => !demand.slots.includes(t)), [-1, d]], "<=", 0);
      case "room":
        return row([...at(session, (_, r) => !demand.rooms.includes(rooms[r] ?? "")), [-1, d]], "<=", 0);
      case "people": {
        const of = demand.of.flatMap((name) => p.get(name) ?? []);
        row([...with_(session, of), ...scaled(at(session), -demand.n), [demand.n, d]], ">=", 0);
        row([...with_(session, everybody), [demand.n, d]], "<=", demand.n);
        return row(
          [
            ...with_(
              session,
              everybody.filter((one) => !of.includes(one)),
            ),
            [-1, d],
          ],
          "<=",
          0,
        );
      }
      case "away": {
        const person = p.get(demand.person) ?? -1;
        for (const t of demand.slots) row([...sessions.map((_, i): Term => [1, y(i, person, t)]), [-1, d]], "<=", 0);
        return;
      }
      case "most": {
        const person = p.get(demand.person) ?? -1;
        return row([...sessions.flatMap((_, i) => with_(i, [person])), [-sessions.length, d]], "<=", demand.n);
      }
      case "before":
        // slot a + 1 ≤ slot b, where both are held.
        return row([...slotOf(a, 1), ...slotOf(b, -1), ...scaled(at(a), big), ...scaled(at(b), big), [-2 * big, d]], "<=", 2 * big - 1);
      case "sameRoom":
        for (const [r] of rooms.entries()) {
          const here = at(a, (_, room) => room === r);
          const there = at(b, (_, room) => room === r);
          row([...here, ...scaled(there, -1), ...at(a), ...at(b), [-2, d]], "<=", 2);
          row([...there, ...scaled(here, -1), ...at(a), ...at(b), [-2, d]], "<=", 2);
        }
        return;
      case "gap": {
        const { least = 0, most = slots } = demand;
        const first = `o${d}`;
        const both = [...scaled(at(a), big), ...scaled(at(b), big)];
        for (const way of [1, -1] as const) {
          const apart = [...slotOf(b, way), ...slotOf(a, -way)];
          row([...apart, ...both, [-2 * big, d]], "<=", most + 2 * big);
          // At least so far apart, the one way round or the other.
          row([...scaled(apart, -1), ...both, [-2 * big, d], [way * 2 * big, first]], "<=", 2 * big - least + (way > 0 ? 2 * big : 0));
        }
        return;
      }
    }
  }

  const wished: readonly Term[] = wishes.flatMap(({ session: id, slot, room, person, weight }): readonly Term[] => {
    const session = s.get(id);
    if (session === undefined) return [];
    if (person !== undefined) return scaled(with_(session, [p.get(person) ?? -1]), weight);
    return scaled(
      at(session, (t, r) => (slot === undefined || t === slot) && (room === undefined || rooms[r] === room)),
      weight,
    );
  });
  const binaries = [
    ...sessions.flatMap((_, i) => times(slots, (t) => t).flatMap((t) => rooms.map((__, r) => x(i, t, r)))),
    ...sessions.flatMap((_, i) => everybody.flatMap((person) => times(slots, (t) => y(i, person, t)))),
    ...demands.flatMap((demand, i) => (demand.kind === "gap" ? [`d${i}`, `od${i}`] : [`d${i}`])),
  ];

  return {
    /** The program in the solver's text format. */
    text({ goal, fixed, before = [], wishes: weight }: Asking): string {
      const drops = demands.map((_, i): Term => [1, `d${i}`]);
      const goals = { wishes: wished, slots: sessions.flatMap((_, i) => slotOf(i, 1)), gifts: drops };
      const rows = [...structure];
      if (goal !== "gifts") for (const [i] of demands.entries()) rows.push(` k${i}: d${i} = 0`);
      else for (const [i, { id }] of demands.entries()) if (fixed.has(id)) rows.push(` k${i}: d${i} = 0`);
      for (const [n, gift] of before.entries()) {
        const terms = demands.flatMap(({ id }, i): readonly Term[] => (gift.includes(id) ? [[1, `d${i}`]] : []));
        rows.push(` b${n}: ${sumText(terms)} <= ${terms.length - 1}`);
      }
      if (weight !== undefined && wished.length > 0) rows.push(` w: ${sumText(joined(wished))} >= ${weight - 1e-6}`);
      const objective = joined(goals[goal]);
      return [
        goal === "wishes" ? "Maximize" : "Minimize",
        ` obj: ${sumText(objective)}`,
        "Subject To",
        ...rows,
        "Binary",
        ...binaries.map((name) => ` ${name}`),
        ...(objective.length === 0 ? [" none"] : []),
        "End",
        "",
      ].join("\n");
    },
    /** Where a solution's sessions are, those that are held. */
    planOf(values: Readonly<Record<string, number>>) {
      const is = (name: string): boolean => (values[name] ?? 0) > 0.5;
      return sessions.flatMap((session, i) => {
        for (const t of times(slots, (slot) => slot))
          for (const [r, room] of rooms.entries())
            if (is(x(i, t, r))) return [{ session, slot: t, room, people: people.filter((_, person) => is(y(i, person, t))) }];
        return [];
      });
    },
  };
}
