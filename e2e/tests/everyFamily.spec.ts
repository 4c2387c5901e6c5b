import type { EntryPage, RunDoc } from "@lampcrate/contract";
import { expect, type Locator, type Page, test } from "@playwright/test";
import { openDesk, openPhone } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

/** What is done at one trial of a version, the first being 1. */
type Doing = (version: Locator, trial: number) => Promise<void>;

const cameOut = (version: Locator, trial: number): Locator => version.getByRole("group", { name: `Number ${trial}: what came out` });
const tap =
  (answer: string): Doing =>
  (version, trial) =>
    cameOut(version, trial).getByRole("button", { name: answer, exact: true }).click();
const type =
  (text: string): Doing =>
  (version, trial) =>
    version.getByLabel(`Trial ${trial}`).fill(text);
const both =
  (...all: readonly Doing[]): Doing =>
  async (version, trial) => {
    for (const one of all) await one(version, trial);
  };
const failed = tap("no number: it failed");
/** What is seen is asked as soon as it failed. */
const seen =
  (symptom: string): Doing =>
  (version) =>
    version.getByRole("button", { name: symptom }).click();
/** A rung of a ladder of drops. */
const drop = (height: string, rung: string): Doing =>
  both((version, trial) => version.getByLabel(`Trial ${trial}: drop height`).fill(height), tap(rung));
/** What is asked beside the outcome. */
const grams =
  (text: string): Doing =>
  (version) =>
    version
      .getByLabel(/^Grams of the build/)
      .first()
      .fill(text);
/** So many loads tapped one by one; then what is said of the last. */
const count =
  (loads: number, then: string): Doing =>
  async (version, trial) => {
    await tap("count loads …")(version, trial);
    const counter = version.getByRole("group", { name: "count loads" });
    for (let load = 0; load < loads; load += 1) await counter.getByRole("button", { name: /tap for each/ }).click();
    await counter.getByRole("button", { name: then }).click();
  };

interface Journey {
  readonly family: string;
  readonly starter: string;
  readonly first: readonly Doing[];
  readonly second: readonly Doing[];
  /** What the builder's row says in Findings, and what the reveal says of them. */
  readonly row: string;
  readonly reveal: readonly string[];
}

const journeys: readonly Journey[] = [
  {
    family: "span",
    starter: "straw-coins",
    first: [both(failed, seen("one strut snaps")), count(5, "the last one broke it")],
    second: [type("60 coins"), both(type("240 coins"), tap("still holding when we stopped"))],
    row: "met5 g to 6.25 gat least 375 gat least 600 gbetter",
    reveal: ["at least 600 g"],
  },
  {
    family: "float",
    starter: "foil-squares",
    first: [failed, failed],
    second: [type("12"), both(type("30 washers"), tap("still afloat when we stopped"))],
    row: "0at least 21at least 30from nothing",
    reveal: ["at least 30"],
  },
  {
    family: "descent",
    starter: "cup-canopy",
    first: [failed, failed],
    second: [type("1.5"), type("1.7 sec.")],
    row: "1.60 s1.60 s1.70 sone version",
    reveal: ["1.70 s"],
  },
  {
    family: "landing",
    starter: "canopy-ladder",
    first: [drop("1 m", "whole"), drop("1.25 m", "cracked")],
    second: [both(drop("1.25 m", "whole"), grams("46")), drop("1.6 m", "marked"), drop("2 m", "broken")],
    row: "met100 cm to 125 cm1.6 m to 2 m1.6 m to 2 m46 gbetter",
    reveal: ["1.6 m to 2 m"],
  },
  {
    family: "landing, riders",
    starter: "open-cabin",
    first: [drop("0.3 m", "both aboard"), drop("0.4 m", "one fell out")],
    second: [drop("0.6 m", "both aboard"), drop("0.75 m", "one fell out")],
    row: "met30 cm to 40 cm60 cm to 75 cm60 cm to 75 cmbetter",
    reveal: ["60 cm to 75 cm"],
  },
  {
    family: "launch-band",
    starter: "clip-flinger",
    first: [failed, type("1m50")],
    second: [type("about 3 m"), type("3.4")],
    row: "75 cm3.2 m3.4 m× 4.27",
    reveal: ["3.4 m"],
  },
  {
    family: "launch-puff",
    starter: "breath-tube",
    first: [both(failed, seen("does not leave the tube")), failed],
    second: [type("2 m"), type("2.4 m")],
    row: "0 mm2.2 m2.4 mfrom nothing",
    reveal: ["2.4 m"],
  },
  {
    family: "glide",
    starter: "marsh-glider",
    first: [failed, type("3")],
    second: [type("4"), type("5 seconds")],
    row: "met3.00 s4.50 s5.00 s× 1.50",
    reveal: ["5.00 s"],
  },
  {
    family: "roll",
    starter: "raindrop-relay",
    first: [both(tap("not in the cup"), seen("flies off")), tap("not in the cup")],
    second: [tap("in the cup"), both(type("3.4"))],
    row: "met0 %100 %100 %from nothing",
    reveal: ["100 %"],
  },
  {
    family: "drive",
    starter: "band-cart",
    first: [failed, type("1 m")],
    second: [type("2 m"), type("2.5 m")],
    row: "50 cm2.25 m2.5 m× 4.50",
    reveal: ["2.5 m"],
  },
  {
    family: "tall",
    starter: "heron-lookout",
    first: [both(failed, seen("leans"))],
    second: [type("50 cm")],
    row: "0 mm50 cm50 cmfrom nothing",
    reveal: ["50 cm"],
  },
  {
    family: "probe",
    starter: "sink-sort",
    first: [type("two")],
    second: [type("6")],
    row: "266× 3.00",
    reveal: ["6"],
  },
];

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

