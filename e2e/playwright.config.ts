import { defineConfig } from "@playwright/test";
import { chromiumArgs, chromiumPath } from "./browser.ts";

export default defineConfig({
  testDir: "tests",
  workers: 1,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: [["list"], ["json"]],
  outputDir: "../test-results/files",
  use: { viewport: { width: 1280, height: 800 }, launchOptions: { executablePath: chromiumPath, args: chromiumArgs }, trace: "off" },
});
