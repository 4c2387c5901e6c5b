import { describe, expect, it } from "vitest";
import { keptUntil, type RunDays, runSteps, usualGathering } from "../src/index.ts";
import { drawHeads, type HeadsModel, likelyHeads } from "../src/kit/draws/heads.ts";

const weekdays = { weekdays: [1, 2, 3, 4, 5], closures: [{ from: "2026-12-24", to: "2027-01-03" }] };
const house = { preparing: weekdays, closures: weekdays.closures, keepingDays: 90, gathering: usualGathering };
const nobody: HeadsModel = { model: "signedUp", signedUp: 0, showRate: 1, walkIns: 0 };
const held = (date: string, heads: HeadsModel = nobody, cancelled = false) => ({ date, heads, cancelled });
const run: RunDays = {
  opensOn: "2026-12-05",
  closesOn: "2026-12-20",
  revealOn: null,
  came: 0,
  heads: nobody,
  sessions: [held("2026-12-08")],
};
const today = "2026-12-01";
const steps = (patch: Partial<RunDays> = {}, came = 10) => runSteps({ ...run, came, ...patch }, today, house);

describe("what a run asks for besides its crates", () => {
  it("publishes on the last working day three days before it opens, else before its first session", () => {
    expect(steps().publish).toBe("2026-12-02");
    expect(steps({ opensOn: "2026-12-09" }).publish).toBe("2026-12-04");
    expect(steps({ opensOn: null }).publish).toBe("2026-12-04");
    expect(steps({ opensOn: null, sessions: [] }).publish).toBeNull();
    const several = [held("2026-11-10"), held("2026-12-03", nobody, true), held("2026-12-10"), held("2026-12-17")];
    expect(steps({ opensOn: null, sessions: several }).publish).toBe("2026-12-07");
    expect(steps({ opensOn: null, sessions: several.slice(0, 2) }).publish).toBe("2026-11-06");
  });

  it("sifts on working days from the day after it closes, and can be revealed on the next; closed days are left out", () => {
    // 20 min: a day. 16 entries: 32 min of 30 a day: two. 61 entries: 122 min: five, the last two after the closed days.
    expect(steps({}, 10)).toMatchObject({ sift: { from: "2026-12-21", to: "2026-12-21", entries: 10 }, revealFrom: "2026-12-22" });
    expect(steps({}, 16)).toMatchObject({ sift: { from: "2026-12-21", to: "2026-12-22" }, revealFrom: "2026-12-23" });
    expect(steps({}, 61)).toMatchObject({ sift: { from: "2026-12-21", to: "2027-01-05" }, revealFrom: "2027-01-06" });
    expect(steps({ closesOn: null })).toMatchObject({ sift: null, remind: [], reveal: null, revealFrom: null, erase: null });
  });

  it("is revealed on the day that was set, though it could be another; entries go by what stands in the run", () => {
    expect(steps({ revealOn: "2026-12-30" })).toMatchObject({ reveal: "2026-12-30", revealFrom: "2026-12-22", erase: "2027-03-30" });
    expect(steps()).toMatchObject({ reveal: "2026-12-22", erase: "2027-03-20" });
    expect(keptUntil({ revealOn: null, closesOn: "2026-12-20" }, 1)).toBe("2026-12-21");
  });

  it("reminds before it closes, but nobody before it has opened", () => {
    expect(steps().remind).toEqual(["2026-12-17"]);
    const often = { ...usualGathering, remindDays: [1, 7, 30] };
    expect(runSteps(run, today, { ...house, gathering: often }).remind).toEqual(["2026-12-13", "2026-12-19"]);
  });

  it("expects a share of the builders to send, and never fewer than have sent", () => {
    const heads: readonly HeadsModel[] = [
      { model: "forecast", low: 5, likely: 30, high: 60 },
      { model: "signedUp", signedUp: 20, showRate: 0.5, walkIns: 0 },
    ];
    const sessions = heads.map((one) => held("2026-12-08", one));
    expect(steps({ sessions }, 0).sift?.entries).toBe(12);
    expect(steps({ sessions }, 17).sift?.entries).toBe(17);
    expect(steps({ sessions: sessions.map((one) => ({ ...one, cancelled: true })), heads: heads[0] ?? nobody }, 0).sift?.entries).toBe(9);
  });
});

describe("heads that are likely", () => {
  const models: readonly HeadsModel[] = [
    { model: "forecast", low: 20, likely: 34, high: 60 },
    { model: "learned", low: 20, likely: 34, high: 60, past: [52, 48, 61, 50] },
    { model: "signedUp", signedUp: 40, showRate: 0.8, walkIns: 5 },
    { model: "atHome", asked: 120, takeUp: 0.3, more: 4 },
    { model: "signedUp", signedUp: 40, showRate: 0.9, walkIns: 5, cap: 24 },
  ];

  it.each(models)("are the middle of what is drawn: $model", (model) => {
    const drawn = drawHeads(model, "likely", 4001).sort();
    expect(Math.abs(likelyHeads(model) - (drawn[2000] ?? Number.NaN))).toBeLessThanOrEqual(1);
  });
});
