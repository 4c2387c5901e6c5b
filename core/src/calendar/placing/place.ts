import type { Solve } from "../../numeric/solver.ts";
import type { Demand, Placing } from "./placing.ts";
import { planOf, programText } from "./program.ts";

/** Where a session goes, by the places of slot and room, and who is at it. */
export interface Placed {
  readonly session: string;
  readonly slot: number;
  readonly room: string;
  readonly people: readonly string[];
}

/** A plan with its proof; or what must give, and why. */
export type Placement =
  | {
      readonly possible: true;
      readonly plan: readonly Placed[];
      /** Weight of wishes met. */
      readonly wishes: number;
      readonly sumOfSlots: number;
      /** Nothing meets more wishes, nor as many any earlier; false where time ran out first. */
      readonly proven: boolean;
    }
  | {
      readonly possible: false;
      /** Sets of demands of the least number whose dropping makes the rest possible; five at most. */
      readonly mustGive: readonly (readonly string[])[];
      /** The fewest demands that cannot hold together, all others dropped; none where time ran out first. */
      readonly conflict: readonly string[];
      /** Both are of the least number; false where time ran out first. */
      readonly proven: boolean;
    };

/** How far a search has come. */
export interface PlacingStep {
  readonly doing: "wishes" | "slots" | "what must give" | "why";
  /** Sets of demands found so far. */
  readonly found: number;
}

const mostSets = 5;

/** Chooses slots, rooms and people; best is the greatest weight of wishes met, then the earliest sum of slot places. */
export function place(placing: Placing, solve: Solve): Placement {
  const search = placeSteps(placing, solve);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

/** As `place`, step by step, so that who waits can be told how far it is. */
export function* placeSteps(placing: Placing, solve: Solve): Generator<PlacingStep, Placement> {
  const fixed = new Set<string>();
  yield { doing: "wishes", found: 0 };
  // Wishes of whole weights and early slots are weighed in one go; others one after the other.
  const inOne = placing.wishes.every(({ weight }) => Number.isInteger(weight));
  const first = solve(programText(placing, { goal: inOne ? "best" : "wishes", fixed }));
  const some = planOf(placing, first.values);
  if (!first.optimal && !(first.stopped && some.length > 0)) return yield* whyNot(placing, solve);
  if (inOne) return planned(placing, some, first.optimal);
  yield { doing: "slots", found: 0 };
  // A whole weight is met or not: so small a part of one is a rounding.
  const wishes = first.objective - 1e-6;
  const second = solve(programText(placing, { goal: "slots", fixed, wishes }));
  const found = planOf(placing, second.values);
  return planned(placing, found.length > 0 ? found : some, first.optimal && second.optimal);
}

function planned(placing: Placing, plan: readonly Placed[], proven: boolean): Placement {
  const wishes = placing.wishes.reduce((sum, { session, slot, room, person, weight }) => {
    const at = plan.find((one) => one.session === session);
    const isThere = at && (slot ?? at.slot) === at.slot && (room ?? at.room) === at.room;
    const isMet = person === undefined ? isThere : at?.people.includes(person);
    return sum + (isMet ? weight : 0);
  }, 0);
  return { possible: true, plan, wishes, sumOfSlots: plan.reduce((sum, { slot }) => sum + slot, 0), proven };
}

/** Time ran out before it was known. */
class RanOut extends Error {}

/** What must give, and why. */
function* whyNot(placing: Placing, solve: Solve): Generator<PlacingStep, Placement> {
  const mustGive: (readonly string[])[] = [];
  try {
    while (mustGive.length < mostSets) {
      yield { doing: "what must give", found: mustGive.length };
      const next = leastGift(placing, solve, new Set(), mustGive);
      if (next === null || next.length > (mustGive[0]?.length ?? next.length)) break;
      mustGive.push(next);
    }
    return { possible: false, mustGive, conflict: yield* smallestConflict(placing, solve, mustGive), proven: true };
  } catch (error) {
    if (!(error instanceof RanOut)) throw error;
    return { possible: false, mustGive, conflict: [], proven: false };
  }
}

/** The fewest demands whose dropping makes the rest possible, none of `held` among them, and no set that was found before; null where there is none. */
function leastGift(
  placing: Placing,
  solve: Solve,
  held: ReadonlySet<string>,
  before: readonly (readonly string[])[],
): readonly string[] | null {
  const { optimal, stopped, values } = solve(programText(placing, { goal: "gifts", fixed: held, before }));
  if (stopped) throw new RanOut();
  return optimal ? placing.demands.flatMap(({ id }, i) => ((values[`d${i}`] ?? 0) > 0.5 ? [id] : [])) : null;
}

/**
 * The fewest demands that cannot hold together: a least set that meets every gift found so far; while it can hold, what
 * must then be dropped is one more gift to be met (after Reiter, 1987, by least hitting sets).
 */
function* smallestConflict(
  placing: Placing,
  solve: Solve,
  known: readonly (readonly string[])[],
): Generator<PlacingStep, readonly string[]> {
  const gifts = [...known];
  for (;;) {
    yield { doing: "why", found: gifts.length };
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
