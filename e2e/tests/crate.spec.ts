import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("twelve lines are pasted from a spreadsheet; what can't be read is said by its row", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed-wings from the loft");
  await desk.goto(`${house.url}/run/${id}/crate`);
  await desk.getByRole("button", { name: "Paste from a spreadsheet" }).click();
  const names = [
    "Copy paper",
    "Paper clip",
    "Pencil",
    "Ruler",
    "Towel",
    "Tub",
    "M10 washer",
    "Scissors",
    "Load bag, 100 g",
    "Newsprint sheet",
    "Stopwatch",
    "Cotton string",
  ];
  const rows = names.map((name, i) => `${name}\t${name === "Cotton string" ? "1.2 m" : i + 1}\tbuilder\t${i} %`);
  const paste = desk.getByRole("group", { name: "Paste lines" });
  await paste.getByRole("textbox").fill(["Material\tTakes\tPer\tSpoil", ...rows, "Paper glue\t1"].join("\n"));
  await expect(paste.getByRole("alert")).toContainText("Row 14: The store room has no “Paper glue”");
  await paste.getByRole("button", { name: "Take 12 lines" }).click();
  const manifest = desk.getByRole("region", { name: "Manifest" });
  await expect(manifest.locator("strong")).toHaveCount(12);
  await expect(desk.getByRole("row", { name: /^Cotton string/ })).toContainText("1.2 m per builder");
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.getByRole("button", { name: /^Undo: pasted 12 lines/ }).click();
  await expect(manifest).toContainText("Nothing in the crate yet");
});

test("the crate says what moves its cost, and how each sheet is cut", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const matters = desk.getByRole("region", { name: "What matters" });
  await expect(matters).toContainText("Most of all how many come");
  await expect(matters.getByRole("img", { name: /how many come: €\d+ to €\d+/ })).toBeVisible();
  const maps = desk.getByRole("region", { name: "Cut maps" });
  await expect(maps).toContainText("5 pieces of 100\u00a0mm × 600\u00a0mm from each");
  await expect(maps.getByRole("img", { name: "How Thin card, large sheet is cut: 5 pieces, 5 cuts" })).toBeVisible();
});

test("what was left is counted; the next crate changes when what was learned is taken over, and heads can learn", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const after = desk.getByRole("region", { name: "After the session" });
  await expect(after).toContainText("From 2 counted sessions");
  const manifest = desk.getByRole("region", { name: "Manifest" });
  const next = await manifest.textContent();
  await desk.getByRole("complementary", { name: "Crate" }).getByRole("combobox").selectOption({ label: "Sat 21 Nov, Saturday drop-in" });
  const form = after.getByRole("group", { name: "Count of Sat 21 Nov" });
  await form.getByLabel("Newsprint sheet, left").fill("700");
  await form.getByRole("button", { name: "Correct the count" }).click();
  await expect(form.getByRole("alert")).toContainText("More is left and spoilt than was put out");
  await form.getByLabel("Newsprint sheet, left").fill("20");
  await form.getByRole("button", { name: "Correct the count" }).click();
  await expect(form.getByText("counted", { exact: true })).toBeVisible();
  await after.getByRole("button", { name: "Take them over" }).click();
  await expect(after.getByText("The run has these numbers.")).toBeVisible();
  await desk.getByRole("complementary", { name: "Crate" }).getByRole("combobox").selectOption({ label: "Sat 28 Nov, Saturday drop-in" });
  await expect.poll(() => manifest.textContent()).not.toBe(next);
  await desk.getByRole("combobox", { name: "How heads are reckoned" }).selectOption({ label: "what past sessions teach" });
  await expect(desk.getByRole("region", { name: "Who comes" })).toContainText(
    "moved by 2 counted sessions: 78, 91 builders. It now expects",
  );
});
