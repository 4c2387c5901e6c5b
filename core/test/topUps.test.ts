import { describe, expect, it } from "vitest";
import { type CrateLine, type CrateSession, manifestOf } from "../src/index.ts";

/** A generator of its own, not the one under test: mulberry32. */
function uniform(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const rebuilding = { buildBy: "builder", rate: 0.3, loops: 2 } as const;
const line = (amount: number): CrateLine & { kind: "counted" } => ({
  id: "card",
  per: "builder",
  kind: "counted",
  amount,
  perRebuild: 0.5,
  spoilRate: 0.2,
  price: 1,
  onHand: 0,
});

/** What those who come to a day and to none before use, tried over and over, builder by builder and piece by piece. */
function tried(
  { amount, perRebuild, spoilRate }: ReturnType<typeof line>,
  days: readonly number[],
  shows: number,
  times: number,
): Float64Array {
  const u = uniform(7);
  const come = (n: number): number => {
    let came = 0;
    for (let i = 0; i < n; i += 1) if (u() < shows) came += 1;
    return came;
  };
  return Float64Array.from({ length: times }, () => {
    const came = days.map(come);
    const last = came.pop() ?? 0;
    const fresh = Math.max(0, last - Math.max(0, ...came));
    let [used, building] = [0, fresh];
    let good = fresh * amount;
    for (let loop = 0; loop < rebuilding.loops; loop += 1) {
      let again = 0;
      for (let i = 0; i < building; i += 1) if (u() < rebuilding.rate) again += 1;
      good += again * Math.ceil(perRebuild * amount);
      building = again;
    }
    while (good > 0) {
      used += 1;
      if (u() >= spoilRate) good -= 1;
    }
    return used;
  });
}

describe("the last day of a series", () => {
  const target = 0.95;
  const shows = 0.9;
  // Fewer and more newcomers than before; sums around multiples of 64 pieces among them.
  it.each([
    [20, 22, 30, 4],
    [30, 30, 46, 4],
    [40, 40, 44, 8],
    [16, 16, 40, 8],
    [60, 50, 80, 16],
  ])(
    "after %i and %i builders is as sure as was chosen for %i at %i pieces, and takes no more than that needs",
    (first, second, third, amount) => {
      const session = (id: string, signedUp: number): CrateSession => ({
        id,
        heads: { model: "signedUp", signedUp, showRate: shows, walkIns: 0 },
      });
      const of = line(amount);
      const { lines } = manifestOf({
        sessions: [session("third", third)],
        series: { before: [session("first", first), session("second", second)] },
        grouping: { teamSize: 2, seats: 6, share: 0.5, rigServes: 12 },
        rebuilding,
        target,
        draws: 16_000,
        lines: [of],
      });
      const quantity = lines[0]?.quantity ?? 0;
      const use = tried(of, [first, second, third], shows, 40_000).sort();
      const sure = use.filter((n) => n <= quantity).length / use.length;
      // Three standard deviations of either count of draws.
      expect(sure).toBeGreaterThan(target - 0.006);
      expect(sure).toBeLessThan(target + 0.012);
    },
  );
});
