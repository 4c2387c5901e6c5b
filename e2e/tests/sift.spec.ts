import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { demoSignIn, type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("entries with nothing to look at are accepted at once after a look, one taken out by its tick; one undo brings them back", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed-Wing Spinner");
  await desk.goto(`${house.url}/run/${id}/sift`);
  const waiting = desk.getByRole("heading", { name: /^\d+ waiting$/ });
  const before = Number.parseInt((await waiting.textContent()) ?? "", 10);
  await desk.getByRole("button", { name: /with nothing to look at$/ }).click();
  const panel = desk.getByRole("region", { name: "Accept together" });
  const rows = panel.getByRole("listitem");
  const plain = await rows.count();
  expect(plain).toBeGreaterThan(1);
  await expect(rows.first().getByRole("img", { name: /version 1 [\d.]+.s, .*version 2 / })).toBeVisible();
  const left = (await rows.first().textContent()) ?? "";
  await rows.first().getByRole("checkbox").uncheck();
  await panel.getByRole("button", { name: plain === 2 ? "Accept this one" : `Accept these ${plain - 1}` }).click();
  await expect(desk.getByRole("heading", { name: `${before - plain + 1} waiting` })).toBeVisible();
  await expect(desk.getByRole("list", { name: "All entries" }).getByRole("button", { name: left }).first()).toContainText("waiting");
  await desk.keyboard.press("u");
  await expect(desk.getByRole("heading", { name: `${before} waiting` })).toBeVisible();
});

test("an entry that one sifter has open is said to be theirs at the other's, who goes on with another", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed-Wing Spinner");
  await desk.goto(`${house.url}/run/${id}/sift`);
  await expect(desk.getByRole("button", { name: "Accept", exact: true })).toBeEnabled();
  const taken = desk.waitForResponse((answer) => answer.url().endsWith("/hold"));
  await desk.getByRole("list", { name: "All entries" }).getByRole("button").nth(1).click();
  await taken;
  const other = await openDesk(browser, house, { signIn: "rush.tern", password: demoSignIn.password });
  await other.goto(`${house.url}/run/${id}/sift`);
  await other.getByRole("list", { name: "All entries" }).getByRole("button").nth(1).click();
  await expect(other.getByText(/^Marsh Sedge is looking at this one;/)).toBeVisible();
  await expect(other.getByRole("button", { name: "Accept", exact: true })).toBeDisabled();
  await other.getByRole("list", { name: "All entries" }).getByRole("button").nth(2).click();
  await expect(other.getByRole("button", { name: "Accept", exact: true })).toBeEnabled();
});
