import { type Browser, expect, type Page, test } from "@playwright/test";
import { allLanguages } from "../../words/src/all.ts";
import { openDesk, runOf } from "../desk.ts";
import { englishLeft } from "../englishLeft.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
let path: string;
let desk: Page;
let run: string;
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  desk = await openDesk(browser, house);
  const seeds = await runOf(desk, house, "Seed-Wing Spinner");
  [path, run] = [`${house.url}${seeds.path}`, seeds.id];
});
test.afterAll(() => house.stop());

/** A phone that speaks Spanish. */
async function spanishPhone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ locale: "es-MX", viewport: { width: 390, height: 844 }, hasTouch: true });
  return context.newPage();
}

/** Told alike in every language: the house, its builders' made-up names, codes, and what somebody wrote. */
const names = ["Quillmarsh Hall"];

/** Waits until whatever a page still fetches has come, and looks for English in it. */
async function expectSpanish(page: Page): Promise<void> {
  await page.waitForLoadState("networkidle");
  const { code } = await page.request.get(`${path.replace("/h/", "/api/public/runs/")}`).then((answer) => answer.json());
  expect(await page.evaluate(() => document.documentElement.lang)).toBe("es");
  // What is drawn by lot may look like a word: the goal's numbers, a private link.
  const told = await page.locator(".goal, .breaks").allInnerTexts();
  expect(await englishLeft(page, allLanguages.es, [...names, code, house.url, ...told])).toEqual([]);
}

test("Spanish from the sheet to the receipt, with no English word left, a word of theirs read as they write it", async ({ browser }) => {
  const phone = await spanishPhone(browser);
  await phone.goto(path);
  await expect(phone.getByRole("heading", { level: 1, name: "Semilla giratoria" })).toBeVisible();
  await expect(phone.getByRole("region", { name: "A superar" })).toContainText("alas largas, un clip");
  await expectSpanish(phone);
  await phone.getByRole("link", { name: "Para docentes y guías de grupo" }).click();
  await expect(phone.getByRole("heading", { level: 1, name: "Para docentes y guías de grupo" })).toBeVisible();
  await expectSpanish(phone);
  await phone.goto(`${path}/log`);
  const one = phone.getByRole("region", { name: "Versión 1" });
  await one.getByLabel("Tu apuesta antes de probar").fill("unos 1,4 segundos");
  await one.getByLabel("Ensayo 1").fill("1,45 seg");
  await expect(one.getByText("1,45\u00a0s")).toBeVisible();
  await one.getByLabel("Ensayo 2").fill("16,1");
  await expect(one.getByRole("button", { name: "Sí, 1,61\u00a0s" })).toBeVisible();
  await expectSpanish(phone);
  await one.getByRole("button", { name: "Sí, 1,61\u00a0s" }).click();
  await one.getByLabel("Ensayo 3").fill("un segundo y medio");
  await expect(one.getByText(/No podemos leer eso como un número/)).toBeVisible();
  await one.getByLabel("Ensayo 3").fill("1,5 segundos");
  await phone.getByRole("button", { name: "Añadir la siguiente versión" }).click();
  const two = phone.getByRole("region", { name: "Versión 2" });
  for (const [i, typed] of ["1,7", "1,74", "1,72"].entries()) await two.getByLabel(`Ensayo ${i + 1}`).fill(typed);
  await expectSpanish(phone);
  await phone.getByLabel(/Soy una persona adulta/).check();
  await phone.getByRole("button", { name: "Enviar los resultados" }).click();
  await expect(phone.getByRole("heading", { name: "Gracias. Está enviado." })).toBeVisible();
  const alias = (await phone.locator("strong.goal").textContent()) ?? "";
  names.push(alias);
  await expectSpanish(phone);
  await phone.getByRole("link", { name: "Abrir mi envío" }).click();
  await expect(phone.getByText(/De acuerdo el .* “Soy una persona adulta/)).toBeVisible();
  await expectSpanish(phone);

  const { entries } = await (await desk.request.get(`${house.url}/api/runs/${run}/entries`)).json();
  const sent = entries.find((entry: { alias: string }) => entry.alias === alias);
  expect(sent.versions[0].guessValue).toBe(1.4);
  expect(sent.versions[0].trials.map((trial: { value: number }) => trial.value)).toEqual([1.45, 1.61, 1.5]);
});

