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

test("a run sheet is changed by hand: every session follows in its own length, undo brings the usual back", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed Flinger");
  await desk.goto(`${house.url}/run/${id}/calendar`);
  const sheet = desk.getByRole("region", { name: "Run sheet" });
  await sheet.getByRole("button", { name: "Change the parts" }).click();
  const parts = sheet.getByRole("table", { name: "Parts to change" });
  const build = parts.getByLabel("Minutes of Build");
  await build.fill("long");
  await build.press("Enter");
  await expect(sheet.getByRole("alert")).toHaveText("Type whole minutes from 1 to 600.");
  await build.fill("45");
  await build.press("Enter");
  await expect(sheet.getByRole("alert")).toHaveCount(0);
  await expect(parts.getByRole("row", { name: "Build" })).toContainText("14:49, 34 min");
  // On a slow line the next change doesn't wait for the last one, and neither is lost.
  await desk.route(/\/api\/runs\/[\w-]+$/, async (route) => {
    if (route.request().method() === "PUT") await new Promise((rest) => setTimeout(rest, 400));
    await route.continue();
  });
  await parts.getByLabel("What to say or do at Cautions").fill("Goggles on.");
  await parts.getByLabel("What to say or do at Cautions").press("Enter");
  await sheet.getByRole("button", { name: "Add a part" }).click();
  await expect(parts.getByLabel("Name of Another part")).toBeVisible();
  // The new part is taken up by the keys, before the tidying.
  const grip = parts.getByRole("button", { name: "Move Another part", exact: true });
  await grip.focus();
  await desk.keyboard.press("Space");
  await expect(grip).toHaveAttribute("aria-pressed", "true");
  await desk.keyboard.press("ArrowUp");
  await desk.waitForTimeout(300);
  await desk.keyboard.press("Space");
  await expect(parts.getByRole("row").last()).toContainText("15:53, 7 min");
  await parts.getByRole("button", { name: "Remove Another part" }).click();
  await sheet.getByRole("button", { name: "Done" }).click();
  await expect(sheet.getByRole("row", { name: /Cautions Goggles on\. 4/ })).toBeVisible();
  const [download] = await Promise.all([desk.waitForEvent("download"), sheet.getByRole("link", { name: "PDF" }).click()]);
  expect(download.suggestedFilename()).toBe("run-sheet.pdf");
  // Each save was held up above: the last is with the server before the page goes.
  const kept = async (): Promise<string> => (await desk.request.get(`${house.url}/api/runs/${id}`)).text();
  await expect.poll(async () => [(await kept()).includes("Goggles on."), (await kept()).includes("Another part")]).toEqual([true, false]);
  await desk.reload();
  await expect(sheet.getByRole("row", { name: "14:49 15:23 Build 34" })).toBeVisible();
  for (let i = 0; i < 5; i += 1)
    await Promise.all([
      desk.waitForResponse((answer) => answer.url().endsWith("/undo")),
      desk.getByRole("button", { name: /^Undo: changed the run sheet/ }).click(),
    ]);
  await expect(sheet.getByRole("row", { name: /Build 26/ })).toBeVisible();
});

test("kits are picked up on one day, a story hour is on line: each has its own sheet, room and crate, and the calendar shows what is open at home", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Gust Cart");
  await desk.goto(`${house.url}/run/${id}/calendar`);
  const add = async (kind: string, day: string): Promise<void> => {
    await desk.getByRole("button", { name: "Add a session" }).click();
    const form = desk.getByRole("form", { name: "New session" });
    await fillIn(form.getByLabel("Day"), day);
    await choose(form.getByLabel("How it is held"), kind);
    await form.getByRole("button", { name: "Put it on the calendar" }).click();
    await expect(form).toHaveCount(0);
  };
  const table = desk.getByRole("region", { name: "Sessions", exact: true });
  const sheet = desk.getByRole("region", { name: "Run sheet" });
  await add("kits are picked up", "2027-01-14");
  await expect(table.getByRole("row", { name: /14 Jan.*kits are picked up/ })).toContainText("Marsh Room");
  await expect(sheet.getByRole("row", { name: /Hand out the kits/ })).toBeVisible();
  await expect(sheet.getByRole("button", { name: "Change the parts" })).toHaveCount(0);
  await add("on line", "2027-01-15");
  await expect(table.getByRole("row", { name: /15 Jan.*on line/ })).toContainText("0 + 0 min");
  await expect(sheet.getByRole("row", { name: /Build along/ })).toBeVisible();
  await desk.goto(`${house.url}/calendar?day=2026-12-12&show=month`);
  await expect(
    desk
      .getByRole("row", { name: /^At home/ })
      .getByRole("cell")
      .nth(11),
  ).toContainText(/opens at home: .*Gust Cart/);
});
