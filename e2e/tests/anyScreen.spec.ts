import { expect, type Page, test } from "@playwright/test";
import { spinnerEntry } from "../../demo/src/entries.ts";
import { openDesk, publishedPaths, runOf } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
/** The family pages of one challenge, and those that belong to none. */
let pages: readonly string[];
/** The pages of every other challenge that is published. */
let others: readonly string[];
test.beforeAll(async ({ browser }) => {
  house = await startHouse();
  const desk = await openDesk(browser, house);
  const flights = await runOf(desk, house, "First flights");
  const owlet = await runOf(desk, house, "Owlet on a String");
  const pagesOf = (path: string): readonly string[] => [path, `${path}/log`, `${path}/guide`, `${path}/group`];
  others = (await publishedPaths(desk, house)).filter((path) => path !== owlet.path).flatMap(pagesOf);
  pages = ["/h", ...pagesOf(owlet.path), `${flights.path}/reveal`, `/h/mine#${spinnerEntry("first03", "none").secret}`];
  await desk.close();
});
test.afterAll(() => house.stop());

/** Opens each of the family pages, once it stands. */
async function eachPage(page: Page, paths: readonly string[], look: (path: string) => Promise<void>): Promise<void> {
  for (const path of paths) {
    await page.goto(house.url + path);
    await page.locator("h1").first().waitFor();
    await expect(page.getByText("One moment …")).toHaveCount(0);
    await look(path);
  }
}

/** What reaches beyond the window's right edge, but in a frame that scrolls by itself. */
const tooWide = (): readonly string[] => {
  const room = 320;
  if (document.documentElement.scrollWidth <= room) return [];
  return [...document.querySelectorAll<HTMLElement>("body *")]
    .filter((one) => one.getBoundingClientRect().right > room + 0.5 && one.closest(".grid-frame") === null)
    .map((one) => `${one.tagName}.${one.className} ${one.textContent?.slice(0, 40)}`)
    .slice(0, 5);
};

test("on the narrowest screen, with larger letters too, nothing of a family page is cut off at the side", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 320, height: 640 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  // A first visit shows the device's own letters, which may be wider than ours.
  await page.route("**/*.woff2", (route) => route.abort());
  await eachPage(page, [...pages, ...others], async (path) => {
    expect.soft([path, await page.evaluate(tooWide)]).toEqual([path, []]);
    await page.evaluate(() => {
      document.documentElement.dataset["letters"] = "large";
    });
    expect.soft([`${path}, large`, await page.evaluate(tooWide)]).toEqual([`${path}, large`, []]);
  });
});

/** Goes once round a page by Tab: controls whose focus can't be seen, and how many there were. */
async function roundByTab(page: Page): Promise<{ readonly unseen: readonly string[]; readonly controls: number }> {
  const unseen: string[] = [];
  for (let controls = 0; ; controls += 1) {
    await page.keyboard.press("Tab");
    const at = await page.evaluate(() => {
      const one = document.activeElement;
      if (one === null || one === document.body || one.hasAttribute("data-tabbed")) return null;
      one.setAttribute("data-tabbed", "");
      const style = getComputedStyle(one);
      const isOutlined = style.outlineStyle !== "none" && Number.parseFloat(style.outlineWidth) >= 2;
      return { isSeen: isOutlined && one.getClientRects().length > 0, name: one.outerHTML.slice(0, 120) };
    });
    if (at === null) return { unseen, controls };
    if (!at.isSeen) unseen.push(at.name);
  }
}

test("every control of a family page is come to by Tab, and shows that it is", async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await eachPage(page, pages, async (path) => {
    if (path.endsWith("/group")) return;
    const { unseen, controls } = await roundByTab(page);
    expect.soft([path, unseen]).toEqual([path, []]);
    const reachable = await page
      .locator("a[href]:visible, button:visible:enabled, input:visible:enabled, select:visible:enabled, textarea:visible:enabled")
      .count();
    expect.soft([path, controls >= reachable]).toEqual([path, true]);
  });
});

test("where somebody wants no motion, nothing of a family page moves, in forced colours either", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, forcedColors: "active", reducedMotion: "reduce" });
  const page = await context.newPage();
  await eachPage(page, pages, async (path) => {
    const moving = await page.evaluate(() => document.getAnimations().filter(({ playState }) => playState === "running").length);
    expect.soft([path, moving]).toEqual([path, 0]);
  });
});
