import { expect, type Page, test } from "@playwright/test";
import { choose, fillIn, openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

const quantityOf = async (desk: Page, name: string): Promise<number> =>
  Number(await desk.getByRole("region", { name: "Manifest" }).locator(".crate-line", { hasText: name }).locator("strong").textContent());

test("what is on hand decides what is short, and a new material goes straight into a kit", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const raft = await runOf(desk, house, "Reed Raft Rescue");
  await desk.goto(`${house.url}/run/${raft.id}/crate`);
  const washers = desk.getByRole("region", { name: "Manifest" }).locator(".crate-line", { hasText: "M10 washer" });
  await expect(washers).toContainText("short");
  const wanted = await quantityOf(desk, "M10 washer");
  await desk.getByRole("navigation", { name: "Main" }).getByRole("link", { name: "Store room" }).click();
  await desk.getByRole("button", { name: "Moves of M10 washer" }).click();
  const moves = desk.getByRole("group", { name: "Moves of M10 washer" });
  await expect(moves.getByRole("row", { name: /opening/ })).toContainText("240 after it");
  const form = moves.getByRole("form", { name: "Book a move of M10 washer" });
  await form.getByLabel("Why").click();
  await desk.getByTitle("put right").click();
  await form.getByLabel("More or fewer (−), pieces").fill(String(wanted - 240));
  await form.getByLabel("In words").fill("found in the workshop");
  await form.getByRole("button", { name: "Book it" }).click();
  await expect(moves.getByRole("row", { name: /put right, found in the workshop/ })).toContainText(`${wanted} after it`);
  await desk.getByRole("button", { name: "Add a material" }).click();
  const added = desk.getByRole("form", { name: "New material" });
  await added.getByLabel("Name").fill("Wax paper");
  await added.getByLabel("On hand, pieces").fill("12");
  await added.getByLabel("Sheet or roll, across").fill("1 ft");
  await added.getByLabel("Sheet or roll, along").fill("2 ft 6 in");
  await added.getByLabel("Allergens, with commas").fill("wheat");
  await added.getByRole("button", { name: "Save" }).click();
  await expect(desk.getByRole("row", { name: /Wax paper/ })).toContainText("30.5 cm × 76.2 cm");
  await desk.goto(`${house.url}/run/${raft.id}/crate`);
  await expect(washers).toContainText("on hand");
  await choose(desk.getByLabel("Add a line"), "Wax paper");
  await expect.poll(() => quantityOf(desk, "Wax paper")).toBeGreaterThan(10);
  await expect(desk.getByRole("complementary", { name: "Crate" })).toContainText("Allergens: wheat.");
  await desk.getByRole("checkbox", { name: /cut from sheets of/ }).check();
  await expect(desk.getByRole("region", { name: "Manifest" }).locator(".crate-line", { hasText: "Wax paper" })).toContainText("on each");
  await desk.getByRole("link", { name: /^Brief/ }).click();
  await expect(desk.getByRole("region", { name: "Cautions" })).toContainText("Contains wheat: ask about allergies, and offer a stand-in.");
});

