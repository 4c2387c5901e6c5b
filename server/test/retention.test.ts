import type { FindingsDoc, RunDoc, SheetDoc } from "@lampcrate/contract";
import { afterEach, beforeEach, expect, it } from "vitest";
import { keepPromises } from "../src/services/retention.ts";
import { everything, goodEntry, makeRun, openTestHouse, password, settings, type TestHouse } from "./house.ts";

let house: TestHouse;
let run: RunDoc;
beforeEach(async () => {
  house = await openTestHouse();
  run = await makeRun(house);
  const entry = goodEntry("kept", { said: "we used grandpa's hat" });
  await house.ask("POST", `/api/public/runs/${encodeURIComponent(run.code ?? "")}/entries`, entry, { cookie: null });
  await house.ask("POST", `/api/runs/${run.id}/entries/${entry.id}/decision`, { decision: "accepted", why: "spoke to them", revision: 1 });
});
afterEach(() => house.close());

/** Months have passed: somebody signs in anew. */
const findings = async (): Promise<FindingsDoc> =>
  (await house.ask("GET", `/api/runs/${run.id}/findings`, undefined, { cookie: await house.signIn("pat", password) })).body as FindingsDoc;

it("makes entries anonymous on the day the consent names, not before, and once: the numbers stay, the words go", async () => {
  const sheet = (await house.ask("GET", `/api/public/runs/${encodeURIComponent(run.code ?? "")}`)).body as SheetDoc;
  expect(sheet.keeping).toContain("Wednesday 24 March 2027");
  const { alias } = (await findings()).builders[0] ?? { alias: "" };
  house.at("2027-03-23T22:59:00Z");
  expect(keepPromises(house.deps)).toBe(0);
  house.at("2027-03-23T23:01:00Z");
  expect(keepPromises(house.deps)).toBe(1);
  expect(keepPromises(house.deps)).toBe(0);
  const all = everything(house);
  for (const gone of [alias, "grandpa", "spoke to them", "wings"]) expect(all).not.toContain(gone);
  expect((await findings()).builders[0]).toMatchObject({ alias: "Builder 1", metGoal: true, best: 1.66 });
});

it("erases all of an entry where the run says so", async () => {
  const now = (await house.ask("GET", `/api/runs/${run.id}`)).body as RunDoc;
  await house.ask("PUT", `/api/runs/${run.id}`, { ...settings(now), afterwards: "erase" });
  house.at("2027-03-24T08:00:00Z");
  expect(keepPromises(house.deps)).toBe(1);
  expect(everything(house)).not.toContain("grandpa");
  expect((await findings()).entries).toBe(0);
});