/** A starter, published and open, ranked by the best, to be revealed today. */
async function opened(starter: string, title: string): Promise<{ readonly id: string; readonly path: string }> {
  const made = await desk.request.post(`${house.url}/api/starters/${starter}`, { data: { title, kind: "workshop" } });
  const { id } = (await made.json()) as { id: string };
  const { revision, kind, units, heads, afterwards } = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
  const days = { opensOn: "2026-11-20", closesOn: "2026-11-25", revealOn: "2026-11-25" };
  const set = { revision, title, kind, ...days, scoring: "best", units, heads, afterwards };
  expect((await desk.request.put(`${house.url}/api/runs/${id}`, { data: set })).status()).toBe(200);
  expect((await desk.request.post(`${house.url}/api/runs/${id}/publish`)).status()).toBe(200);
  const { code } = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as RunDoc;
  return { id, path: `${house.url}/h/${(code ?? "").toLowerCase().replaceAll(" ", "-")}` };
}

async function acceptAll(id: string): Promise<void> {
  const { entries } = (await (await desk.request.get(`${house.url}/api/runs/${id}/entries`)).json()) as EntryPage;
  for (const { id: entry, revision } of entries)
    await desk.request.post(`${house.url}/api/runs/${id}/entries/${entry}/decision`, { data: { decision: "accepted", why: "", revision } });
}

for (const { family, starter, first, second, row, reveal } of journeys)
  test(`${family}: what really came out goes from a phone to Findings and the reveal`, async ({ browser }) => {
    const { id, path } = await opened(starter, `As it is: ${family}`);
    const phone = await openPhone(browser);
    await phone.goto(`${path}/log`);
    const versionOf = (n: number): Locator => phone.getByRole("region", { name: `Version ${n}` });
    for (const [i, doing] of first.entries()) await doing(versionOf(1), i + 1);
    await phone.getByRole("button", { name: "Add the next version" }).click();
    for (const [i, doing] of second.entries()) await doing(versionOf(2), i + 1);
    await phone.getByLabel(/I am an adult/).check();
    await phone.getByRole("button", { name: "Send the results" }).click();
    await expect(phone.getByRole("heading", { name: "Thank you. It is sent." })).toBeVisible();
    await acceptAll(id);
    await desk.goto(`${house.url}/run/${id}/findings`);
    const line = desk.getByRole("region", { name: "Table of builders" }).getByRole("row").nth(1);
    await expect.poll(async () => ((await line.textContent()) ?? "").replace(/[\u202f\u00a0]/g, " ")).toContain(row);
    await phone.goto(`${path}/reveal`);
    const builders = phone.getByRole("table");
    for (const words of reveal)
      await expect.poll(async () => ((await builders.textContent()) ?? "").replace(/[\u202f\u00a0]/g, " ")).toContain(words);
    await phone.context().close();
  });
