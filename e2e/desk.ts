import { type Browser, expect, type Locator, type Page } from "@playwright/test";
import { demoSignIn, type House } from "./harness.ts";

/** A desk of its own, signed in; nothing moves by itself there unless `motion` is asked for. */
export async function openDesk(browser: Browser, house: House, who = demoSignIn, { motion = false } = {}): Promise<Page> {
  const reducedMotion = motion ? "no-preference" : "reduce";
  const page = await slowed(await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion })).newPage());
  // The form for it is walked once, in the first visit: here it would only take time.
  const answer = await page.request.post(`${house.url}/api/sign-in`, { data: who, headers: { origin: house.url } });
  expect(answer.status()).toBe(200);
  await page.goto(house.url);
  await expect(page.getByRole("heading", { name: "This week" })).toBeVisible();
  return page;
}

/** A phone of its own, nobody's account. */
export async function openPhone(browser: Browser): Promise<Page> {
  return slowed(await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage());
}

/** A run of the demo by its title, as the season lists it. */
export async function runOf(page: Page, house: House, title: string): Promise<{ id: string; code: string; path: string }> {
  const run = (await runsOf(page, house)).find((r) => r.title === title);
  if (!run) throw new Error(`the demo has no run ${title}`);
  const code = run.code ?? "";
  return { id: run.id, code, path: pathOf(code) };
}

/** The sheets of all published runs of the demo. */
export const publishedPaths = async (page: Page, house: House): Promise<string[]> =>
  (await runsOf(page, house)).flatMap(({ code }) => (code === null ? [] : [pathOf(code)]));

interface ListedRun {
  readonly id: string;
  readonly title: string;
  readonly code: string | null;
}

async function runsOf(page: Page, house: House): Promise<readonly ListedRun[]> {
  const season = (await (await page.request.get(`${house.url}/api/season`)).json()) as { runs: ListedRun[] };
  return season.runs;
}

const pathOf = (code: string): string => `/h/${code.toLowerCase().replaceAll(" ", "-")}`;

/** Chooses by its words in one of the desk's lists; `among` is the list, as Playwright finds it by its label. */
export async function choose(among: Locator, words: string): Promise<void> {
  await among.click();
  // A long list shows some at a time: it is searched by typing.
  if (await among.isEditable()) await among.fill(words);
  await among.page().locator(".ant-select-dropdown:visible").getByTitle(words, { exact: true }).click();
}

/** Types into a box of the desk that keeps what is typed at Enter: a day, a time. */
export async function fillIn(box: Locator, words: string): Promise<void> {
  // The picker takes the focus in first, and writes its value anew as it does.
  await box.click();
  await box.fill(words);
  await box.press("Enter");
}

/** As on a busy or an old machine: LAMPCRATE_SLOW=6 has the page's processor go six times slower. */
async function slowed(page: Page): Promise<Page> {
  const rate = Number(process.env["LAMPCRATE_SLOW"] ?? "1");
  if (rate > 1) await (await page.context().newCDPSession(page)).send("Emulation.setCPUThrottlingRate", { rate });
  return page;
}