test("a device is switched to another language by a link, without script too, and stays so", async ({ browser }) => {
  const phone = await spanishPhone(browser);
  await phone.goto(path);
  await phone.getByRole("link", { name: "English" }).click();
  await expect(phone.getByRole("heading", { level: 1, name: "Seed-Wing Spinner" })).toBeVisible();
  await expect(phone).toHaveURL(path);
  await phone.getByRole("link", { name: "Open the logbook" }).click();
  await expect(phone.getByRole("heading", { level: 1, name: "Logbook" })).toBeVisible();
  await phone.getByRole("region", { name: "Version 1" }).getByLabel("Trial 1").fill("1.3");
  await phone.getByRole("link", { name: "Español" }).click();
  await expect(phone.getByRole("region", { name: "Versión 1" }).getByLabel("Ensayo 1")).toHaveValue("1.3");

  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(path);
  await plain.getByRole("link", { name: "Español" }).click();
  await expect(plain.getByRole("heading", { level: 1, name: "Semilla giratoria" })).toBeVisible();
  await plain.reload();
  await expect(plain.getByRole("link", { name: "Abrir el cuaderno" })).toBeVisible();
});

test("a private link keeps its secret when the page is switched; a wrong code is said in Spanish", async ({ browser }) => {
  const phone = await spanishPhone(browser);
  await phone.goto(`${house.url}/h/mine#${"x".repeat(32)}`);
  await phone.getByRole("link", { name: "English" }).click();
  await expect(phone).toHaveURL(new RegExp(`/h/mine#${"x".repeat(32)}$`));
  await expect(phone.getByText("This link opens no entry.", { exact: false })).toBeVisible();
  await phone.getByRole("link", { name: "Español" }).click();
  await expect(phone.getByText("Este enlace no abre ningún envío.", { exact: false })).toBeVisible();
});

test("what a house wrote itself is said in Spanish by the planner; a changed text is asked for anew", async () => {
  await desk.goto(`${house.url}/run/${run}/brief`);
  const spanish = desk.getByRole("region", { name: "In Español" });
  await expect(spanish.getByRole("button", { name: "open: everything is said" })).toBeVisible();
  const story = desk.getByRole("textbox", { name: "Story, for the sheet" });
  await story.click();
  await story.press("Control+End");
  // Resting after a space saves the text without it: the next word still goes on where the cursor stood.
  const saved = desk.waitForResponse((answer) => answer.url().endsWith("/brief") && answer.request().method() === "PUT");
  await story.pressSequentially(" Build ");
  expect((await saved).ok()).toBe(true);
  await desk.waitForTimeout(200);
  await story.pressSequentially("one.");
  await expect(story).toHaveText(/ Build one\.$/);
  // Straight from the story: what stands below it must not move away from under the press.
  await spanish.getByRole("button", { name: /open: 1 of your own text/ }).click();
  const box = spanish.getByRole("textbox", { name: /Build one/ });
  await box.click();
  await box.pressSequentially("Las tormentas sacuden las semillas. Construye una.");
  await expect(spanish.getByRole("button", { name: "fold" })).toBeVisible();
  await expect(spanish.getByText("What you wrote or changed yourself", { exact: false })).toBeVisible();
  const preview = await desk.context().newPage();
  // The desk saves by itself a moment after the last key.
  await expect(async () => {
    await preview.goto(`${house.url}/h/preview/${run}?in=es`);
    await expect(preview.getByText("Las tormentas sacuden las semillas. Construye una.")).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(preview.getByText("Bolsa de papel para llevar", { exact: false })).toBeVisible();
});
