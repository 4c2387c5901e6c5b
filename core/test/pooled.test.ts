import { describe, expect, it } from "vitest";
import { solve } from "../reference/highs.ts";
import {
  boughtAsOne,
  type DrawnCrate,
  drawnCrates,
  type Preparing,
  pooledLevels,
  type SeasonRun,
  seasonCertainty,
  sheetPlan,
  usualTimes,
} from "../src/index.ts";
import type { CutTogether } from "../src/kit/season/sheetsTogether.ts";

const preparing: Preparing = { weekdays: [1, 2, 3, 4, 5], closures: [], people: 2, hours: 3, times: usualTimes };
const at = (date: string, hour: number): number => Date.parse(`${date}T00:00:00Z`) + hour * 3_600_000;
const session = (id: string, date: string, likely = 30): SeasonRun["sessions"][number] => ({
  id,
  title: "",
  date,
  from: at(date, 10),
  to: at(date, 14),
  heads: { model: "forecast", low: likely * 0.6, likely, high: likely * 1.5 },
});
const straws = {
  id: "straws",
  per: "builder",
  kind: "counted",
  amount: 4,
  perRebuild: 0.5,
  spoilRate: 0.1,
  price: 5,
  onHand: 0,
} as const;
const goggles = { id: "goggles", per: "builder", kind: "reusable", share: 1, unitsPerItem: 1, loss: 0, price: 400, onHand: 0 } as const;
const run = (id: string, sessions: SeasonRun["sessions"], patch: Partial<SeasonRun["crate"]> = {}, isSeries = false): SeasonRun => ({
  id,
  title: id,
  isSeries,
  crate: {
    grouping: { teamSize: 2, seats: 6, share: 0.5, rigServes: 12 },
    rebuilding: { buildBy: "builder", rate: 0.2, loops: 2 },
    target: 0.95,
    lines: [straws, goggles],
    ...patch,
  },
  materialOf: { straws: "straws", sticks: "straws", goggles: "goggles" },
  unpacked: [],
  sessions,
});
const saturdays = ["2026-12-05", "2026-12-12", "2026-12-19", "2027-01-09", "2027-01-16", "2027-01-23", "2027-01-30", "2027-02-06"];
const drawn = (...runs: readonly SeasonRun[]): readonly DrawnCrate[] => drawnCrates(runs, at("2026-12-01", 8), "2026-12-01", preparing);
const weekly = run(
  "weekly",
  saturdays.map((day, i) => session(`s${i}`, day)),
);

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const asked = (crates: readonly DrawnCrate["crate"][], material = "straws"): readonly number[] =>
  crates.map(({ needs }) => needs.find((need) => need.material === material)?.amount ?? 0);

/** In what share of the draws every crate could be packed in full from what was bought by then: the leftovers of earlier ones are back. */
function packedInFull(crates: readonly DrawnCrate[], bought: readonly number[], isBack = true): number {
  const draws = crates[0]?.uses[0]?.length ?? 0;
  let full = 0;
  for (let i = 0; i < draws; i += 1) {
    let there = 0;
    let every = true;
    for (const [c, { crate, uses }] of crates.entries()) {
      const quantity = crate.manifest.lines[0]?.quantity ?? 0;
      there += bought[c] ?? 0;
      if (there < quantity - 1e-9) every = false;
      there -= isBack ? Math.min(uses[0]?.[i] ?? 0, quantity) : quantity;
    }
    if (every) full += 1;
  }
  return full / draws;
}

