import { expect, type Locator, test } from "@playwright/test";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse({ demo: false, env: { LAMPCRATE_URL: "https://builds.example" } });
});
test.afterAll(() => house.stop());

test("from an empty house to a published brief in under three minutes and twelve inputs", async ({ page }) => {
  const from = Date.now();
  let inputs = 0;
  const fill = async (box: Locator, words: string): Promise<void> => {
    inputs += 1;
    await box.fill(words);
  };
  const click = async (button: Locator): Promise<void> => {
    inputs += 1;
    await button.click();
  };
  await page.goto(house.url);
  await fill(page.getByLabel("Set-up code"), /first visit: (\d{4}-\d{4})/.exec(house.printed())?.[1] ?? "");
  await fill(page.getByLabel("Name of the house"), "Sedge House");
  await fill(page.getByLabel("Your name"), "Pat Planner");
  await fill(page.getByLabel("Your sign-in name"), "pat");
  await fill(page.getByLabel("Password"), "ten letters or more");
  await click(page.getByRole("button", { name: "Make the house" }));
  await click(page.getByRole("link", { name: "Start the first run" }));
  await click(page.getByRole("button", { name: /^Seed-Wing Spinner/ }));
  await click(page.getByRole("button", { name: "Start with this brief" }));
  await click(page.getByRole("link", { name: /^Publish/ }));
  await click(page.getByRole("button", { name: "Publish", exact: true }));
  await expect(page.getByRole("heading", { name: "Hand it out" })).toBeVisible();
  expect(inputs).toBeLessThan(12);
  expect(Date.now() - from).toBeLessThan(180_000);
});
