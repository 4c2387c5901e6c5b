// @vitest-environment jsdom
import type { BuyingDoc, SupplyRun } from "@lampcrate/contract";
import { seasonCrates } from "@lampcrate/core";
import { act, renderHook } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { brief, line, material, session, supplyHouse } from "../../contract/test/samples.ts";
import { usePlan } from "../desk/seasonData/usePlan.ts";
import { sizedFrom } from "../desk/seasonData/useSeasonCrates.ts";
import type { Planned, ToBuy } from "../shared/compute/season.worker.ts";

interface Planning {
  readonly toBuy: ToBuy;
  readonly give: (more: Partial<Planned>) => void;
  readonly fail: (why: string) => void;
  ended: boolean;
}
const planning = vi.hoisted((): Planning[] => []);
vi.mock("../shared/compute/seasonDoor.ts", () => ({
  planBuying: (toBuy: ToBuy, give: Planning["give"], fail: Planning["fail"]) => {
    const one = { toBuy, give, fail, ended: false };
    planning.push(one);
    return () => {
      one.ended = true;
    };
  },
  sizeSeason: async () => [],
  seasonSureness: async () => ({ sure: 1, pooled: [] }),
}));

const at = (iso: string): number => Date.parse(iso);
const run = (id: string, day: string): SupplyRun => ({
  id,
  title: id,
  kind: "drop-in",
  heads: { model: "signedUp", signedUp: 30, showRate: 1, walkIns: 0 },
  opensOn: null,
  brief: brief([line("card")]),
  sessions: [
    { ...session(`${id}-day`), start: `${day}T10:00`, startAt: at(`${day}T09:00:00Z`), endAt: at(`${day}T10:00:00Z`), tearDownMin: 30 },
  ],
});
const doc = (patch: Partial<BuyingDoc> = {}): BuyingDoc => ({
  today: "2026-12-05",
  now: at("2026-12-05T08:00:00Z"),
  zone: "CET",
  house: supplyHouse,
  runs: [run("early", "2026-12-05"), run("late", "2026-12-19")],
  materials: [material("card", { onHand: 5 })],
  suppliers: [],
  orders: [],
  asOne: null,
  ...patch,
});

const first: Planned = {
  late: [],
  rest: { materials: [], suppliers: [], packs: [], crates: [] },
  shares: [],
  best: null,
  bound: 0,
  next: null,
  fewest: null,
  soonest: null,
  stage: "good",
  tookMs: 1,
};

describe("what the season's crates are sized from", () => {
  it("is the same at any time of the day until a session is over, tear-down included", () => {
    const number = (iso: string): number => sizedFrom(doc({ now: at(iso) })).number;
    const morning = number("2026-12-05T08:00:00Z");
    expect([number("2026-12-05T09:30:00Z"), number("2026-12-05T10:29:59Z")]).toEqual([morning, morning]);
    expect(number("2026-12-05T10:30:00Z")).toBeGreaterThan(morning);
  });

  it("is another when a kit, a stock or the way of preparing is", () => {
    const before = sizedFrom(doc()).number;
    expect(sizedFrom(doc({ suppliers: [] })).number).toBe(before);
    const changed = [
      doc({ materials: [material("card", { onHand: 6 })] }),
      doc({ today: "2026-12-06" }),
      doc({ runs: [run("early", "2026-12-05")] }),
      doc({ house: { ...doc().house, closures: [{ id: "c", from: "2026-12-10", to: "2026-12-11", why: "" }] } }),
    ];
    const numbers = changed.map((one) => sizedFrom(one).number);
    expect(new Set([before, ...numbers]).size).toBe(5);
  });

  it("leaves out nothing that is still to come", () => {
    for (const iso of ["2026-12-05T08:00:00Z", "2026-12-05T10:30:00Z", "2026-12-20T00:00:00Z"]) {
      const { input } = sizedFrom(doc({ now: at(iso) }));
      const ids = (now: number) => seasonCrates(input.runs, now, input.today, input.preparing).map((crate) => crate.id);
      expect(ids(input.now)).toEqual(ids(at(iso)));
    }
  });
});

describe("the season's plan", () => {
  beforeEach(() => {
    planning.length = 0;
  });

  it("is made once for the same wants, whoever fetched them anew, and goes on stage by stage", () => {
    const { runs, now, today, preparing } = sizedFrom(doc()).input;
    const crates = seasonCrates(runs, now, today, preparing);
    const { result, rerender } = renderHook(({ of }) => usePlan(of, crates), { initialProps: { of: doc() } });
    rerender({ of: doc({ now: at("2026-12-05T09:00:00Z") }) });
    expect(planning).toHaveLength(1);
    act(() => planning[0]?.give(first));
    expect(result.current.planned?.stage).toBe("good");
    act(() => planning[0]?.give({ stage: "done", tookMs: 2 }));
    expect(result.current.planned).toEqual({ ...first, stage: "done", tookMs: 2 });
    rerender({ of: doc({ materials: [material("card", { onHand: 0 })] }) });
    expect(planning.map((one) => one.ended)).toEqual([true, false]);
    expect(result.current.planned).toBeNull();
  });

  it("can be stopped and made again, and says why it failed", () => {
    const { result } = renderHook(() => usePlan(doc(), []));
    act(() => result.current.stop());
    expect([result.current.stopped, planning[0]?.ended]).toEqual([true, true]);
    act(() => result.current.again());
    act(() => planning[1]?.fail("no solver"));
    expect([result.current.stopped, result.current.trouble]).toEqual([false, "no solver"]);
    act(() => result.current.again());
    expect([planning.length, result.current.trouble]).toEqual([3, null]);
  });
});
