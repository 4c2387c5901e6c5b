import { sumText } from "../../numeric/solver.ts";
import { ask, type Row, structure } from "./ask.ts";
import { canBe } from "./canBe.ts";
import type { Demand, Placing } from "./placing.ts";
import { joined, type Term, times } from "./terms.ts";

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
