import { expect, test } from "@playwright/test";
import { choose, openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("with fewer hours a day, packing must begin earlier; closed days are skipped", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const walk = await runOf(desk, house, "Boardwalk over the Bog");
  const crate = `${house.url}/run/${walk.id}/crate`;
  const preparing = desk.getByRole("region", { name: "Preparing" });
  await desk.goto(crate);
  await expect(preparing).toContainText(/[01]\.\d hours of one person's work: begin by Fri 27 Nov to be ready for Sat 28 Nov/);
  await expect(preparing).toContainText("2 people at 1.5 h a working day");
  await expect(preparing.getByRole("listitem").filter({ hasText: "cuts in stacks of 4" })).toContainText(
    /cut \d+ × Thin card, large sheet/,
  );
  await desk.goto(`${house.url}/house`);
  const times = desk.getByRole("region", { name: "Working days and preparing" });
  await times.getByLabel("People who prepare").fill("1");
  await times.getByLabel("Hours each, a working day").fill("0.25");
  await times.getByRole("checkbox", { name: "Thu" }).uncheck();
  await desk.getByRole("button", { name: "Save the house" }).click();
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.goto(crate);
  // Wednesday and Friday alone are left, a quarter of an hour each.
  await expect(preparing).toContainText(/0\.\d hours too few are left before Sat 28 Nov: ask more people, or begin today and pack less/);
  await choose(desk.getByLabel("Crate for"), "Sat 5 Dec, Saturday drop-in");
  await expect(preparing).toContainText(/begin by (Fri 27 Nov|Sat 28 Nov|Tue 1 Dec) to be ready for Sat 5 Dec/);
  // The calendar says so too, until somebody has said that it is done.
  const clashes = desk.getByRole("complementary", { name: "Beside the calendar" });
  await desk.goto(`${house.url}/calendar?day=2026-11-28`);
  await expect(clashes).toContainText(
    /The crate for Boardwalk over the Bog, Sat 28 Nov 10:00 can't be ready in time: \d+ working days? late/,
  );
  await desk.goto(house.url);
  const week = desk.getByRole("complementary", { name: "This week" });
  const step = week.getByRole("listitem").filter({ hasText: "Begin preparing for Sat 28 Nov" }).filter({ hasText: "Boardwalk" });
  await expect(step).toContainText(/Late by \d+ working days?, was due/);
  await choose(step.getByLabel(/^Whose: Begin preparing/), "Moss Lark");
  await desk.reload();
  await expect(step).toContainText("Moss Lark");
  await step.getByRole("checkbox", { name: /^Done: Begin preparing for Sat 28 Nov, Boardwalk/ }).click();
  const done = week.getByRole("list", { name: "Done" });
  await expect(done).toContainText("Begin preparing for Sat 28 Nov");
  await expect(step.getByRole("checkbox")).toHaveCount(0);
  await desk.goto(`${house.url}/calendar?day=2026-11-28`);
  await expect(clashes).not.toContainText("The crate for Boardwalk over the Bog, Sat 28 Nov");
  await desk.goto(house.url);
  await done.getByRole("button", { name: "not done" }).click();
  await expect(step.getByRole("checkbox")).toHaveCount(1);
});

test("the store room says what the season takes, what is on its way, and what is short", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/store`);
  const materials = desk.getByRole("region", { name: "Materials" });
  const paper = materials.getByRole("row", { name: /Copy paper/ });
  await expect(paper.getByRole("cell").nth(2)).toHaveText("500");
  await expect(paper.getByRole("cell").nth(3)).toHaveText(/^\d{2,3}$/);
  const lids = materials.getByRole("row", { name: /Bottle lid 50/ });
  await lids.getByRole("link", { name: /^\d+ short$/ }).click();
  await expect(desk).toHaveURL(/\/buying$/);
  await expect(desk.getByRole("region", { name: "Too late to order" })).toContainText(/Bottle lid: \d+ short for Sat 5 Dec, Seed Flinger/);
});

test("an order on its way is called off, and what it would have brought is bought again", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/buying`);
  const orders = desk.getByRole("region", { name: "Orders" });
  const toOrder = desk.getByRole("region", { name: "To order", exact: true });
  await expect(desk.getByText(/with its other ways, in/)).toBeVisible();
  await expect(toOrder).not.toContainText("Copy paper");
  await orders.getByRole("button", { name: /^call off: Reedbank Papers, ordered Mon 23 Nov/ }).click();
  await expect(orders.getByRole("row", { name: /^Reedbank Papers ordered Mon 23 Nov/ })).toContainText("called off");
  await expect(toOrder).toContainText("Copy paper");
  await orders.getByRole("button", { name: /^order it after all: Reedbank Papers, ordered Mon 23 Nov/ }).click();
  await expect(orders.getByRole("row", { name: /^Reedbank Papers ordered Mon 23 Nov/ })).toContainText(/due (Fri 27|Sat 28) Nov/);
  await expect(toOrder).not.toContainText("Copy paper");
});

test("a stranger's run at an address that isn't there is said, not a blank page", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/run/not-a-run/crate`);
  await expect(desk.getByRole("alert")).toContainText(/run/i);
  await desk.goto(`${house.url}/no/such/page`);
  await expect(desk.getByRole("link", { name: "Season" }).first()).toBeVisible();
});
