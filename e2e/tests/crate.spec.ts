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
