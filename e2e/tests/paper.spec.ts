import { expect, test } from "@playwright/test";
import { openDesk, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("every challenge sheet prints on one page, with its QR and a table to fill in", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const page = await (await browser.newContext()).newPage();
  for (const title of ["Boardwalk over the Bog", "Seed-Wing Spinner"]) {
    const { path } = await runOf(desk, house, title);
    await page.goto(house.url + path);
    await expect(page.getByRole("heading", { name: title })).toBeVisible();
    await expect.poll(() => page.locator(".only-print img").evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    await page.emulateMedia({ media: "print" });
    const log = page.locator(".only-print");
    await expect(log).toContainText(title === "Seed-Wing Spinner" ? "bare test" : "Trial 3, g");
    await expect(log).toContainText(`localhost:${new URL(house.url).port}${path}`);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
    expect([title, pdf.match(/\/Type\s*\/Page\b/g)?.length]).toEqual([title, 1]);
  }
});
