import { readFileSync } from "node:fs";
import type { ChallengePack } from "@lampcrate/contract";
import { expect, type Page, test } from "@playwright/test";
import { openDesk } from "../desk.ts";
import { demoSignIn, type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

async function startedFrom(desk: Page, starter: string, title: string): Promise<string> {
  const made = await desk.request.post(`${house.url}/api/starters/${starter}`, { data: { title, kind: "workshop" } });
  return ((await made.json()) as { id: string }).id;
}

test("two designs fall side by side; what the test can tell is said, and one press makes it a fair judge", async ({ browser }) => {
  const desk = await openDesk(browser, house, demoSignIn, { motion: true });
  const id = await startedFrom(desk, "cup-canopy", "Basket");
  await desk.goto(`${house.url}/run/${id}/tryout`);
  const both = desk.getByRole("region", { name: "Numbers of both designs" });
  await expect(both).toContainText("1 of 3 differs and stands first.");
  const size = both.getByRole("group").first();
  await expect(size.getByRole("slider", { name: "Size (across, or one wing), plain build" })).toHaveAttribute(
    "aria-valuetext",
    "400\u00a0mm",
  );
  await expect(size.getByRole("slider", { name: "Size (across, or one wing), held beside it" })).toHaveAttribute(
    "aria-valuetext",
    "500\u00a0mm",
  );
  const rig = desk.getByRole("group", { name: "Plain build" }).getByRole("img").first();
  const still = await rig.innerHTML();
  await desk.getByRole("button", { name: "Let go" }).click();
  await expect.poll(() => rig.innerHTML()).not.toBe(still);
  await desk.getByRole("button", { name: "Back to the start" }).click();
  await expect.poll(() => rig.innerHTML()).toBe(still);
  const told = desk.getByRole("region", { name: "What the test can tell" });
  await expect(told).toContainText("can hardly tell the two apart: 3 trials of each");
  await told
    .getByRole("listitem")
    .filter({ hasText: /Make \d+ trials of each in place of 3/ })
    .getByRole("button", { name: "do that" })
    .click();
  await expect(told).toContainText("This test can tell the two apart");
  await expect(desk.getByRole("button", { name: /^Undo: \d+ trials each/ })).toBeVisible();
});

test("with less motion asked for there is no moving picture, and the same numbers in words", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const id = await startedFrom(desk, "raindrop-relay", "Relay");
  await desk.emulateMedia({ reducedMotion: "reduce" });
  await desk.goto(`${house.url}/run/${id}/tryout`);
  await expect(desk.getByText("Stills only, as your device asks for less motion.")).toBeVisible();
  await expect(desk.getByRole("button", { name: "Let go" })).toHaveCount(0);
  await expect(desk.getByRole("group", { name: "Plain build" }).locator("figcaption")).toContainText(
    /in the cup after [\d.]+\ss, at [\d.]+\sm\/s/,
  );
});

test("a house trial moves the prediction and the crate's numbers, when the planner takes them over; undo brings them back", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const id = await startedFrom(desk, "filter-canopy", "Thistledown");
  await desk.goto(`${house.url}/run/${id}/tryout`);
  const trials = desk.getByRole("region", { name: "House trials" });
  await trials.getByRole("button", { name: "Log a house trial" }).click();
  const form = trials.getByRole("group", { name: "New house trial" });
  await expect(form.getByText("Type the minutes it took.")).toBeVisible();
  await form.getByLabel("Minutes to build").fill("14");
  await form.getByLabel("Built again, times").fill("1");
  await form.getByLabel("Coffee filter, went in").fill("4");
  await form.getByLabel("Coffee filter, spoilt").fill("2");
  await form.getByLabel("Trial 1").fill("12.1");
  await expect(form.getByText("12.10 s?")).toBeVisible();
  await form.getByRole("button", { name: /^Yes, 1\.21/ }).click();
  await form.getByLabel("Trial 2").fill("1,32");
  await form.getByRole("button", { name: "Keep this trial" }).click();
  await expect(trials.getByRole("row", { name: /Marsh Sedge/ })).toContainText("1.21 s, 1.32 s");
  await trials.getByRole("checkbox", { name: "Show it to families as the house's own build" }).click();
  await expect(trials.getByRole("checkbox", { name: "Show it to families as the house's own build" })).toBeChecked();
  const sheet = await desk.context().newPage();
  await sheet.goto(`${house.url}/h/preview/${id}`);
  await expect(sheet.getByRole("region", { name: "To beat" })).toContainText("Our own build: 1.32\u00a0s");
  await sheet.close();
  await expect(trials.getByRole("row", { name: /^Build time/ })).toContainText("14 min");
  // Beta(10 · 0.05 + 2, 10 · 0.95 + 4): 2.5 in 16.
  await expect(trials.getByRole("row", { name: /^Spoilt: Coffee filter/ })).toContainText("16 %");
  await expect(desk.getByRole("group", { name: "Plain build" })).toContainText(/after \d+ results?:/);
  await trials.getByRole("button", { name: "Take them over" }).click();
  await expect(trials.getByText("The run has these numbers.")).toBeVisible();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.getByRole("button", { name: /^Undo: took over what was learned/ }).click();
  await expect(trials.getByRole("button", { name: "Take them over" })).toBeVisible();
  await desk.getByRole("button", { name: /^Undo: logged a house trial/ }).click();
  await expect(trials.getByText("Build one yourself before anybody else does.")).toBeVisible();
});

test("a challenge pack goes out and comes in; a broken one is refused in words", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const id = await startedFrom(desk, "pasta-contest", "Pasta");
  await desk.goto(`${house.url}/run/${id}/brief`);
  const [download] = await Promise.all([
    desk.waitForEvent("download"),
    desk.getByRole("link", { name: "Export as a challenge pack" }).click(),
  ]);
  const pack = JSON.parse(readFileSync(await download.path(), "utf8")) as ChallengePack;
  await desk.goto(`${house.url}/start`);
  const bring = desk.getByRole("region", { name: "Bring in a challenge pack" });
  const give = (name: string, text: string) =>
    bring
      .getByLabel("A challenge-pack.json from another house")
      .setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(text) });
  await give("torn.json", "{");
  await expect(bring.getByRole("alert")).toContainText("This file is not JSON");
  await give("wrong.json", JSON.stringify({ ...pack, brief: { ...pack.brief, trials: 99 } }));
  await expect(bring.getByRole("alert")).toContainText("brief.trials must be <= 12");
  await give("pack.json", JSON.stringify({ ...pack, title: "Pasta from afar", season: "next" }));
  await expect(bring).toContainText("Not known here, kept for the way out: season.");
  await bring.getByRole("button", { name: "Bring it in as a new run" }).click();
  await expect(desk.getByRole("heading", { name: "Pasta from afar", level: 1 })).toBeVisible();
});

test("reach: the goal that a wished share should meet is set by one press", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const id = await startedFrom(desk, "marsh-glider", "Glider");
  await desk.goto(`${house.url}/run/${id}/brief`);
  const reach = desk.getByRole("region", { name: "Reach" });
  await expect(reach).toContainText(/should meet the goal with their first version, about \d+ in 100 within 5/);
  await reach.getByRole("textbox", { name: "Share that should get there" }).fill("50 %");
  await reach.getByRole("textbox", { name: "Share that should get there" }).press("Enter");
  await reach.getByRole("button", { name: "Set the goal to it" }).click();
  await expect(reach).toContainText(/about (49|50|51) in 100 within 5|about 4[5-9] in 100 within 5|about 5[0-5] in 100 within 5/);
});
