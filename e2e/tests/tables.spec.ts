import { expect, type Page, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let desk: Page;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
});
test.afterAll(() => house.stop());

/** Sorts a table by one of its heads, with the keys alone. */
async function sortBy(table: string, head: string): Promise<void> {
  const by = desk.getByRole("table", { name: table }).getByRole("columnheader", { name: head, exact: true });
  await by.focus();
  await desk.keyboard.press("Enter");
  await expect(by).toHaveAttribute("aria-sort", "ascending");
}

const firstOf = (table: string): Promise<string | null> =>
  desk.getByRole("table", { name: table }).getByRole("rowheader").first().textContent();

test("the store room is searched, sorted, opened and changed by keys", async () => {
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("table", { name: "Materials" }).waitFor();
  await sortBy("Materials", "Material");
  expect(await firstOf("Materials")).toBe("Bar magnet in a case");
  await desk.getByRole("textbox", { name: "Find a material" }).focus();
  await desk.keyboard.type("washer");
  await expect(desk.getByText(/^1 of \d\d materials$/)).toBeVisible();
  expect(await firstOf("Materials")).toBe("M10 washer");
  const price = desk.getByRole("row", { name: /M10 washer/ }).getByRole("button", { name: /€/ });
  await price.focus();
  await desk.keyboard.press("Enter");
  await desk.keyboard.type("nonsense");
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("alert")).toContainText("“nonsense” is no price, such as 4.20.");
  await desk.keyboard.press("ControlOrMeta+A");
  await desk.keyboard.type("7,25");
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("row", { name: /M10 washer/ })).toContainText("€7.25");
  await desk.reload();
  await expect(desk.getByRole("row", { name: /M10 washer/ })).toContainText("€7.25");
  await desk.getByRole("button", { name: "Moves of M10 washer" }).focus();
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("group", { name: "Moves of M10 washer" })).toContainText("opening");
});

test("what is ticked in the store room is counted, and what was typed before stays on the list", async () => {
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("button", { name: "Count day" }).click();
  const count = desk.getByRole("region", { name: "Count day" });
  await count.getByLabel("Tub, counted").fill("5");
  for (const name of ["Towel", "Bin bag"]) {
    await desk.getByRole("checkbox", { name: `Tick ${name}` }).focus();
    await desk.keyboard.press("Space");
  }
  await desk.getByRole("button", { name: "Count these 2" }).press("Enter");
  await expect(count).toContainText(/3 of \d\d materials: those ticked or counted before\./);
  const all = Number(/3 of (\d+) materials/.exec((await count.textContent()) ?? "")?.[1]);
  await expect(count.getByRole("spinbutton")).toHaveCount(3);
  await expect(count.getByLabel("Tub, counted")).toHaveValue("5");
  await count.getByRole("button", { name: "leave it" }).click();
  await desk.getByRole("button", { name: "Count day" }).click();
  await expect(count.getByRole("spinbutton")).toHaveCount(all);
  await count.getByRole("button", { name: "leave it" }).click();
});

test("builders, orders and people are sorted by keys; what is left of a search says so", async () => {
  const { id } = await runOf(desk, house, "Seed-Wing Spinner");
  await desk.goto(`${house.url}/run/${id}/findings`);
  const best = async (): Promise<number> =>
    Number.parseFloat(
      (await desk.getByRole("table", { name: "Builder by builder" }).locator("tbody td.number").nth(2).textContent()) ?? "",
    );
  await desk.getByRole("table", { name: "Builder by builder" }).waitFor();
  await sortBy("Builder by builder", "Best");
  const least = await best();
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("columnheader", { name: "Best" })).toHaveAttribute("aria-sort", "descending");
  expect(await best()).toBeGreaterThan(least);
  await desk.goto(`${house.url}/house`);
  await sortBy("People of the house", "Name");
  await desk.goto(`${house.url}/buying`);
  await sortBy("Orders and where they are", "From");
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("textbox", { name: "Find a material" }).fill("zeppelin");
  await expect(desk.getByText("Nothing here is called that.")).toBeVisible();
});

