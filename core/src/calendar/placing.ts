import type { Solve } from "../numeric/solver.ts";
import { type Demand, type Placing, programOf, type Wish } from "./placingProgram.ts";

/** Where a session goes, by the places of slot and room, and who is at it. */
export interface Placed {
  readonly session: string;
  readonly slot: number;
  readonly room: string;
  readonly people: readonly string[];
}

/** A plan with its proof; or what must give, and why. */
export type Placement =
  | { readonly possible: true; readonly plan: readonly Placed[]; readonly wishes: number; readonly sumOfSlots: number }
  | {
      readonly possible: false;
      /** Sets of demands of the least number whose dropping makes the rest possible; five at most. */
      readonly mustGive: readonly (readonly string[])[];
      /** The fewest demands that cannot hold together, all others dropped. */
      readonly conflict: readonly string[];
    };

const mostSets = 5;

/** Chooses slots, rooms and people; best is the greatest weight of wishes met, then the earliest sum of slot places. */
export function place(placing: Placing, solve: Solve): Placement {
  const program = programOf(placing);
  const none = new Set<string>();
  const wished = solve(program.text({ goal: "wishes", kept: placing.demands, fixed: none }));
  if (!wished.optimal) return { possible: false, ...whyNot(placing, solve) };
  // A whole weight is met or not: half of the least one is no rounding.
  const wishes = Math.round(wished.objective * 1e6) / 1e6;
  const found = solve(program.text({ goal: "slots", kept: placing.demands, fixed: none, wishes }));
  const plan = program.planOf(found.optimal ? found.values : wished.values);
  return { possible: true, plan, wishes, sumOfSlots: plan.reduce((sum, { slot }) => sum + slot, 0) };
}

/** What must give, and why. */
function whyNot(
  placing: Placing,
  solve: Solve,
): { readonly mustGive: readonly (readonly string[])[]; readonly conflict: readonly string[] } {
  const mustGive: (readonly string[])[] = [];
  let least: number | null = null;
  while (mustGive.length < mostSets) {
    const next = leastGift(placing, solve, new Set(), mustGive);
    if (next === null || (least !== null && next.length > least)) break;
    least ??= next.length;
    mustGive.push(next);
  }
  return { mustGive, conflict: smallestConflict(placing, solve) };
}

/** The fewest demands whose dropping makes the rest possible, none of `held` among them, and no set that was found before; null where there is none. */
function leastGift(
  placing: Placing,
  solve: Solve,
  held: ReadonlySet<string>,
  before: readonly (readonly string[])[],
): readonly string[] | null {
  const { optimal, values } = solve(programOf(placing).text({ goal: "gifts", kept: placing.demands, fixed: held, before }));
  return optimal ? placing.demands.flatMap(({ id }, i) => ((values[`d${i}`] ?? 0) > 0.5 ? [id] : [])) : null;
}

/**
 * The fewest demands that cannot hold together: a least set that meets every gift found so far; while it can hold, what
 * must then be dropped is one more gift to be met (after Reiter, 1987, by least hitting sets).
 */
function smallestConflict(placing: Placing, solve: Solve): readonly string[] {
  const gifts: (readonly string[])[] = [];
  for (;;) {
    const some = new Set(leastHitting(placing.demands, gifts, solve));
    const gift = leastGift(placing, solve, some, []);
    if (gift === null) return placing.demands.flatMap(({ id }) => (some.has(id) ? [id] : []));
    gifts.push(gift);
  }
}

/** The fewest demands of which each gift has one. */
function leastHitting(demands: readonly Demand[], gifts: readonly (readonly string[])[], solve: Solve): readonly string[] {
  if (gifts.length === 0) return [];
  const nameOf = new Map(demands.map(({ id }, i) => [id, `h${i}`]));
  const names = [...nameOf.values()];
  const sum = (ids: readonly string[]): string => ids.map((id) => nameOf.get(id)).join(" + ");
  const rows = gifts.map((gift, i) => ` g${i}: ${sum(gift)} >= 1`);
  const { values } = solve(`Minimize\n obj: ${names.join(" +\n ")}\nSubject To\n${rows.join("\n")}\nBinary\n ${names.join("\n ")}\nEnd\n`);
  return demands.flatMap(({ id }, i) => ((values[`h${i}`] ?? 0) > 0.5 ? [id] : []));
}

export type { Demand, Placing };
