import { expect, test } from "@playwright/test";
import { choose, fillIn, openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("a season of Saturdays takes one form: its days are seen before, one is left out, and all of it is undone at once", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Heron Lookout");
  await desk.goto(`${house.url}/run/${id}/calendar`);
  const sheet = desk.getByRole("region", { name: "Run sheet" });
  await expect(sheet.getByRole("row", { name: "14:30 14:35 Welcome 5" })).toBeVisible();
  await expect(sheet.getByRole("row", { name: /15:53 16:00 Tidy up 7/ })).toBeVisible();
  await desk.getByRole("button", { name: "Add a session" }).click();
  const form = desk.getByRole("form", { name: "New session" });
  await fillIn(form.getByLabel("Day"), "2027-02-06");
  await choose(form.getByLabel("Room"), "Weather Loft, 28 seats");
  const repeats = form.getByRole("group", { name: "Repeats" });
  await choose(repeats.getByLabel("It takes place"), "every Saturday");
  await repeats.getByLabel("times").fill("5");
  await expect(repeats.getByRole("checkbox")).toHaveCount(5);
  await expect(form.getByRole("button", { name: "Put 5 sessions on the calendar" })).toBeVisible();
  await repeats.getByRole("checkbox", { name: /20 Feb/ }).uncheck();
  await form.getByRole("button", { name: "Put 4 sessions on the calendar" }).click();
  const table = desk.getByRole("region", { name: "Sessions", exact: true });
  for (const day of ["6 Feb", "13 Feb", "27 Feb", "6 Mar"]) await expect(table.getByText(new RegExp(`\\b${day}\\b`)).first()).toBeVisible();
  await expect(table.getByText(/20 Feb/)).toHaveCount(0);
  await desk.getByRole("button", { name: /^Undo: added 4 sessions from/ }).click();
  await expect(table.getByText(/13 Feb/)).toHaveCount(0);
});
