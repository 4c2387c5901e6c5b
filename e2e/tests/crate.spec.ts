import { readFileSync } from "node:fs";
import { labelSheets } from "@lampcrate/contract";
import { expect, test } from "@playwright/test";
import { choose, openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";
import { codeIn, pdfPages } from "../pdfPages.ts";

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
  await expect(desk.getByLabel("Cotton string, takes")).toHaveValue("1.2\u00a0m");
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  // What could not be taken stays, outlives a visit elsewhere, and can be mended there: the store room gets it.
  await desk.getByRole("link", { name: /^Brief/ }).click();
  await desk.getByRole("link", { name: /^Crate/ }).click();
  await desk.getByRole("button", { name: "Paste from a spreadsheet" }).click();
  await expect(paste.getByRole("textbox")).toHaveValue(/^Material\tTakes\tPer\tSpoil\s+Paper glue\t1/);
  await paste.getByRole("button", { name: "Add “Paper glue” to the store room" }).click();
  await paste.getByRole("button", { name: "Take 1 line" }).click();
  await expect(manifest).toContainText("Paper glue");
  await expect(desk.getByText("saved", { exact: true })).toBeVisible();
  await desk.getByRole("button", { name: /^Undo: pasted 1 lines/ }).click();
  await expect(manifest.locator("strong")).toHaveCount(12);
  await desk.getByRole("button", { name: /^Undo: pasted 12 lines/ }).click();
  await expect(manifest).toContainText("Nothing in the crate yet");
});

test("the crate says what moves its cost, and how each sheet is cut", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const matters = desk.getByRole("region", { name: "What matters" });
  await expect(matters).toContainText("Most of all how many come");
  await expect(matters.getByRole("img", { name: /how many come: €\d+, \d+ come to €\d+, \d+ come/ })).toBeVisible();
  const maps = desk.getByRole("region", { name: "Cut maps" });
  await expect(maps).toContainText("5 pieces of 100\u00a0mm × 600\u00a0mm from each");
  await expect(maps.getByRole("img", { name: "How Thin card, large sheet is cut: 5 pieces, 5 cuts" })).toBeVisible();
  await expect(maps).toContainText(
    /Largest offcut 100\u00a0mm × 500\u00a0mm\. The offcuts of each also give 6 of 80\u00a0mm × 100\u00a0mm for Seed Flinger/,
  );
  const card = desk.getByRole("region", { name: "Manifest" }).locator(".crate-line", { hasText: "Thin card" });
  await expect(card).toContainText(/\d+ sheets? short, 1 pack of 25; or \d+\u00a0×\u00a0cereal boxes, opened out/);
});

test("what was left is counted; the next crate changes when what was learned is taken over, and heads can learn", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Boardwalk over the Bog");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const after = desk.getByRole("region", { name: "After the session" });
  await expect(after).toContainText("From 2 counted sessions");
  const manifest = desk.getByRole("region", { name: "Manifest" });
  const next = await manifest.textContent();
  await choose(desk.getByRole("complementary", { name: "Crate" }).getByRole("combobox"), "Sat 21 Nov, Saturday drop-in");
  const form = after.getByRole("group", { name: "Count of Sat 21 Nov" });
  await form.getByLabel("Newsprint sheet, left").fill("700");
  await form.getByRole("button", { name: "Correct the count" }).click();
  await expect(form.getByRole("alert")).toContainText("More is left and spoilt than was put out");
  await form.getByLabel("Newsprint sheet, left").fill("20");
  await form.getByRole("button", { name: "Correct the count" }).click();
  await expect(form.getByText("counted", { exact: true })).toBeVisible();
  await after.getByRole("button", { name: "Take them over" }).click();
  await expect(after.getByText("The run has these numbers.")).toBeVisible();
  await choose(desk.getByRole("complementary", { name: "Crate" }).getByRole("combobox"), "Sat 28 Nov, Saturday drop-in");
  await expect.poll(() => manifest.textContent()).not.toBe(next);
  await choose(desk.getByRole("combobox", { name: "How heads are reckoned" }), "what past sessions teach");
  await expect(desk.getByRole("region", { name: "Who comes" })).toContainText(
    "moved by 2 counted sessions: 78, 91 builders. It now expects",
  );
});

