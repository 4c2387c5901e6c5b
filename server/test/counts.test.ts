import type { LearnedDoc, MaterialDoc, ProblemDoc, RunDoc, SessionDoc, UncountedSession } from "@lampcrate/contract";
import { learnAmount, learnRebuild, learnSpoil } from "@lampcrate/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everything, openTestHouse, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
let held: SessionDoc;
beforeEach(async () => {
  house = await openTestHouse();
  const { id } = (await house.ask("POST", "/api/starters/paper-deck", { title: "Deck", kind: "drop-in" })).body as { id: string };
  const session = {
    title: "",
    roomId: "marsh-room",
    start: "2026-11-25T09:00",
    minutes: 120,
    setUpMin: 30,
    tearDownMin: 30,
    heads: { model: "forecast", low: 20, likely: 30, high: 40 },
  };
  run = (await house.ask("POST", `/api/runs/${id}/sessions`, session)).body as RunDoc;
  held = run.sessions[0] as SessionDoc;
  house.at("2026-11-25T12:00:00Z");
});
afterEach(() => house.close());

const [paper, tape] = ["line_1", "line_2"];
const count = (patch: Record<string, unknown> = {}) => ({
  builders: 25,
  rebuilds: [11, 4, 0],
  lines: [
    { lineId: paper, putOut: 180, left: 20, spoilt: 12 },
    { lineId: tape, putOut: 20_000, left: 4000, spoilt: 0 },
  ],
  ...patch,
});
const put = (body: unknown, session = held.id) => house.ask("PUT", `/api/runs/${run.id}/sessions/${session}/count`, body);

describe("counting after a session", () => {
  it("teaches amounts, spoil and rebuilds, from the numbers that stood before", async () => {
    const answer = await put(count());
    expect(answer.status).toBe(200);
    const { advice, counts } = answer.body as LearnedDoc;
    expect(counts).toMatchObject([{ sessionId: held.id, builders: 25, date: "2026-11-25", by: "Pat Planner" }]);
    const { rebuildRate, loops } = run.brief;
    expect(advice?.rebuildRate.learned).toEqual(learnRebuild(rebuildRate, loops, [{ units: 25, rebuilds: [11, 4, 0] }]));
    expect(advice?.spoil.find((s) => s.lineId === paper)?.learned).toEqual(learnSpoil(0.08, 12, 148));
    const line = { kind: "counted", amount: 4, perRebuild: 0.5, rebuildRate, loops } as const;
    const expected = learnAmount(line, [{ putOut: 180, left: 20, spoilt: 12, units: 25, rebuilds: 15 }]);
    expect(advice?.amounts.find((a) => a.lineId === paper)?.learned.value).toBeCloseTo(expected.value, 12);
    expect(advice?.buildMinutes).toBeNull();
  });

  it("is not counted twice when what was learned has been taken over, and can be corrected and undone", async () => {
    const first = (await put(count())).body as LearnedDoc;
    const learned = first.advice?.amounts[0]?.learned.value ?? 0;
    const lines = run.brief.lines.map((line) => (line.id === paper ? { ...line, amount: learned } : line));
    await house.ask("PUT", `/api/runs/${run.id}/brief`, {
      revision: run.briefRevision,
      words: "took over",
      brief: { ...run.brief, lines },
    });
    const again = (await house.ask("GET", `/api/runs/${run.id}/learned`)).body as LearnedDoc;
    expect(again.advice?.amounts[0]).toEqual(first.advice?.amounts[0]);
    await put(count({ builders: 30 }));
    expect(((await house.ask("GET", `/api/runs/${run.id}/learned`)).body as LearnedDoc).counts[0]?.builders).toBe(30);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect(((await house.ask("GET", `/api/runs/${run.id}/learned`)).body as LearnedDoc).counts[0]?.builders).toBe(25);
  });

  it("is refused by field where it can't be, with nothing written", async () => {
    const before = everything(house);
    for (const [body, field] of [
      [count({ lines: [{ lineId: paper, putOut: 10, left: 8, spoilt: 4 }] }), "lines[0].left"],
      [count({ lines: [{ lineId: "no-such-line", putOut: 10, left: 8, spoilt: 0 }] }), "lines[0].lineId"],
      [count({ rebuilds: [30] }), "rebuilds[0]"],
      [count({ rebuilds: [5, 6] }), "rebuilds[1]"],
      [count({ builders: -1 }), "builders"],
    ] as const) {
      const answer = await put(body);
      expect([field, answer.status]).toEqual([field, 422]);
      expect((answer.body as ProblemDoc).errors?.map((e) => e.field)).toContain(field);
    }
    expect((await put(count(), "another-session")).status).toBe(404);
    house.at("2026-11-25T07:00:00Z");
    expect((await put(count())).status).toBe(409);
    expect(everything(house)).toBe(before);
  });
});

describe("a count day after a session", () => {
  const material = async () => {
    const line = run.brief.lines.find((one) => one.id === paper);
    const list = (await house.ask("GET", "/api/materials")).body as readonly MaterialDoc[];
    return list.find((one) => one.id === line?.materialId) ?? { id: "", onHand: Number.NaN };
  };
  const countDay = async (counted: number): Promise<void> => {
    const { id, onHand } = await material();
    const answer = await house.ask("POST", "/api/stock/count", { counts: [{ materialId: id, counted, listed: onHand }] });
    expect(answer.status).toBe(200);
  };
  const uncounted = async () => (await house.ask("GET", "/api/stock/uncounted")).body as readonly UncountedSession[];

  it("is a fence: what was counted stays, whatever is counted or corrected of the session later, and undone", async () => {
    await put(count());
    expect((await material()).onHand).toBe(-160);
    await put(count({ lines: [{ lineId: paper, putOut: 180, left: 30, spoilt: 12 }] }));
    expect((await material()).onHand).toBe(-150);
    await countDay(500);
    await put(count({ lines: [{ lineId: paper, putOut: 400, left: 0, spoilt: 12 }] }));
    expect((await material()).onHand).toBe(500);
    await house.ask("POST", `/api/runs/${run.id}/undo`);
    expect((await material()).onHand).toBe(500);
  });

  it("holds what is just as listed, too, and says which sessions were held and not counted", async () => {
    expect(await uncounted()).toEqual([{ id: held.id, runId: run.id, runTitle: "Deck", date: "2026-11-25" }]);
    await countDay((await material()).onHand);
    const before = (await material()).onHand;
    await put(count());
    expect([(await material()).onHand, await uncounted()]).toEqual([before, []]);
  });
});
