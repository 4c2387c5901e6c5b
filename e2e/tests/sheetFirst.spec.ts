import { expect, test } from "@playwright/test";
import { openDesk, openPhone, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("a challenge's sheet is read without any script, and taken over by it without asking again", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  const { path, code } = await runOf(desk, house, "Seed-Wing Spinner");
  const plain = await (await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } })).newPage();
  await plain.goto(house.url + path);
  await expect(plain).toHaveTitle("Seed-Wing Spinner");
  await expect(plain.getByRole("heading", { name: "Seed-Wing Spinner", level: 1 })).toBeVisible();
  await expect(plain.getByText(code).first()).toBeVisible();
  await expect(
    plain
      .getByRole("region", { name: /careful/i })
      .getByRole("listitem")
      .first(),
  ).toBeVisible();
  await expect(plain.locator(".picture svg").first()).toBeVisible();
  const asked: string[] = [];
  const phone = await openPhone(browser);
  phone.on("request", (request) => asked.push(new URL(request.url()).pathname));
  const errors: string[] = [];
  phone.on("console", (message) => message.type() === "error" && errors.push(message.text()));
  await phone.goto(house.url + path);
  await phone.getByRole("button", { name: "Print this sheet" }).waitFor();
  await phone.waitForLoadState("networkidle");
  expect(asked.filter((name) => name.startsWith("/api/public/runs/") && !name.endsWith("qr.svg"))).toEqual([]);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await expect(phone.getByRole("heading", { name: "Logbook", level: 1 })).toBeVisible();
  await phone.goBack();
  await expect(phone.getByRole("heading", { name: "Seed-Wing Spinner", level: 1 })).toBeVisible();
  expect(errors).toEqual([]);
});
