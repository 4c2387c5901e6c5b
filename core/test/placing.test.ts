import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import { type Placed, place } from "../src/calendar/placing/place.ts";
import type { Demand, Placing } from "../src/calendar/placing/placing.ts";

const rooms = ["hall", "lab"];
const people = ["mo", "ida"];
const sessions = ["A", "B", "C"];

/** True where a plan keeps a demand, by the words of the models alone. */
function keeps(demand: Demand, plan: readonly Placed[], when: (slot: number) => number): boolean {
  const of = (id: string): Placed | undefined => plan.find(({ session }) => session === id);
  const pair = "a" in demand ? ([of(demand.a), of(demand.b)] as const) : null;
  switch (demand.kind) {
    case "held":
      return of(demand.session) !== undefined;
    case "slots":
      return demand.slots.includes(of(demand.session)?.slot ?? demand.slots[0] ?? 0);
    case "room":
      return demand.rooms.includes(of(demand.session)?.room ?? demand.rooms[0] ?? "");
    case "people": {
      const at = of(demand.session);
      return at === undefined || (at.people.length === demand.n && at.people.every((one) => demand.of.includes(one)));
    }
    case "away":
      return plan.every(({ slot, people: at }) => !(demand.slots.includes(slot) && at.includes(demand.person)));
    case "most":
      return plan.filter(({ people: at }) => at.includes(demand.person)).length <= demand.n;
    case "before":
      return !pair?.[0] || !pair[1] || pair[0].slot < pair[1].slot;
    case "sameRoom":
      return !pair?.[0] || !pair[1] || pair[0].room === pair[1].room;
    case "gap": {
      if (!pair?.[0] || !pair[1]) return true;
      const apart = Math.abs(when(pair[0].slot) - when(pair[1].slot));
      return apart >= (demand.least ?? 0) && apart <= (demand.most ?? 99);
    }
  }
}

/** Every plan that structure allows; nobody is where nobody is asked for. */
function* plans({ slots, demands, taken = {} }: Placing, from = 0, so: readonly Placed[] = []): Generator<readonly Placed[]> {
  const session = sessions[from];
  if (session === undefined) {
    yield so;
    return;
  }
  yield* plans({ slots, demands, taken } as unknown as Placing, from + 1, so);
  const asked = demands.some((demand) => demand.kind === "people" && demand.session === session);
  const groups = asked ? [[], ["mo"], ["ida"], ["mo", "ida"]] : [[]];
  for (let slot = 0; slot < slots; slot += 1)
    for (const room of rooms)
      for (const at of groups) {
        if ([room, ...at].some((one) => taken[one]?.includes(slot))) continue;
        const isFree = so.every((other) => other.slot !== slot || (other.room !== room && !at.some((one) => other.people.includes(one))));
        if (isFree) yield* plans({ slots, demands, taken } as unknown as Placing, from + 1, [...so, { session, slot, room, people: at }]);
      }
}

const worth = ({ wishes }: Placing, plan: readonly Placed[]): number =>
  wishes.reduce((sum, { session, slot, room, person, weight }) => {
    const at = plan.find((one) => one.session === session);
    const met =
      at &&
      (person === undefined
        ? (slot === undefined || at.slot === slot) && (room === undefined || at.room === room)
        : at.people.includes(person));
    return sum + (met ? weight : 0);
  }, 0);

