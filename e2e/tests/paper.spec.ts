import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";
import { pdfPages } from "../pdfPages.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("every challenge sheet prints on one page in letters that can be read, its log with the QR on a page of its own", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  const page = await (await browser.newContext()).newPage();
  for (const title of ["Boardwalk over the Bog", "Seed-Wing Spinner"]) {
    const { path } = await runOf(desk, house, title);
    await page.goto(house.url + path);
    await expect(page.getByRole("heading", { name: title, exact: true })).toBeVisible();
    await expect.poll(() => page.locator(".only-print img").evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    await page.emulateMedia({ media: "print" });
    const log = page.locator(".only-print");
    await expect(log).toContainText(title === "Seed-Wing Spinner" ? "cargo alone" : "Trial 3, g");
    await expect(log).toContainText(`localhost:${new URL(house.url).port}${path}`);
    for (const format of ["A4", "Letter"]) {
      const pages = await pdfPages(new Uint8Array(await page.pdf({ format })), 40);
      const [front = "", back = "", ...more] = pages.map(({ text }) => text.replace(/\s+/g, " "));
      expect([title, format, more]).toEqual([title, format, []]);
      expect(front).toContain(title);
      expect(back).toContain(title);
      expect([front, back].map((text) => /Scan|send it/i.test(text) && text.includes("/h/"))).toEqual([false, true]);
    }
    // 9 pt is 12 px.
    expect(await page.evaluate(smallestLetters)).toBeGreaterThanOrEqual(12);
    await page.emulateMedia({ media: "screen" });
    await page.getByRole("button", { name: "Larger letters" }).click();
    await page.emulateMedia({ media: "print" });
    // 15 pt.
    expect(await page.evaluate(smallestLetters)).toBeGreaterThanOrEqual(20);
    await page.emulateMedia({ media: "screen" });
    await page.getByRole("button", { name: "Larger letters" }).click();
    await page.getByRole("link", { name: "For a teacher or leader" }).click();
    await expect(page.getByRole("heading", { name: "For a teacher or leader" })).toBeVisible();
    await page.emulateMedia({ media: "print" });
    for (const format of ["A4", "Letter"]) {
      const guide = await pdfPages(new Uint8Array(await page.pdf({ format })), 40);
      expect([title, format, guide.length]).toEqual([title, format, 1]);
      expect(guide[0]?.text).toContain("How to help, without giving the answer away");
    }
    await page.emulateMedia({ media: "screen" });
  }
});

/** The size of the smallest words that print, px; what is drawn has its own scale. */
function smallestLetters(): number {
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  let smallest = Number.POSITIVE_INFINITY;
  for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
    const of = node.parentElement;
    if (!of || of.closest("svg") || node.textContent?.trim() === "" || of.getClientRects().length === 0) continue;
    smallest = Math.min(smallest, Number.parseFloat(getComputedStyle(of).fontSize));
  }
  return smallest;
}
