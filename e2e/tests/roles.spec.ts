import { type Browser, expect, type Page, test } from "@playwright/test";
import { fillIn, openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

/** Somebody of that role, signed in at a desk of their own; what the server refused them is written down. */
async function openAs(browser: Browser, role: "floor" | "sifter"): Promise<{ readonly page: Page; readonly refused: string[] }> {
  const planner = await openDesk(browser, house);
  const who = { signIn: `reed.${role}`, password: "a lamp, a crate, a heron" };
  const made = await planner.request.post(`${house.url}/api/staff`, {
    headers: { origin: house.url },
    data: { name: `Reed ${role}`, role, active: true, ...who },
  });
  expect(made.status()).toBe(201);
  const page = await openDesk(browser, house, who);
  const refused: string[] = [];
  page.on("response", (answer) => answer.status() === 403 && refused.push(`${answer.request().method()} ${answer.url()}`));
  return { page, refused };
}

const walk = ["brief", "tryout", "crate", "calendar", "publish"] as const;

test("a floor lead counts and looks, and is offered nothing that would be refused", async ({ browser }) => {
  const { page, refused } = await openAs(browser, "floor");
  await expect(page.getByRole("link", { name: "New run" })).toBeHidden();
  const { id } = await runOf(page, house, "Boardwalk over the Bog");
  for (const step of walk) {
    await page.goto(`${house.url}/run/${id}/${step}`);
    await expect(page.getByText("You can look at this; a planner changes it.")).toBeVisible();
    await expect(page.getByRole("complementary")).toContainText(step === "publish" ? "On a family's phone" : "a builder");
  }
  for (const name of ["Cancel the run", "Duplicate", "Put it away"]) await expect(page.getByRole("button", { name })).toBeDisabled();
  const steps = page.getByRole("navigation", { name: "Steps of this run" });
  await expect(steps.getByRole("link")).toHaveText([/^Brief/, /^Tryout/, /^Crate/, /^Calendar/, /^Publish/]);
  await page.goto(`${house.url}/run/${id}/sift`);
  await expect(page.getByRole("main")).toContainText("It is for a planner or a sifter.");
  await page.goto(`${house.url}/run/${id}/brief`);
  await expect(page.getByRole("slider", { name: "Clear gap" })).toHaveAttribute("aria-disabled", "true");
  await page.goto(`${house.url}/store`);
  await page.getByRole("button", { name: "Moves of Tub" }).click();
  await page
    .getByRole("form", { name: "Book a move of Tub" })
    .getByLabel(/How much/)
    .fill("1");
  await page.getByRole("button", { name: "Book it" }).click();
  await expect(page.getByRole("group", { name: "Moves of Tub" })).toContainText("used up");
  await expect(page.getByRole("button", { name: "Add a material" })).toBeHidden();
  await page.goto(`${house.url}/buying`);
  await expect(page.getByRole("button", { name: /^Order (it|from all)/ })).toBeDisabled();
  await page.goto(`${house.url}/house`);
  await expect(page.getByRole("button", { name: "Save the house" })).toBeDisabled();
  await expect(page.getByRole("region", { name: "People", exact: true })).toBeHidden();
  expect(refused).toEqual([]);
});

test("a sifter sifts and sees what it shows", async ({ browser }) => {
  const { page, refused } = await openAs(browser, "sifter");
  const { id } = await runOf(page, house, "Seed-Wing Spinner");
  await page.goto(`${house.url}/run/${id}/sift`);
  const waiting = page.getByRole("heading", { name: /waiting$/ });
  const before = Number.parseInt((await waiting.textContent()) ?? "", 10);
  await page.getByRole("button", { name: "Accept", exact: true }).click();
  await expect(waiting).toHaveText(`${before - 1} waiting`);
  await page.getByRole("link", { name: /^Findings/ }).click();
  await expect(page.getByRole("heading", { name: "What the data shows" })).toBeVisible();
  await page.goto(`${house.url}/store`);
  await page.getByRole("button", { name: "Moves of Tub" }).click();
  await expect(page.getByRole("form", { name: "Book a move of Tub" })).toBeHidden();
  expect(refused).toEqual([]);
});

test("a run is renamed and copied with its sessions, shifted to a new first day", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/publish`);
  await desk.getByRole("button", { name: "rename" }).click();
  const title = desk.getByRole("form", { name: "Title and kind" });
  await title.getByLabel("Title").fill("Boardwalk over the Fen");
  await title.getByRole("button", { name: "Keep it" }).click();
  await expect(desk.getByRole("heading", { level: 1, name: "Boardwalk over the Fen" })).toBeVisible();
  await desk.getByRole("button", { name: "Undo: changed title" }).click();
  await expect(desk.getByRole("heading", { level: 1, name: "Boardwalk over the Bog" })).toBeVisible();
  await desk.getByRole("button", { name: "Duplicate" }).click();
  const copy = desk.getByRole("form", { name: "Duplicate the run" });
  await copy.getByLabel("Title of the copy").fill("Boardwalk in spring");
  await fillIn(copy.getByLabel("First session on"), "2026-12-05");
  await copy.getByRole("button", { name: "Make the copy" }).click();
  await expect(copy.getByRole("alert")).toContainText("Marsh Room is taken by");
  await fillIn(copy.getByLabel("First session on"), "2027-03-06");
  await copy.getByRole("button", { name: "Make the copy" }).click();
  await expect(desk.getByRole("heading", { level: 1, name: "Boardwalk in spring" })).toBeVisible();
  await expect(desk.getByRole("region", { name: "Sessions" })).toContainText("Sat 6 Mar");
});