const anySession = fc.constantFrom(...sessions);
const anyPair = fc.shuffledSubarray(sessions, { minLength: 2, maxLength: 2 }).map(([a = "A", b = "B"]) => ({ a, b }));
const someSlots = fc.subarray([0, 1, 2], { minLength: 1 });
const anyDemand: fc.Arbitrary<Omit<Demand, "id">> = fc.oneof(
  fc.record({ kind: fc.constant("slots" as const), session: anySession, slots: someSlots }),
  fc.record({ kind: fc.constant("room" as const), session: anySession, rooms: fc.subarray(rooms, { minLength: 1 }) }),
  fc.record({
    kind: fc.constant("people" as const),
    session: anySession,
    n: fc.integer({ min: 1, max: 2 }),
    of: fc.subarray(people, { minLength: 1 }),
  }),
  fc.record({ kind: fc.constant("away" as const), person: fc.constantFrom(...people), slots: someSlots }),
  fc.record({ kind: fc.constant("most" as const), person: fc.constantFrom(...people), n: fc.integer({ min: 0, max: 2 }) }),
  anyPair.map((pair) => ({ kind: "before" as const, ...pair })),
  anyPair.map((pair) => ({ kind: "sameRoom" as const, ...pair })),
  // Of A and B both order and gap are likely.
  fc.constant({ kind: "before" as const, a: "A", b: "B" }),
  fc.integer({ min: 0, max: 2 }).map((least) => ({ kind: "gap" as const, a: "A", b: "B", least, most: Math.max(least, 1) })),
  anyPair.chain((pair) => fc.integer({ min: 0, max: 2 }).map((least) => ({ kind: "gap" as const, ...pair, least, most: 2 }))),
);
const atOf = (demand: Omit<Demand, "id">): unknown => ("session" in demand ? demand.session : null);
const anyPlacing: fc.Arbitrary<Placing> = fc.record({
  slots: fc.integer({ min: 1, max: 3 }),
  sessions: fc.constant(sessions),
  rooms: fc.constant(rooms),
  people: fc.constant(people),
  demands: fc.array(anyDemand, { maxLength: 4 }).map((demands): Demand[] => [
    ...sessions.map((session): Demand => ({ id: `held ${session}`, kind: "held", session })),
    // One demand a session says who is at it.
    ...demands
      .filter((one, i) => one.kind !== "people" || demands.findIndex((other) => other.kind === "people" && atOf(other) === atOf(one)) === i)
      .map((demand, i) => ({ ...demand, id: `d${i}` }) as Demand),
  ]),
  gapAt: fc.constantFrom([0, 1, 2], [0, 0, 3], [0, 2, 2]),
  taken: fc.constantFrom({}, { hall: [1] }, { ida: [0], lab: [0, 2] }),
  wishes: fc.array(fc.record({ session: anySession, slot: fc.integer({ min: 0, max: 2 }), weight: fc.constantFrom(1, 2, 5, 0.25, 0.7) }), {
    maxLength: 3,
  }),
});

const whenOf =
  ({ gapAt }: Placing) =>
  (slot: number): number =>
    gapAt?.[slot] ?? slot;

describe("placing sessions", () => {
  it("finds what trying all finds: the greatest weight of wishes, then the earliest slots; no demand is broken", () => {
    fc.assert(
      fc.property(anyPlacing, (placing) => {
        const all = [...plans(placing)].filter((plan) => placing.demands.every((demand) => keeps(demand, plan, whenOf(placing))));
        const found = place(placing, solve);
        expect(found.possible).toBe(all.length > 0);
        if (!found.possible) return;
        expect(placing.demands.filter((demand) => !keeps(demand, found.plan, whenOf(placing)))).toEqual([]);
        const best = Math.max(...all.map((plan) => worth(placing, plan)));
        expect(found.wishes).toBeCloseTo(best, 6);
        expect(found.proven).toBe(true);
        const earliest = all
          .filter((plan) => Math.abs(worth(placing, plan) - best) < 1e-9)
          .map((plan) => plan.reduce((sum, { slot }) => sum + slot, 0));
        expect(found.sumOfSlots).toBe(Math.min(...earliest));
      }),
      { numRuns: 40 },
    );
  });

  it("says what must give by the least number, and a smallest conflict", () => {
    fc.assert(
      fc.property(anyPlacing, (placing) => {
        const found = place(placing, solve);
        if (found.possible) return;
        const all = [...plans(placing)];
        const canHold = (kept: (id: string) => boolean): boolean =>
          all.some((plan) => placing.demands.every((demand) => !kept(demand.id) || keeps(demand, plan, whenOf(placing))));
        for (const gift of found.mustGive) expect(canHold((id) => !gift.includes(id))).toBe(true);
        const broken = Math.min(...all.map((plan) => placing.demands.filter((demand) => !keeps(demand, plan, whenOf(placing))).length));
        expect(found.mustGive[0]).toHaveLength(broken);
        expect(canHold((id) => found.conflict.includes(id))).toBe(false);
        for (const one of found.conflict) expect(canHold((id) => id !== one && found.conflict.includes(id))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});
