import { spawn } from "node:child_process";
import { readdirSync } from "node:fs";
import { join } from "node:path";
import { Builder, Capabilities, type WebElement } from "selenium-webdriver";
import { freePort } from "../harness.ts";
import { type EnginePage, fieldOf, pressable, until } from "./page.ts";

const libraries = "/usr/lib/x86_64-linux-gnu";

/** Where Debian puts the small browser of WebKitGTK. */
function miniBrowser(): string {
  const folder = readdirSync(libraries).find((name) => /^webkit2gtk-4\.\d$/.test(name));
  if (!folder) throw new Error("WebKit's MiniBrowser is not installed");
  return join(libraries, folder, "MiniBrowser");
}

/** A page of Debian's WebKitGTK, driven over WebDriver. It needs a screen, if only a simulated one. */
export async function webkitPage(): Promise<EnginePage> {
  const port = await freePort();
  const driver = spawn("WebKitWebDriver", [`--port=${port}`], { stdio: "ignore" });
  const server = `http://127.0.0.1:${port}`;
  await until("WebKitWebDriver", () =>
    fetch(`${server}/status`).then(
      ({ ok }) => ok || null,
      () => null,
    ),
  );
  const options = { binary: miniBrowser(), args: ["--automation"] };
  const wanted = new Capabilities({ browserName: "MiniBrowser", "webkitgtk:browserOptions": options });
  const page = await new Builder().usingServer(server).withCapabilities(wanted).build();
  const element = (body: string, ...given: readonly unknown[]): Promise<WebElement> =>
    until(given.join(", "), () => page.executeScript<WebElement | null>(body, ...given));
  return {
    open: (url) => page.get(url),
    reload: () => page.navigate().refresh(),
    run: (body, ...given) => page.executeScript(body, ...given),
    press: async (words) => (await element(pressable, words)).click(),
    type: async (region, label, text) => (await element(fieldOf, region, label)).sendKeys(text),
    give: async (label, path) => (await element(fieldOf, "", label)).sendKeys(path),
    close: async () => {
      await page.quit();
      driver.kill();
    },
  };
}
