import { type Browser, expect, type Page } from "@playwright/test";
import { demoSignIn, type House } from "./harness.ts";

/** A desk of its own, signed in; anything the page complains about fails the test that looks at `complaints`. */
export async function openDesk(browser: Browser, house: House, who = demoSignIn): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(house.url);
  await page.getByLabel("Sign-in name").fill(who.signIn);
  await page.getByLabel("Password").fill(who.password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: "This week" })).toBeVisible();
  return page;
}

/** A phone of its own, nobody's account. */
export async function openPhone(browser: Browser): Promise<Page> {
  return (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
}

/** A run of the demo by its title, as the season lists it. */
export async function runOf(page: Page, house: House, title: string): Promise<{ id: string; code: string; path: string }> {
  const season = (await (await page.request.get(`${house.url}/api/season`)).json()) as {
    runs: { id: string; title: string; code: string | null }[];
  };
  const run = season.runs.find((r) => r.title === title);
  if (!run) throw new Error(`the demo has no run ${title}`);
  const code = run.code ?? "";
  return { id: run.id, code, path: `/h/${code.toLowerCase().replaceAll(" ", "-")}` };
}
