import { expect, test } from "@playwright/test";
import { choose, openDesk } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("what can't all hold is told by the least that must give and why; letting go of it gives a plan that is taken over, and undone, as one step", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/calendar`);
  await desk.getByRole("link", { name: "Place sessions for me" }).click();
  const plan = desk.getByRole("region", { name: "Plan" });
  await expect(plan).toContainText("No plan yet");
  await desk.getByRole("button", { name: "Place them" }).click();
  await expect(desk.getByRole("alert")).toContainText("Say of which run sessions are wanted.");
  await choose(desk.getByLabel("Run to place sessions of"), "Boardwalk over the Bog");
  const walk = desk.getByRole("group", { name: "Boardwalk over the Bog" });
  await expect(walk).toContainText("has what it needs in Marsh Room");
  await walk.getByLabel("How many").fill("1");
  await desk.getByRole("button", { name: "Place them" }).click();
  await expect(plan.getByRole("group", { name: "Why" }).getByRole("listitem")).toHaveText([
    "Boardwalk over the Bog is held",
    "Boardwalk over the Bog has a slot of 240 min or more",
  ]);
  const give = plan.getByRole("group", { name: "What must give" });
  await expect(give).toContainText("One thing must give. Any of these is enough:");
  await give
    .getByRole("listitem")
    .filter({ hasText: "has a slot of 240 min or more" })
    .getByRole("button", { name: "let go of it" })
    .click();
  await expect(plan.getByRole("heading", { name: "1 session placed" })).toBeVisible();
  await expect(plan).toContainText("Proven: no other plan is earlier all in all.");
  await expect(plan.getByRole("group", { name: "Let go of" })).toContainText("has a slot of 240 min or more");
  // Not what must give any more once it is asked as it can be.
  await walk.getByLabel("Minutes").fill("120");
  await expect(plan).toContainText("Something was changed since");
  await walk.getByLabel("People on each").fill("2");
  await choose(desk.getByLabel("Run to place sessions of"), "Seed Flinger");
  const flinger = desk.getByRole("group", { name: "Seed Flinger" });
  await flinger.getByLabel("How many").fill("2");
  await flinger.getByLabel("People on each").fill("2");
  await flinger.getByLabel("one after the other, as parts").check();
  await flinger.getByLabel("Least days to the next").fill("14");
  await flinger.getByLabel("Most days to the next").fill("6");
  await flinger.getByLabel("Most days to the next").press("Enter");
  await expect(desk.getByRole("alert")).toContainText("The most days are fewer than the least.");
  await flinger.getByLabel("Most days to the next").fill("21");
  await flinger.getByLabel("Most days to the next").press("Enter");
  await expect(plan.getByRole("heading", { name: "3 sessions placed" })).toBeVisible();
  const rows = plan.getByRole("row");
  await expect(rows.nth(1)).toContainText("Sat 19 Dec 10:00");
  // What is pinned stays; the others go round it.
  const first = (await rows.nth(1).textContent()) ?? "";
  await rows.nth(1).getByRole("checkbox").check();
  await plan.getByRole("button", { name: "Place the others again" }).click();
  await expect(plan.getByRole("button", { name: "Place the others again" })).toBeDisabled();
  await expect(rows.nth(1)).toHaveText(first);
  await plan.getByRole("button", { name: "Take the plan over" }).click();
  await expect(desk).toHaveURL(/\/calendar\?day=2026-12-19/);
  const bars = desk.getByRole("button", { name: /^(Seed Flinger|Boardwalk over the Bog), Sat 19 Dec (10:00|14:00)/ });
  await expect(bars).toHaveCount(2);
  await desk.getByRole("button", { name: "Undo: placed 3 sessions" }).click();
  await expect(bars).toHaveCount(0);
  await desk.getByRole("button", { name: "do it again" }).click();
  await expect(bars).toHaveCount(2);
});

test("a search can be stopped, what was typed is there after a reload, and a phone shows all of it", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.setViewportSize({ width: 390, height: 844 });
  await desk.goto(`${house.url}/calendar/place`);
  await choose(desk.getByLabel("Run to place sessions of"), "Reed Raft Rescue");
  await desk.getByRole("group", { name: "Reed Raft Rescue" }).getByLabel("How many").fill("40");
  await desk.getByRole("button", { name: "Place them" }).click();
  await desk.getByRole("region", { name: "Search" }).getByRole("button", { name: "Stop" }).click();
  await expect(desk.getByRole("region", { name: "Plan" })).toContainText("No plan yet");
  await desk.reload();
  await expect(desk.getByRole("group", { name: "Reed Raft Rescue" }).getByLabel("How many")).toHaveValue("40");
  expect(await desk.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