test("the season is walked lamp by lamp, filtered, and moved to another month", async () => {
  await desk.goto(house.url);
  const line = desk.getByRole("region", { name: "Time line of the season" });
  await line.getByRole("link", { name: /^Boardwalk over the Bog/ }).focus();
  await desk.keyboard.press("Tab");
  await expect(desk.locator(":focus")).toHaveAttribute("aria-label", /^Sat 14 Nov, .*held$/);
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("heading", { name: "Sessions", exact: true })).toBeVisible();
  await desk.goBack();
  await desk.getByRole("textbox", { name: "Find a run by its title" }).fill("spinner");
  await expect(line.getByRole("listitem")).toHaveCount(1);
  await desk.getByRole("textbox", { name: "Find a run by its title" }).fill("");
  await desk.getByText("drafts", { exact: true }).click();
  await expect(line.getByRole("link", { name: /^Boardwalk over the Bog/ })).toHaveCount(0);
  await desk.getByText("over", { exact: true }).click();
  await desk.getByText("all", { exact: true }).click();
  await desk.getByRole("button", { name: "Four weeks later" }).click();
  await expect(line.getByRole("img", { name: /^From Mon 30 Nov|^From 30 Nov/ })).toBeVisible();
  await desk.getByRole("button", { name: "Today", exact: true }).click();
  await expect(line.getByRole("img", { name: /^From 2 Nov/ })).toBeVisible();
});

test("a rig is taken hold of by the pointer; its ruler and the crate follow, and Ctrl+Z and Ctrl+Y go back and forth", async () => {
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/brief`);
  const grip = desk.getByRole("slider", { name: "Clear gap, in the drawing" });
  const box = await grip.boundingBox();
  if (!box) throw new Error("the rig has a handle");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await desk.mouse.move(x, y);
  await desk.mouse.down();
  await desk.mouse.move(x + 40, y, { steps: 5 });
  await desk.mouse.up();
  const ruler = desk.getByRole("slider", { name: "Clear gap", exact: true });
  await expect(ruler).not.toHaveAttribute("aria-valuetext", "540\u00a0mm");
  const moved = (await ruler.getAttribute("aria-valuetext")) ?? "";
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.getByRole("heading", { level: 1 }).click();
  await desk.keyboard.press("Control+z");
  await expect(ruler).toHaveAttribute("aria-valuetext", "540\u00a0mm");
  await expect(desk.getByRole("button", { name: "Do it again" })).toBeVisible();
  await desk.keyboard.press("Control+y");
  await expect(ruler).toHaveAttribute("aria-valuetext", moved);
  await desk.keyboard.press("Control+z");
  await expect(ruler).toHaveAttribute("aria-valuetext", "540\u00a0mm");
});

test("the panel beside a step folds into a drawer where there is no room, and the sheet's preview follows what is saved", async ({
  browser,
}) => {
  const page = await openDesk(browser, house);
  const { id } = await runOf(page, house, "Boardwalk over the Bog");
  await page.setViewportSize({ width: 853, height: 600 });
  await page.goto(`${house.url}/run/${id}/crate`);
  await expect(page.getByRole("complementary", { name: "Crate" })).toHaveCount(0);
  await page.getByRole("button", { name: "Crate", exact: true }).click();
  await expect(page.getByRole("dialog").getByRole("complementary", { name: "Crate" })).toContainText("a builder");
  await page.keyboard.press("Escape");
  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto(`${house.url}/run/${id}/publish`);
  const sheet = page.frameLocator('iframe[title="Challenge sheet on a phone"]');
  await expect(sheet.getByRole("heading", { name: "Boardwalk over the Bog" })).toBeVisible();
  await sheet.getByRole("link", { name: "Open the logbook" }).click();
  await expect(sheet.getByRole("heading", { name: "Boardwalk over the Bog" })).toBeVisible();
  await page.getByRole("button", { name: "rename" }).click();
  await page.getByRole("textbox", { name: "Title" }).fill("Boardwalk over the Mire");
  await page.keyboard.press("Enter");
  await expect(sheet.getByRole("heading", { name: "Boardwalk over the Mire" })).toBeVisible();
});