describe("a season bought for as one", () => {
  it("needs less than its crates by themselves, and the more so the less sure it is to be", () => {
    const crates = drawn(weekly);
    const { pooled } = seasonCertainty(crates);
    const alone = sum(asked(crates.map(({ crate }) => crate)));
    const totals = pooled.map((one) =>
      sum(
        asked(
          boughtAsOne(
            crates.map(({ crate }) => crate),
            one,
          ),
        ),
      ),
    );
    expect(pooled.map(({ level }) => level)).toEqual([...pooledLevels]);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    expect(new Set(totals).size).toBe(4);
    expect(totals.at(-1)).toBeLessThan(alone);
    expect(totals[0]).toBeLessThan(0.8 * alone);
  });

  it("lets every crate be packed in full as surely as it says, replayed draw by draw", () => {
    const crates = drawn(weekly);
    for (const one of seasonCertainty(crates).pooled) {
      const bought = asked(
        boughtAsOne(
          crates.map(({ crate }) => crate),
          one,
        ),
      );
      const sure = packedInFull(crates, bought);
      expect(sure).toBeGreaterThanOrEqual(one.level);
      // Whole pieces and steps make it a little surer, never much.
      expect(sure).toBeLessThan(one.level + 0.02);
    }
  });

  it("takes nothing from the first crate, nor from one that is prepared before the one before it is back", () => {
    const [first = saturdays[0] ?? ""] = saturdays;
    const close = run("close", [session("a", first), session("b", first)]);
    const crates = drawn(close);
    for (const one of seasonCertainty(crates).pooled) {
      expect(
        asked(
          boughtAsOne(
            crates.map(({ crate }) => crate),
            one,
          ),
        ),
      ).toEqual(asked(crates.map(({ crate }) => crate)));
      expect(packedInFull(crates, asked(crates.map(({ crate }) => crate)), false)).toBe(1);
    }
  });

  it("shares between runs what is taken as it comes, and keeps what comes back out of it", () => {
    const halves = [0, 1].map((k) =>
      run(
        `run${k}`,
        saturdays.filter((_, i) => i % 2 === k).map((day, i) => session(`s${2 * i + k}`, day)),
      ),
    );
    const crates = drawn(...halves);
    const [, , at95] = seasonCertainty(crates).pooled;
    if (!at95) throw new Error("there is one at 95 %");
    const whole = drawn(weekly);
    const [, , same] = seasonCertainty(whole).pooled;
    if (!same) throw new Error("there is one at 95 %");
    const of = (list: readonly DrawnCrate[], one: typeof at95) =>
      boughtAsOne(
        list.map(({ crate }) => crate),
        one,
      );
    expect(asked(of(crates, at95))).toEqual(asked(of(whole, same)));
    expect(asked(of(crates, at95), "goggles")).toEqual(
      asked(
        crates.map(({ crate }) => crate),
        "goggles",
      ),
    );
  });

  it("uses pieces left over only where pieces of their size are wanted, and cuts what is wanted together", () => {
    const sheet = { parentW: 700, parentH: 500, rotate: true, kerf: 0, trimW: 0, trimH: 0 };
    const cutTo = (pieceW: number) => ({ ...straws, cut: { ...sheet, pieceW, pieceH: 100 } });
    const days = saturdays.slice(0, 4);
    const alike = drawn(
      run(
        "alike",
        days.map((day, i) => session(`s${i}`, day)),
        { lines: [cutTo(100)] },
      ),
    );
    const other = drawn(...days.map((day, i) => run(`run${i}`, [session(`s${i}`, day)], { lines: [cutTo(100 + 30 * i)] })));
    const total = (list: readonly DrawnCrate[], together: CutTogether | null = null): number => {
      const [, , at95] = seasonCertainty(list, together).pooled;
      return at95
        ? sum(
            asked(
              boughtAsOne(
                list.map(({ crate }) => crate),
                at95,
              ),
            ),
          )
        : 0;
    };
    expect(total(alike)).toBeLessThan(sum(asked(alike.map(({ crate }) => crate))));
    expect(total(other)).toBe(sum(asked(other.map(({ crate }) => crate))));
    // Sizes of one sheet cut in one go: fewer sheets, and the season says so.
    const together: CutTogether = (job) => sheetPlan(job, solve);
    const [, , at95] = seasonCertainty(other, together).pooled;
    const [card, ...more] = at95?.cutTogether ?? [];
    expect([card?.material, card?.apart, more]).toEqual(["straws", total(other), []]);
    expect(total(other, together)).toBe(card?.sheets);
    expect(card?.sheets).toBeLessThan(total(other));
    expect(seasonCertainty(alike, together).pooled.flatMap((one) => one.cutTogether)).toEqual([]);
  });

  it("of nothing is sure", () => {
    expect(seasonCertainty([]).sure).toBe(1);
    expect(seasonCertainty([]).pooled.map(({ packedAgain }) => packedAgain)).toEqual([{}, {}, {}, {}]);
  });
});

describe("how sure a season is as a whole", () => {
  it("is the product of its crates where nobody comes twice", () => {
    const crates = drawn(weekly);
    const each = crates.map(({ crate }) => crate.manifest.covered);
    expect(seasonCertainty(crates).sure).toBeCloseTo(
      each.reduce((product, sure) => product * sure, 1),
      2,
    );
  });

  it("is what its days have together in a series: never above the least sure of them, nor below what they miss together", () => {
    const series = drawn(
      run(
        "series",
        saturdays.slice(0, 3).map((day, i) => session(`d${i}`, day, 20 + 8 * i)),
        {},
        true,
      ),
    );
    const { sure } = seasonCertainty(series);
    const each = series.map(({ crate }) => crate.manifest.covered);
    expect(sure).toBeLessThanOrEqual(Math.min(...each) + 0.005);
    expect(sure).toBeGreaterThanOrEqual(1 - sum(each.map((covered) => 1 - covered)) - 1e-9);
  });
});