test("cells are typed over by keyboard, and a line is moved by keyboard", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Gust Cart");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const lines = desk.getByRole("region", { name: "Lines" });
  const amounts = lines.locator('[data-column="amount"]');
  const first = await lines.getByRole("row").nth(1).getAttribute("aria-label");
  await amounts.first().fill("7");
  await desk.keyboard.press("Enter");
  await expect(amounts.nth(1)).toBeFocused();
  await expect(amounts.first()).toHaveValue("7");
  await amounts.nth(1).fill("lots");
  await desk.keyboard.press("Enter");
  await expect(lines.getByRole("alert")).toContainText("lots");
  await expect(amounts.nth(1)).toBeFocused();
  await desk.keyboard.press("Escape");
  await lines.getByRole("button", { name: `Move ${first}` }).focus();
  for (const key of ["Space", "ArrowDown", "Space"]) {
    await desk.keyboard.press(key);
    await desk.waitForTimeout(300);
  }
  await expect(lines.getByRole("row").nth(2)).toHaveAttribute("aria-label", first ?? "");
  await desk.getByRole("button", { name: `Undo: moved ${first}` }).click();
  await expect(lines.getByRole("row").nth(1)).toHaveAttribute("aria-label", first ?? "");
});

test("two sizes from one card are planned together; costs may decide how sure", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Seed-wings from the loft");
  await desk.goto(`${house.url}/run/${id}/crate`);
  for (const [across, along, shape] of [
    ["300 mm", "200 mm", "rectangles"],
    ["16 cm", "120 mm", "right triangles, two to a rectangle"],
  ] as const) {
    await choose(desk.getByLabel("Add a line"), "Thin card, large sheet");
    await desk.getByRole("checkbox", { name: /cut from sheets of/ }).check();
    await desk.getByLabel("piece, across").fill(across);
    await desk.getByLabel("piece, across").press("Enter");
    await desk.getByLabel("along", { exact: true }).fill(along);
    await desk.getByLabel("along", { exact: true }).press("Enter");
    await choose(desk.getByRole("combobox", { name: /^into/ }), shape);
    await desk.getByRole("button", { name: "Change Thin card, large sheet" }).last().click();
  }
  const maps = desk.getByRole("region", { name: "Cut maps" });
  await expect(maps).toContainText(/Thin card, large sheet, all sizes together: \d+ (do|does) for everything/);
  await expect(maps.getByRole("img", { name: /^A sheet cut \d+ times/ }).first()).toBeVisible();
  await expect(maps).toContainText("cut corner to corner in pairs");
  await desk.getByRole("switch", { name: "Let costs decide how sure" }).click();
  const dials = desk.getByRole("region", { name: "Dials" });
  await expect(dials).toContainText(/Sure that nothing runs out: 9\d/);
  await dials.getByLabel(/turning one builder away costs us/).fill("0.01");
  await expect(dials).toContainText(/Sure that nothing runs out: 50/);
});

test("labels and packing list are printed, and their codes read back from the picture", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { id } = await runOf(desk, house, "Heron Lookout");
  await desk.goto(`${house.url}/run/${id}/crate`);
  const preparing = desk.getByRole("region", { name: "Preparing" });
  await expect(preparing).toContainText(/hours of one person's work: begin (today|by \w+ \d+ \w+) to be ready for/);
  const fetched = async (name: RegExp): Promise<Uint8Array> => {
    const [file] = await Promise.all([desk.waitForEvent("download"), preparing.getByRole("link", { name }).click()]);
    return readFileSync(await file.path());
  };
  const labels = await pdfPages(await fetched(/^\d+ labels$/), 300);
  const page = labels[0];
  if (!page) throw new Error("a page of labels");
  const { width, height, left, top } = labelSheets["a4-21"];
  const code = codeIn(page, left / 210, top / 297, (left + width) / 210, (top + height) / 297);
  expect(code).toMatch(/^[A-Z]{4}-001$/);
  expect(page.text).toMatch(/Contains\s+wheat/);
  const [list] = await pdfPages(await fetched(/^Packing list$/), 200);
  if (!list) throw new Error("a packing list");
  expect(codeIn(list, 0.6, 0, 1, 0.12)).toBe(code?.slice(0, 4));
  expect(list.text).toMatch(/Heron Lookout/);
  expect(list.text).toMatch(/Contains\s+wheat/);
});
