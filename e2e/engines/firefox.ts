import type { ElementHandle } from "puppeteer-core";
import puppeteer from "puppeteer-core";
import { type EnginePage, fieldOf, pressable, until } from "./page.ts";

/** A page of Debian's Firefox, driven over WebDriver BiDi. */
export async function firefoxPage(): Promise<EnginePage> {
  const browser = await puppeteer.launch({
    browser: "firefox",
    executablePath: process.env["LAMPCRATE_FIREFOX"] ?? "/usr/bin/firefox-esr",
    headless: true,
  });
  const page = await browser.newPage();
  await page.setViewport({ width: 390, height: 844 });
  const inPage = (body: string, given: readonly unknown[]) =>
    page.evaluateHandle(
      (code: string, args: readonly unknown[]) => new Function(code).apply(null, args as unknown[]) as unknown,
      body,
      given as unknown[],
    );
  const element = (body: string, ...given: readonly unknown[]): Promise<ElementHandle<HTMLInputElement>> =>
    until(given.join(", "), async () => (await inPage(body, given)).asElement() as ElementHandle<HTMLInputElement> | null);
  return {
    open: async (url) => void (await page.goto(url)),
    reload: async () => void (await page.reload()),
    run: async <Answer>(body: string, ...given: readonly unknown[]) => (await (await inPage(body, given)).jsonValue()) as Answer,
    press: async (words) => (await element(pressable, words)).click(),
    type: async (region, label, text) => (await element(fieldOf, region, label)).type(text),
    give: async (label, path) => (await element(fieldOf, "", label)).uploadFile(path),
    close: () => browser.close(),
  };
}