test("a count day books what is different; a file changes prices, and says by row what is wrong with it", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("button", { name: "Count day" }).click();
  const count = desk.getByRole("region", { name: "Count day" });
  await count.getByLabel("Towel, counted").fill("11");
  await count.getByLabel("Tub, counted").fill("4");
  await count.getByRole("button", { name: "Book 2 counted, 1 different" }).click();
  await expect(count).toBeHidden();
  await expect(desk.getByRole("row", { name: /Towel 11/ })).toBeVisible();
  await desk.getByRole("button", { name: "As a file" }).click();
  const file = desk.getByRole("region", { name: "The store room as a file" });
  const bring = (text: string) =>
    file.getByLabel(/Bring a CSV in/).setInputFiles({ name: "store.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await bring("name,pack price\nTowel,cheap\n");
  await expect(file.getByRole("alert")).toContainText("Row 2, pack price: “cheap” is no price");
  await bring("name,pack price,on hand\ntowel,3.40,\nReed bundle,0,12\n");
  await expect(file).toContainText("Towel pack price 3.00 to 3.40");
  await expect(file).toContainText("Reed bundle is new");
  await file.getByRole("button", { name: "Take 2 rows over" }).click();
  await expect(desk.getByRole("row", { name: /Reed bundle 12/ })).toBeVisible();
  await expect(desk.getByRole("row", { name: /Towel 11 1 €3.40/ })).toBeVisible();
});

test("a float run in feet and ounces reads so on the sheet, and counts tokens", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const raft = await runOf(desk, house, "Reed Raft Rescue");
  await desk.goto(`${house.url}/run/${raft.id}/calendar`);
  await fillIn(desk.getByLabel("Open from"), "2026-11-20");
  await expect(desk.getByRole("button", { name: /^Undo: changed opening day/ })).toBeVisible();
  await desk.getByRole("link", { name: /^Publish/ }).click();
  await choose(desk.getByLabel("Units on the sheet"), "feet, inches, pounds, ounces");
  // What was round in centimetres is round in inches.
  await expect(desk.getByRole("button", { name: /^Undo: round numbers/ })).toBeVisible();
  await desk.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(desk.getByRole("heading", { name: "Version 1 is out" })).toBeVisible();
  const { path } = await runOf(desk, house, "Reed Raft Rescue");
  const phone = await openPhone(browser);
  await phone.goto(house.url + path);
  await expect(phone.getByText("Carry 80 M10 washers on a sheet of 8 in square", { exact: true })).toBeVisible();
  await phone.goto(`${house.url}${path}/log`);
  const one = phone.getByRole("region", { name: "Version 1" });
  await one.getByLabel("Trial 1").fill("78 washers");
  await expect(one.getByText("78", { exact: true })).toBeVisible();
  await one.getByLabel("Trial 2").fill("288");
  await expect(one.getByText("288 is rare: about one in a hundred gets there.")).toBeVisible();
  await expect(one.getByText("if these were grams")).toBeVisible();
  await one.getByRole("button", { name: "Yes, 80" }).click();
  await expect(one.getByLabel("Trial 2")).toHaveValue("80");
  await one.getByLabel("Trial 3").fill("23.5");
  await expect(one.getByText("Only whole ones can be counted here.")).toBeVisible();
});

test("the desk works without a mouse", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.keyboard.press("/");
  await desk.getByRole("dialog").getByLabel("Find or go to").fill("boardwalk brief");
  await desk.keyboard.press("Enter");
  await expect(desk.getByRole("heading", { name: "Boardwalk over the Bog" })).toBeVisible();
  const gap = desk.getByRole("slider", { name: "Clear gap", exact: true });
  await gap.focus();
  for (const key of ["PageUp", "ArrowRight", "ArrowLeft", "ArrowLeft"]) await desk.keyboard.press(key);
  await expect(gap).toHaveAttribute("aria-valuetext", "630\u00a0mm");
  await desk.keyboard.press("Home");
  await expect(gap).toHaveAttribute("aria-valuetext", "100\u00a0mm");
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.keyboard.press("u");
  await expect(desk.getByRole("heading", { name: /^Span 540/ })).toBeVisible();
  await desk.keyboard.press("3");
  await expect(desk.getByRole("heading", { name: "What a kit takes" })).toBeVisible();
  await desk.keyboard.press("4");
  await expect(desk.getByRole("heading", { name: "Sessions", exact: true })).toBeVisible();
  await desk.keyboard.press("?");
  await expect(desk.getByRole("dialog", { name: "Keys that work here" })).toContainText("calendar");
  await desk.keyboard.press("Escape");
  await desk.keyboard.press("h");
  await expect(desk.getByRole("heading", { name: "This week" })).toBeVisible();
});
