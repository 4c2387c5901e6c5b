import { expect, type Page, test } from "@playwright/test";
import { choose, openDesk, openPhone } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

/** A starter at home, as a draft at its brief with what a trial shows unfolded. */
async function atBrief(starter: string, title: string): Promise<{ readonly id: string; readonly shows: ReturnType<Page["getByRole"]> }> {
  const made = await desk.request.post(`${house.url}/api/starters/${starter}`, { data: { title, kind: "workshop" } });
  const { id } = (await made.json()) as { id: string };
  await desk.goto(`${house.url}/run/${id}/brief`);
  const shows = desk.getByRole("region", { name: "What a trial shows" });
  // Whoever has opened it once finds it open.
  const folded = shows.getByRole("button", { name: /^open/ });
  await expect(folded.or(shows.getByRole("button", { name: "fold" }))).toBeVisible();
  if (await folded.isVisible()) await folded.click();
  return { id, shows };
}

async function published(id: string): Promise<string> {
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  expect((await desk.request.post(`${house.url}/api/runs/${id}/publish`)).status()).toBe(200);
  const { code } = (await (await desk.request.get(`${house.url}/api/runs/${id}`)).json()) as { code: string };
  return `${house.url}/h/${code.toLowerCase().replaceAll(" ", "-")}`;
}

test("a planner has a trial passed or not by a named thing, and takes it back; families find it so, and behind their link a code and a yes to photos", async ({
  browser,
}) => {
  const { id, shows } = await atBrief("paper-deck", "Dictionary deck");
  await choose(shows.getByLabel("A trial is judged by"), "passed or not");
  await shows.getByLabel("It passed").fill("");
  await shows.getByLabel("It passed").press("Enter");
  await expect(shows.getByText(/Say it in a word or two/)).toBeVisible();
  await shows.getByLabel("It passed").fill("held the heavy dictionary");
  await shows.getByLabel("It passed").press("Enter");
  await expect(shows.getByText("Say of each trial whether it passed: held the heavy dictionary, or gave way.")).toBeVisible();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.getByRole("button", { name: /^Undo: / }).click();
  await expect(shows.getByText(/held the heavy dictionary/)).toHaveCount(0);
  await expect(shows.getByTitle("a number: greatest load held").or(shows.getByLabel("It passed"))).toBeVisible();
  await choose(shows.getByLabel("A trial is judged by"), "passed or not");
  await shows.getByLabel("It passed").fill("held the heavy dictionary");
  await shows.getByLabel("It passed").press("Enter");
  const path = await published(id);
  const phone = await openPhone(browser);
  await phone.goto(path);
  await expect(phone.getByText(/One pass meets the goal/).first()).toBeVisible();
  await phone.goto(`${path}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  const cameOut = one.getByRole("group", { name: "Number 1: what came out" });
  await expect(one.getByLabel("Trial 1")).toHaveCount(0);
  await cameOut.getByRole("button", { name: "held the heavy dictionary" }).click();
  await phone.getByLabel(/I am an adult/).check();
  await phone.getByRole("button", { name: "Send the results" }).click();
  await phone.getByRole("button", { name: "Show it as a QR code" }).click();
  await expect(phone.getByRole("img", { name: /Your private link as a QR code/ })).toBeVisible();
  await phone.getByRole("link", { name: "Open my entry" }).click();
  const photo = phone.getByLabel(/^My pictures may be shown with the results/);
  await expect(photo).not.toBeChecked();
  await photo.click();
  await expect(photo).toBeChecked();
  await phone.reload();
  await expect(photo).toBeChecked();
});

test("a list of rungs is named and cut, never below two; what varies is offered", async () => {
  const { shows } = await atBrief("paper-shell", "Shells by rungs");
  await choose(shows.getByLabel("A trial is judged by"), "a list, the best first");
  await shows.getByLabel("Best").fill("marked");
  await shows.getByLabel("Best").press("Enter");
  await expect(shows.getByText("“marked” is on the list already.")).toBeVisible();
  await shows.getByLabel("Best").press("Escape");
  for (const rung of ["cracked", "marked"]) await shows.getByRole("button", { name: `Take ${rung} off the list` }).click();
  await expect(shows.getByRole("button", { name: /off the list$/ })).toHaveCount(0);
  await choose(shows.getByLabel("Varies from trial to trial"), "drop height");
  await expect(shows.getByText(/whole or broken, and write its drop height. “whole” at 1.8\sm meets the goal./)).toBeVisible();
});

test("what the house counts loads in is weighed ten at once, taken over by a brief, and read on a phone", async ({ browser }) => {
  await desk.goto(`${house.url}/house`);
  const things = desk.getByRole("region", { name: "Things that loads are counted in" });
  await things.getByLabel("One of them is called").fill("2 coins");
  await expect(things.getByText("By letters only, such as coin or storybook.")).toBeVisible();
  await things.getByLabel("One of them is called").fill("button");
  await things.getByLabel("They weigh together, g").fill("23");
  await things.getByRole("button", { name: "Add" }).click();
  await expect(things.getByText(/2.3\sg each, give or take 0.1\sg \(10 together 23\sg\)/)).toBeVisible();
  await desk.getByRole("button", { name: "Save the house" }).click();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  const { id, shows } = await atBrief("paper-deck", "Buttons on a deck");
  await shows.getByRole("button", { name: /^\+ button/ }).click();
  await expect(shows.getByText(/Loads may be counted by the button/)).toBeVisible();
  const phone = await openPhone(browser);
  await phone.goto(`${await published(id)}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("Trial 1").fill("60 buttons");
  await expect(one.getByText("138\u00a0g")).toBeVisible();
  // And in something of their own, ten of which weigh a kilogram.
  await phone.getByText("Counted in something of your own?").click();
  await phone.getByLabel("One of them is called").fill("potato");
  await phone.getByLabel("What they weighed together, g").fill("1000");
  await phone.getByRole("button", { name: "Use it" }).click();
  await expect(phone.getByText(/One potato weighs 100\sg/)).toBeVisible();
  await one.getByLabel("Trial 2").fill("3 potatoes");
  await expect(one.getByText("300\u00a0g")).toBeVisible();
});
