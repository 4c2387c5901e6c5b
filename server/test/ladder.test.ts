import type { ProblemDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { makeRun, openTestHouse, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
beforeEach(async () => {
  house = await openTestHouse();
});
afterEach(() => house.close());

const hints = [
  { id: "question-1", rung: "question", words: "Where does it turn?" },
  { id: "nudge-1", rung: "nudge", words: "Try longer wings." },
  { id: "example-1", rung: "example", words: "Wings of {sizeM} did it." },
] as const;

const save = async (run: RunDoc, hintsOpen: unknown) =>
  house.ask("PUT", `/api/runs/${run.id}/brief`, { revision: run.briefRevision, words: "hints", brief: { ...run.brief, hints, hintsOpen } });

/** A published run whose ladder opens so. */
async function withLadder(hintsOpen: unknown): Promise<RunDoc> {
  const run = await makeRun(house, { publish: false });
  await save(run, hintsOpen);
  await house.ask("POST", `/api/runs/${run.id}/publish`);
  return (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
}

const sheetOf = async ({ code }: RunDoc): Promise<SheetDoc> =>
  (await house.ask("GET", `/api/public/runs/${encodeURIComponent(code ?? "")}`, undefined, { cookie: null })).body as SheetDoc;

const opens = (tries: number, days: number) => ({ tries, days });

describe("a ladder of hints", () => {
  it("keeps back what waits for its day, word for word, and opens on the day by the house's clock, not before and not a sheet later", async () => {
    // Entries open on 20 November.
    const run = await withLadder({ question: opens(0, 0), nudge: opens(2, 0), example: opens(0, 10) });
    const { ladder } = await sheetOf(run);
    expect(ladder).toEqual([
      { rung: "question", tries: 0, opensOn: null, count: 1, hints: ["Where does it turn?"] },
      { rung: "nudge", tries: 2, opensOn: null, count: 1, hints: ["Try longer wings."] },
      { rung: "example", tries: 0, opensOn: "2026-11-30", count: 1, hints: [] },
    ]);
    expect(JSON.stringify(await sheetOf(run))).not.toContain("did it");
    // Midnight in the house's zone is an hour before that of UTC.
    house.at("2026-11-29T22:59:59Z");
    expect((await sheetOf(run)).ladder[2]?.hints).toEqual([]);
    house.at("2026-11-29T23:00:00Z");
    expect((await sheetOf(run)).ladder[2]).toMatchObject({
      opensOn: null,
      hints: [expect.stringMatching(/^Wings of \S+\scm did it\.$|^Wings of .* did it\.$/)],
    });
    expect((await sheetOf(run)).ladder[2]?.hints[0]).not.toContain("{");
  });

  it("counts its days anew where entries open on another day", async () => {
    const run = await withLadder({ question: opens(0, 3), nudge: opens(0, 0), example: opens(0, 0) });
    expect((await sheetOf(run)).ladder[0]?.opensOn).toBeNull();
    await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { opensOn: "2026-11-24" }));
    expect((await sheetOf(run)).ladder[0]).toMatchObject({ opensOn: "2026-11-27", hints: [] });
  });

  it("is open at once where nobody said otherwise, and refuses tries and days that are none", async () => {
    const run = await makeRun(house);
    expect((await sheetOf(run)).ladder.map(({ tries, opensOn, count }) => [tries, opensOn, count])).toEqual([
      [0, null, 0],
      [0, null, 0],
      [0, null, 0],
    ]);
    const refused = (await save(run, { question: opens(0, 0), nudge: opens(-1, 0), example: opens(0, 1.5) })).body as ProblemDoc;
    expect(refused.errors?.map(({ field }) => field)).toEqual(["brief.hintsOpen.nudge.tries", "brief.hintsOpen.example.days"]);
  });
});
