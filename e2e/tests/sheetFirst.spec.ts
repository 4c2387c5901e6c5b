import { expect, test } from "@playwright/test";
import { openDesk, openPhone, publishedPaths, runOf } from "../desk.ts";
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
  let scripts = 0;
  phone.on("response", (answer) => {
    if (answer.url().endsWith(".js")) scripts += Number(answer.headers()["content-length"]);
  });
  const errors: string[] = [];
  phone.on("console", (message) => message.type() === "error" && errors.push(message.text()));
  await phone.goto(house.url + path);
  await phone.getByRole("button", { name: "Print this sheet" }).waitFor();
  await phone.waitForLoadState("networkidle");
  expect(asked.filter((name) => name.startsWith("/api/public/runs/") && !name.endsWith("qr.svg"))).toEqual([]);
  // As it travels: what only the desk needs, time zones above all, has crept in before.
  expect(scripts).toBeGreaterThan(100_000);
  expect(scripts).toBeLessThan(180_000);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await expect(phone.getByRole("heading", { name: "Logbook", level: 1 })).toBeVisible();
  await phone.goBack();
  await expect(phone.getByRole("heading", { name: "Seed-Wing Spinner", level: 1 })).toBeVisible();
  expect(errors).toEqual([]);
});

test("what the server drew stays as it is when the script takes it over, on every sheet, in either language and size of letters", async ({
  browser,
}) => {
  const desk = await openDesk(browser, house);
  // A worker that keeps pages would answer with what it kept.
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: "block" })).newPage();
  const wrong: string[] = [];
  phone.on("pageerror", (error) => wrong.push(String(error)));
  phone.on("console", (message) => message.type() === "error" && wrong.push(message.text()));
  await phone.addInitScript(() => {
    document.addEventListener("DOMContentLoaded", () => document.querySelector("h1")?.setAttribute("data-drawn", "by the server"));
  });
  const larger = phone.getByRole("button", { name: /Larger letters|Letras más grandes/ });
  const paths = await publishedPaths(desk, house);
  expect(paths.length).toBeGreaterThan(4);
  for (const path of paths) {
    for (const language of ["es", "en"]) {
      await phone.goto(`${house.url}${path}?in=${language}`);
      // The letters made larger on the sheet before are remembered, which the server can't know.
      await expect(larger).toHaveAttribute("aria-pressed", String(language === "en"));
      await expect(async () => {
        await larger.click();
        await expect(larger).toHaveAttribute("aria-pressed", String(language === "es"), { timeout: 500 });
      }).toPass();
      await expect(phone.locator("h1")).toHaveAttribute("data-drawn", "by the server");
    }
  }
  expect(wrong).toEqual([]);
});

test("where a script was lost on its way the page says so and goes on at a press; without scripts it says what it needs", async ({
  browser,
}) => {
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, locale: "es" })).newPage();
  await phone.route("**/assets/pages-*.js", (route) => route.abort("internetdisconnected"));
  await phone.goto(`${house.url}/h`);
  await expect(phone.getByRole("alert")).toContainText("Esta página no llegó entera");
  await phone.unroute("**/assets/pages-*.js");
  await phone.getByRole("button", { name: "Intentarlo de nuevo" }).click();
  await expect(phone.getByRole("textbox")).toBeVisible();
  await expect(phone.getByRole("alert")).toHaveCount(0);
  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(`${house.url}/h/mine`);
  const without = plain.locator("noscript p");
  await expect(without).toBeVisible();
  expect(await without.evaluate((node) => node.textContent)).toContain("This page needs scripts, which are turned off here.");
});
