import type { LearnedDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, expect, it } from "vitest";
import { goodEntry, makeRun, openTestHouse, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
});
afterEach(() => house.close());

const sheetOf = async (): Promise<SheetDoc> =>
  (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}`, undefined, { cookie: null })).body as SheetDoc;
const trials = `/house-trials`;
const tried = async (): Promise<LearnedDoc> => {
  const { versions } = goodEntry("own");
  const body = { buildMinutes: 10, rebuilds: 0, broke: [], note: "", versions };
  return (await house.ask("POST", `/api/runs/${run.id}${trials}`, body)).body as LearnedDoc;
};
const show = (id: string, shown: unknown) => house.ask("PUT", `/api/runs/${run.id}${trials}/${id}/shown`, { shown });

it("a house trial stands on the sheet with its best trial once it is shown, and is gone from it when it isn't", async () => {
  const [one] = (await tried()).trials;
  expect(one?.shown).toBe(false);
  expect((await sheetOf()).toBeat).toEqual([]);
  const after = (await show(one?.id ?? "", true)).body as LearnedDoc;
  expect(after.trials[0]?.shown).toBe(true);
  // The better of two versions, the best of its trials: 1.66 s.
  expect((await sheetOf()).toBeat).toEqual([{ id: one?.id, best: "1.66\u00a0s", what: "wings" }]);
  await show(one?.id ?? "", false);
  expect((await sheetOf()).toBeat).toEqual([]);
});

it("showing one takes nothing else back: undo is of what was done before it", async () => {
  const { scoring } = run;
  await house.ask("PUT", `/api/runs/${run.id}`, settings(run, { scoring: "celebrate" }));
  expect((await sheetOf()).scoring).toBe("celebrate");
  const [one] = (await tried()).trials;
  await show(one?.id ?? "", true);
  await house.ask("POST", `/api/runs/${run.id}/undo`);
  expect((await sheetOf()).toBeat).toEqual([]);
  await house.ask("POST", `/api/runs/${run.id}/undo`);
  expect((await sheetOf()).scoring).toBe(scoring);
});

it("only a house trial of this run is shown, by a planner", async () => {
  const [one] = (await tried()).trials;
  expect((await show("no-such-trial", true)).status).toBe(404);
  expect((await show(one?.id ?? "", "yes")).status).toBe(422);
  const other = await makeRun(house, { title: "Other" });
  expect((await house.ask("PUT", `/api/runs/${other.id}${trials}/${one?.id}/shown`, { shown: true })).status).toBe(404);
  expect((await house.ask("PUT", `/api/runs/${run.id}${trials}/${one?.id}/shown`, { shown: true }, { cookie: null })).status).toBe(401);
});
