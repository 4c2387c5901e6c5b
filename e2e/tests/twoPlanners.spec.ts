import { expect, type Page, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

const set = async (page: Page, label: string, value: string): Promise<void> => {
  await page.getByRole("textbox", { name: label }).fill(value);
  await page.getByRole("textbox", { name: label }).press("Enter");
};

/** The same, until the server has it: "saved" stands there from before as well. */
async function kept(page: Page, label: string, value: string): Promise<void> {
  const saved = page.waitForResponse((answer) => answer.url().endsWith("/brief") && answer.request().method() === "PUT" && answer.ok());
  await set(page, label, value);
  await saved;
}

test("what two planners change at once is joined; only what both changed is asked for, and nothing typed is lost", async ({ browser }) => {
  const [one, two] = [await openDesk(browser, house), await openDesk(browser, house)];
  const { id } = await runOf(one, house, "Boardwalk over the Bog");
  for (const page of [one, two]) {
    await page.goto(`${house.url}/run/${id}/brief`);
    // Both have the brief as it is before either changes it.
    await expect(page.getByRole("textbox", { name: "Clear gap" })).toBeVisible();
  }
  await kept(one, "Clear gap", "600 mm");
  await expect(one.getByText("saved", { exact: true })).toBeVisible();
  await set(two, "Load to hold", "1.2 kg");
  await expect(two.getByText(/kept beside yours: Marsh Sedge: Clear gap 600/)).toBeVisible();
  await expect(two.getByText("saved", { exact: true })).toBeVisible();
  await expect(two.getByRole("heading", { name: "Span 600 mm, hold 1.2 kg for 15 s" })).toBeVisible();
  await one.reload();
  await expect(one.getByRole("heading", { name: "Span 600 mm, hold 1.2 kg for 15 s" })).toBeVisible();
  await kept(one, "Clear gap", "620 mm");
  await kept(one, "Load to hold", "1.3 kg");
  await expect(one.getByText("saved", { exact: true })).toBeVisible();
  await set(two, "Clear gap", "640 mm");
  const trouble = two.getByRole("alert");
  await expect(trouble).toContainText("changed what you changed");
  await expect(two.getByRole("textbox", { name: "Clear gap" })).toHaveValue("640\u00a0mm");
  const gap = trouble.getByRole("group", { name: "Clear gap" });
  await expect(gap.getByRole("radio", { name: "theirs, 620\u00a0mm" })).toBeVisible();
  await gap.getByRole("radio", { name: "yours, 640\u00a0mm" }).check();
  await trouble.getByRole("button", { name: "Save it so" }).click();
  await expect(two.getByText("saved", { exact: true })).toBeVisible();
  await two.reload();
  await expect(two.getByRole("heading", { name: "Span 640 mm, hold 1.3 kg for 15 s" })).toBeVisible();
});

test("when the sign-in has expired, signing in again saves what was typed", async ({ browser }) => {
  const page = await openDesk(browser, house);
  const { id } = await runOf(page, house, "Reed Raft Rescue");
  await page.goto(`${house.url}/run/${id}/brief`);
  await expect(page.getByRole("textbox", { name: "Tokens to carry" })).toBeVisible();
  await page.context().clearCookies();
  await set(page, "Tokens to carry", "90");
  await expect(page.getByText("Your sign-in has ended.")).toBeVisible();
  await page.getByLabel("Sign-in name").fill("marsh.sedge");
  await page.getByLabel("Password").fill("lamplight-demo");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("textbox", { name: "Tokens to carry" })).toHaveValue("90");
});

test("undo works after a reload", async ({ browser }) => {
  const page = await openDesk(browser, house);
  const { id } = await runOf(page, house, "Seed-wings from the loft");
  await page.goto(`${house.url}/run/${id}/brief`);
  await set(page, "Drop height", "2.5 m");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: /^Fall 2\.5/ })).toBeVisible();
  await page.getByRole("button", { name: /^Undo: / }).click();
  await expect(page.getByRole("heading", { name: /^Fall 1\.8/ })).toBeVisible();
});

test("the manifest moves while a dial is dragged, and the interface stays awake", async ({ browser }) => {
  const page = await openDesk(browser, house);
  const { id } = await runOf(page, house, "Boardwalk over the Bog");
  await page.goto(`${house.url}/run/${id}/crate`);
  const quantity = page.getByRole("region", { name: "Manifest" }).locator("strong").first();
  await expect(quantity).toBeVisible();
  const seen = new Set<string>();
  const slider = page.getByRole("slider", { name: "Likely" });
  const box = await slider.boundingBox();
  if (!box) throw new Error("the ruler is on the page");
  await page.mouse.move(box.x + box.width * 0.3, box.y + 12);
  await page.mouse.down();
  for (let step = 0; step < 12; step += 1) {
    await page.mouse.move(box.x + box.width * (0.3 + step * 0.03), box.y + 12);
    await page.waitForTimeout(80);
    seen.add((await quantity.textContent()) ?? "");
  }
  await page.mouse.up();
  expect(seen.size).toBeGreaterThan(6);
});
